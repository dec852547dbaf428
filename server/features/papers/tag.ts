import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Dossier } from '@odontis/contract/dossier';
import type { ShopBook } from '@odontis/contract/shop';
import { sayLong, sayPitch } from '@odontis/core/units/shop-speech';
import { pt, rulerSvg } from './print';

/** Size of the tag in mm: it is tied to the handle. */
export const TAG_MM = { width: 90, height: 50 } as const;

/** What a reader of the tag's code gets. */
export const tagCode = (number: number): string => `odontis-ticket-${number}`;

/** The tag, true to size, with a ruler to prove it. */
export function tagDocument(dossier: Dossier, book: ShopBook): TDocumentDefinitions {
  const { ticket, customer, saw } = dossier;
  return {
    pageSize: { width: pt(TAG_MM.width), height: pt(TAG_MM.height) },
    pageMargins: [pt(4), pt(3), pt(4), pt(2)],
    info: { title: `Tag ${ticket.number}` },
    content: [
      {
        columns: [
          [
            { text: book.name, fontSize: 7 },
            { text: String(ticket.number), fontSize: 26, bold: true, lineHeight: 0.95 },
            { text: customer.name.slice(0, 60), fontSize: 10, bold: true },
            {
              text: `${saw.name.slice(0, 60)}, ${sayPitch(saw.pitchMm, book)}, ${sayLong(saw.toothLineMm, book)}`,
              fontSize: 8,
            },
            { text: `Promised ${ticket.promisedOn}`, fontSize: 9, margin: [0, 3, 0, 0] },
          ],
          { qr: tagCode(ticket.number), fit: pt(24), width: pt(25), alignment: 'right' },
        ],
      },
      { svg: rulerSvg(50), width: pt(50), margin: [0, 4, 0, 0] },
      { text: '50 mm', fontSize: 5 },
    ],
  };
}
