import { createRequire } from 'node:module';
import type { Dossier } from '@odontis/contract/dossier';
import type { ShopBook } from '@odontis/contract/shop';
import { sawInWords } from '@odontis/contract/saw-words';
import { tagCode } from '@odontis/contract/tag-code';

const require = createRequire(import.meta.url);
const bwip = require('bwip-js/node') as { toSVG(options: { bcid: string; text: string; eclevel?: string }): string };

/** Size of a label in mm. */
export const LABEL_MM = { width: 62, height: 29 } as const;

const xml = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.codePointAt(0)};`);

/** The code's square as a path, and how many units wide it is. */
function codeFor(number: number): { path: string; side: number } {
  const svg = bwip.toSVG({ bcid: 'qrcode', text: tagCode(number), eclevel: 'M' });
  const side = Number(/viewBox="0 0 (\d+)/.exec(svg)?.[1]);
  return { path: /<path[^>]*\/>/.exec(svg)?.[0] ?? '', side };
}

const cut = (text: string, most: number): string => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

/** A label as a drawing of its true size: number, owner, saw, day and the code. Everything typed is text in it, never mark-up. */
export function labelDrawing(dossier: Dossier, book: ShopBook): string {
  const { ticket, customer, saw } = dossier;
  const { path, side } = codeFor(ticket.number);
  const line = (y: number, size: number, weight: number, text: string): string =>
    `<text x="2.5" y="${y}" font-size="${size}" font-weight="${weight}">${xml(text)}</text>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${LABEL_MM.width}mm" height="${LABEL_MM.height}mm" viewBox="0 0 ${LABEL_MM.width} ${LABEL_MM.height}" font-family="IBM Plex Sans, sans-serif" fill="#000">`,
    `<rect width="${LABEL_MM.width}" height="${LABEL_MM.height}" fill="#fff"/>`,
    line(9.5, 9, 600, String(ticket.number)),
    line(14.5, 3.6, 600, cut(customer.name, 26)),
    line(18.5, 3, 400, cut(saw.name, 30)),
    line(22.3, 3, 400, cut(sawInWords(saw, book), 30)),
    line(26.5, 3, 400, `Promised ${ticket.promisedOn}`),
    `<g transform="translate(${LABEL_MM.width - 22} 3.5) scale(${20 / side})">${path}</g>`,
    '</svg>',
  ].join('');
}
