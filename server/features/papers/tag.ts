import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Dossier } from '@odontis/contract/dossier';
import { sawInWords } from '@odontis/contract/saw-words';
import type { ShopBook } from '@odontis/contract/shop';
import { tagCode } from '@odontis/contract/tag-code';
import { pt, rulerSvg } from './print';

/** Size of the tag in mm: it is tied to the handle. */
export const TAG_MM = { width: 90, height: 50 } as const;
const EDGE_MM = { left: 4, top: 3, right: 4, bottom: 2 } as const;

function tagContent({ ticket, customer, saw }: Dossier, book: ShopBook): Content[] {
  return [
    {
      columns: [
        [
          { text: book.name, fontSize: 7 },
          { text: String(ticket.number), fontSize: 26, bold: true, lineHeight: 0.95 },
          { text: customer.name.slice(0, 60), fontSize: 10, bold: true },
          { text: `${saw.name.slice(0, 60)}, ${sawInWords(saw, book)}`, fontSize: 8 },
          { text: `Promised ${ticket.promisedOn}`, fontSize: 9, margin: [0, 3, 0, 0] },
        ],
        { qr: tagCode(ticket.number), fit: pt(24), width: pt(25), alignment: 'right' },
      ],
    },
  ];
}

/** The tag, true to size, with a ruler to prove it. */
export function tagDocument(dossier: Dossier, book: ShopBook): TDocumentDefinitions {
  return {
    pageSize: { width: pt(TAG_MM.width), height: pt(TAG_MM.height) },
    pageMargins: [pt(EDGE_MM.left), pt(EDGE_MM.top), pt(EDGE_MM.right), pt(EDGE_MM.bottom)],
    info: { title: `Tag ${dossier.ticket.number}` },
    content: [
      ...tagContent(dossier, book),
      { svg: rulerSvg(50), width: pt(50), margin: [0, 4, 0, 0] },
      { text: '50 mm', fontSize: 5 },
    ],
  };
}

/** Tags on a sheet of A4: two across, five down, cut along the lines. mm. */
export const SHEET = { across: 2, down: 5, marginLeftMm: 15, marginTopMm: 16 } as const;
const A_SHEET = SHEET.across * SHEET.down;

/**
 * Several tags to a sheet, true to size. `skip` leaves the first places of the
 * first sheet empty, where tags were cut from it before. One ruler a sheet.
 */
export function tagSheet(dossiers: readonly Dossier[], book: ShopBook, skip = 0): TDocumentDefinitions {
  const places: (Dossier | null)[] = [...Array.from({ length: skip }, () => null), ...dossiers];
  const sheets = Array.from({ length: Math.ceil(places.length / A_SHEET) }, (_, i) =>
    places.slice(i * A_SHEET, (i + 1) * A_SHEET),
  );
  const cell = (dossier: Dossier | null | undefined): Content => ({
    stack: dossier ? tagContent(dossier, book) : [''],
    margin: [pt(EDGE_MM.left), pt(EDGE_MM.top), pt(EDGE_MM.right), 0],
  });
  return {
    pageSize: 'A4',
    pageMargins: [pt(SHEET.marginLeftMm), pt(SHEET.marginTopMm), 0, 0],
    info: { title: `Tags ${dossiers.map((d) => d.ticket.number).join(', ')}` },
    content: sheets.flatMap((sheet, i): Content[] => [
      {
        ...(i > 0 && { pageBreak: 'before' as const }),
        layout: {
          hLineWidth: () => 0.3,
          vLineWidth: () => 0.3,
          hLineColor: () => '#999',
          vLineColor: () => '#999',
          hLineStyle: () => ({ dash: { length: 3, space: 3 } }),
          vLineStyle: () => ({ dash: { length: 3, space: 3 } }),
          paddingLeft: () => 0,
          paddingRight: () => 0,
          paddingTop: () => 0,
          paddingBottom: () => 0,
        },
        table: {
          widths: Array.from({ length: SHEET.across }, () => pt(TAG_MM.width) - 0.3),
          heights: pt(TAG_MM.height) - 0.3,
          dontBreakRows: true,
          body: Array.from({ length: Math.ceil(sheet.length / SHEET.across) }, (_, row) =>
            Array.from({ length: SHEET.across }, (_, column) => cell(sheet[row * SHEET.across + column])),
          ),
        },
      },
      { svg: rulerSvg(50), width: pt(50), margin: [0, 4, 0, 0] },
      { text: '50 mm', fontSize: 5 },
    ]),
  };
}
