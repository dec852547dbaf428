import type { Content } from 'pdfmake/interfaces';
import type { Dossier } from '@odontis/contract/dossier';
import type { ShopBook } from '@odontis/contract/shop';
import { KERF_PICTURE, kerfOutline, timesOf } from '@odontis/core/testcut/kerf-outline';
import type { TestCut } from '@odontis/core/testcut/test-cut';
import { sayFine, sayPlate } from '@odontis/core/units/shop-speech';
import { isLineOrder } from '@odontis/core/work/order';
import { cutSays } from '@odontis/core/testcut/cut-says';
import { viewDepth } from '@odontis/core/work/tooth-line/depth-view';
import { USUAL_BOARD_MM } from '@odontis/core/testcut/foretold';
import { foretellCut } from '@odontis/core/work/tooth-line/foretold-cut';
import { studyLine } from '@odontis/core/work/tooth-line/study';
import { pt } from './print';

/** Between the two pictures, px of the pictures. */
const GAP = 14;

function kerfSvg(cut: TestCut, plateMm: number, times: number, x: number, name: string): string {
  const drawn = kerfOutline(cut, plateMm, times);
  if (!drawn) return '';
  const { wide, tall } = KERF_PICTURE;
  const { kerf, plate } = drawn;
  return (
    `<g transform="translate(${x} 0)"><rect width="${wide}" height="${tall}" fill="#f0e6cd"/>` +
    `<path d="${kerf}" fill="#fff" stroke="#333" stroke-width="1"/>` +
    `<rect x="${plate.x.toFixed(2)}" y="0" width="${plate.wide.toFixed(2)}" height="${plate.tall.toFixed(2)}" fill="#9aa3ad"/>` +
    drawn.scratches.map(({ path }) => `<path d="${path}" stroke="#b23d0e" stroke-width="2"/>`).join('') +
    `<text x="${wide / 2}" y="${tall - 8}" font-size="13" text-anchor="middle" fill="#222">${name}</text></g>`
  );
}

/** The kerf before the work and after it, at one scale, and what that means to who saws; nothing where it is not known. */
export function kerfBeforeAndAfter({ plan, checks }: Dossier, book: ShopBook): Content[] {
  const order = plan?.order;
  if (!order || !isLineOrder(order) || order.inputs.retooth) return [];
  const study = studyLine(order.inputs);
  // Of a two-edged saw the edge that the order begins with is drawn, with its own test cut.
  const edge = order.inputs.pull?.edge ?? null;
  const last = checks.findLast((round) => round.edge === edge && round.setLeftMm !== null && round.setRightMm !== null);
  const found = last && { left: last.setLeftMm ?? 0, right: last.setRightMm ?? 0 };
  const { now, chosen } = foretellCut(
    study,
    viewDepth(study, order.choice.depthMm),
    { ...order.forecast.set, ...(found && { found }) },
    { wood: order.inputs.saw.wood, boardMm: USUAL_BOARD_MM },
  );
  const say = { fine: (mm: number) => sayFine(mm, book), plate: (mm: number) => sayPlate(mm, book) };
  const text: Content = { text: cutSays(now, chosen, say), margin: [0, 0, 0, 4] };
  if (!now.section || !chosen.section) return [text];
  const plateMm = order.inputs.saw.plateThicknessMm;
  const times = timesOf([now, chosen]);
  const { wide, tall } = KERF_PICTURE;
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${2 * wide + GAP} ${tall}">` +
    `${kerfSvg(now, plateMm, times, 0, 'before')}${kerfSvg(chosen, plateMm, times, wide + GAP, 'now')}</svg>`;
  return [
    text,
    { text: `Saw and kerf from the end, drawn ${times} times as large, both alike.`, fontSize: 8, color: '#555' },
    { svg, width: pt(90), margin: [0, 2, 0, 6] },
  ];
}
