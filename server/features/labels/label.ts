import type { Dossier } from '@odontis/contract/dossier';
import type { ShopBook } from '@odontis/contract/shop';
import { sawInWords } from '@odontis/contract/saw-words';
import { tagCode } from '@odontis/contract/tag-code';
import { qrPath } from '../../http/qr-code';

/** Size of a label in mm. */
export const LABEL_MM = { width: 62, height: 29 } as const;
/** The code's square, and the white round it that a reader needs: four of its modules (ISO/IEC 18004). mm. */
const CODE_MM = { side: 20, quiet: 3.4, top: 4.5 } as const;
const CODE_LEFT_MM = LABEL_MM.width - CODE_MM.side - CODE_MM.quiet;
const TEXT_MM = CODE_LEFT_MM - CODE_MM.quiet;

const xml = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.codePointAt(0)};`);

/** Room for words, and how wide a letter of a wide typeface is for its size: a printer may have another than ours. */
const ROOM_MM = TEXT_MM - 2.5;
const WIDE_LETTER = { 400: 0.62, 600: 0.7 } as const;
/** The largest size up to the one wanted at which the words fit. mm. */
const fitting = (text: string, size: number, weight: 400 | 600): number =>
  Math.min(size, Number((ROOM_MM / (WIDE_LETTER[weight] * Math.max(1, text.length))).toFixed(2)));

const cut = (text: string, most: number): string => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

/** A label as a drawing of its true size: number, owner, saw, day and the code. Everything typed is text in it, never mark-up. */
export function labelDrawing(dossier: Dossier, book: ShopBook): string {
  const { ticket, customer, saw } = dossier;
  const { path, side } = qrPath(tagCode(ticket.number));
  const line = (y: number, size: number, weight: 400 | 600, text: string): string =>
    `<text x="2.5" y="${y}" font-size="${fitting(text, size, weight)}" font-weight="${weight}">${xml(text)}</text>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${LABEL_MM.width}mm" height="${LABEL_MM.height}mm" viewBox="0 0 ${LABEL_MM.width} ${LABEL_MM.height}" font-family="IBM Plex Sans, sans-serif" fill="#000">`,
    `<rect width="${LABEL_MM.width}" height="${LABEL_MM.height}" fill="#fff"/>`,
    // Words never run into the code, however wide they are.
    `<clipPath id="words"><rect width="${TEXT_MM}" height="${LABEL_MM.height}"/></clipPath><g clip-path="url(#words)">`,
    line(9.5, 9, 600, String(ticket.number)),
    line(14.5, 3.6, 600, cut(customer.name, 20)),
    line(18.5, 2.8, 400, cut(saw.name, 22)),
    line(22.3, 2.8, 400, cut(sawInWords(saw, book), 22)),
    line(26.5, 2.8, 400, `Promised ${ticket.promisedOn}`),
    '</g>',
    `<g transform="translate(${CODE_LEFT_MM} ${CODE_MM.top}) scale(${CODE_MM.side / side})">${path}</g>`,
    '</svg>',
  ].join('');
}
