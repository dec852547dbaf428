import type { Content } from 'pdfmake/interfaces';
import type { Dossier } from '@odontis/contract/dossier';
import type { ShopBook } from '@odontis/contract/shop';
import { KERF_PICTURE, kerfOutline, timesOf } from '@odontis/core/testcut/kerf-outline';
import type { TestCut } from '@odontis/core/testcut/test-cut';
import { sayFine, sayPlate } from '@odontis/core/units/shop-speech';
import type { Filing } from '@odontis/core/saw/families';
import type { ForetoldCut } from '@odontis/core/testcut/foretold';
import { linesOfOrder } from '@odontis/core/work/lines-of-order';
import { cutOfOrder } from '@odontis/core/work/order-cut';
import { cutSays } from '@odontis/core/testcut/cut-says';
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

/** The set that the last measured test cut was made with. */
function setFound({ checks }: Dossier, edge: Filing | null): { left: number; right: number } | null {
  const last = checks.findLast((round) => round.edge === edge && round.setLeftMm !== null && round.setRightMm !== null);
  return last ? { left: last.setLeftMm ?? 0, right: last.setRightMm ?? 0 } : null;
}

/** The cut as an order found it and as the work left it, with the set that was measured; null where it is not foretold. */
export function cutOf(dossier: Dossier): { readonly cut: ForetoldCut; readonly plateMm: number } | null {
  const order = dossier.plan?.order;
  if (!order) return null;
  // Of a two-edged saw the edge that the order begins with is drawn, with its own test cut.
  const edge = linesOfOrder(order)[0]?.edge ?? null;
  const found = setFound(dossier, edge);
  const { wood } = order.inputs?.saw ?? dossier.ticket;
  return cutOfOrder(order, { edge, wood, ...(found && { found }) });
}

/** Both kerfs at one scale; nothing where one is not known. */
export function kerfPair({ cut: { now, chosen }, plateMm }: NonNullable<ReturnType<typeof cutOf>>): Content[] {
  if (!now.section || !chosen.section) return [];
  const times = timesOf([now, chosen]);
  const { wide, tall } = KERF_PICTURE;
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${2 * wide + GAP} ${tall}">` +
    `${kerfSvg(now, plateMm, times, 0, 'before')}${kerfSvg(chosen, plateMm, times, wide + GAP, 'now')}</svg>`;
  return [
    { text: `Saw and kerf from the end, drawn ${times} times as large, both alike.`, fontSize: 8, color: '#555' },
    { svg, width: pt(90), margin: [0, 2, 0, 6] },
  ];
}

/** The kerf before the work and after it, at one scale, and what that means to who saws; nothing where it is not known. */
export function kerfBeforeAndAfter(dossier: Dossier, book: ShopBook): Content[] {
  const foretold = cutOf(dossier);
  if (!foretold) return [];
  const say = { fine: (mm: number) => sayFine(mm, book), plate: (mm: number) => sayPlate(mm, book) };
  return [{ text: cutSays(foretold.cut.now, foretold.cut.chosen, say), margin: [0, 0, 0, 4] }, ...kerfPair(foretold)];
}
