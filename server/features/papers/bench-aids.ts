import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { aidMarks } from '@odontis/contract/aid-files';
import type { Dossier } from '@odontis/contract/dossier';
import { RULER_MM } from '@odontis/core/photograph/measuring-strip';
import { aidsOfOrder } from '@odontis/core/work/aids/aids-of-order';
import type { BenchAid } from '@odontis/core/work/aids/bench-aid';
import type { SheetPaper } from './measuring-sheet';
import { EDGE_MM, PAGES, ruler } from './measuring-sheet';
import { pt } from './print';

/** Over the drawing: its title and what it is for. mm */
const TITLE_MM = 24;

/** Aids of a saw's plan at true scale, one to a sheet, each with a ruler either way that proves the printer's scale. */
export function benchAids({ plan, ticket, saw }: Dossier, paper: SheetPaper): TDocumentDefinitions {
  const aids = plan ? aidsOfOrder(plan.order) : [];
  const page = PAGES[paper];
  const name = `No. ${ticket.number} · ${saw.name}`;
  return {
    pageSize: { width: pt(page.width), height: pt(page.height) },
    pageMargins: 0,
    info: { title: `Bench aids, ${name}` },
    content:
      aids.length === 0
        ? [{ text: `${name}: this plan has nothing to be drawn at true scale.`, margin: pt(EDGE_MM), fontSize: 12 }]
        : aids.flatMap((aid, i) => sheetOf(aid, name, paper, i > 0)),
  };
}

function sheetOf(aid: BenchAid, name: string, paper: SheetPaper, broken: boolean): Content[] {
  const page = PAGES[paper];
  const foot = page.height - EDGE_MM - 6;
  const rulers = [
    ruler(EDGE_MM, foot, RULER_MM.along, false),
    ruler(page.width - EDGE_MM - 6, EDGE_MM, RULER_MM.across, true),
  ].join('');
  const words = `<text x="${EDGE_MM}" y="${foot - 2}" font-size="2.6">Print at 100 %, not fitted to the page: this ruler is ${RULER_MM.along} mm, the upright one ${RULER_MM.across} mm.</text>`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${page.width} ${page.height}" width="${page.width}" height="${page.height}">${aidMarks(aid, EDGE_MM, EDGE_MM + TITLE_MM)}${rulers}${words}</svg>`;
  return [
    {
      svg,
      width: pt(page.width),
      absolutePosition: { x: 0, y: 0 },
      ...(broken && { pageBreak: 'before' as const }),
    },
    {
      columns: [
        {
          width: pt(page.width - 60),
          stack: [
            { text: `${aid.title} · ${name}`, fontSize: 12, bold: true },
            { text: aid.says, fontSize: 9 },
          ],
        },
      ],
      absolutePosition: { x: pt(EDGE_MM), y: pt(EDGE_MM) },
    },
  ];
}
