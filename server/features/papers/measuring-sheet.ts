import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import type { MeasuringSheet } from '@odontis/contract/measuring-sheet';
import { DOT_DIAMETER_MM, RULER_MM, stripOf } from '@odontis/core/photograph/measuring-strip';
import type { Strip } from '@odontis/core/photograph/measuring-strip';
import { qrPath } from '../../http/qr-code';
import { pt } from './print';

/** Sheets lying, mm, and what printers leave blank round them. */
const PAGES = { a4: { width: 297, height: 210 }, letter: { width: 279.4, height: 215.9 } } as const;
const EDGE_MM = 8;
/** Strips on the bench on one sheet, and short ones. */
const STRIPS_A_SHEET = 3;
const SHORT_STRIPS = 3;

/** A code's ink at its place and size. */
function codeDrawing(text: string, x: number, y: number, sideMm: number): string {
  const { path, side } = qrPath(text);
  return `<g transform="translate(${x} ${y}) scale(${sideMm / side})">${path}</g>`;
}

function stripDrawing(strip: Strip, x: number, y: number): string {
  const dots = strip.dots.map(([dx, dy]) => `<circle cx="${x + dx}" cy="${y + dy}" r="${DOT_DIAMETER_MM / 2}"/>`);
  const codes = strip.codes.map(({ text, corners: [from, , to] }) =>
    from && to ? codeDrawing(text, x + from[0], y + from[1], to[0] - from[0]) : '',
  );
  const says =
    strip.name.place === 'bench'
      ? `${strip.name.number}  points over the plain margin below, 3 mm clear of the dots`
      : `${strip.name.number}  on the plate`;
  return [
    `<rect x="${x}" y="${y}" width="${strip.lengthMm}" height="${strip.heightMm}" fill="none" stroke="#999" stroke-width="0.15" stroke-dasharray="2 2"/>`,
    ...dots,
    ...codes,
    // Outside the cut line where there is room, else at its very edge: nothing but plate and paper is to lie at the teeth.
    `<text x="${x + strip.lengthMm - 1}" y="${y + strip.heightMm - 0.9}" font-size="2.2" text-anchor="end" fill="#777">${says}</text>`,
  ].join('');
}

/** A ruler with ticks at every centimetre, its ends marked long. */
function ruler(x: number, y: number, lengthMm: number, upright: boolean): string {
  const tick = (mm: number): string => {
    const long = mm === 0 || mm === lengthMm ? 5 : mm % 50 === 0 ? 3.5 : 2;
    return upright
      ? `<path d="M${x} ${y + mm}h${long}" stroke="#000" stroke-width="0.15"/>`
      : `<path d="M${x + mm} ${y}v${long}" stroke="#000" stroke-width="0.15"/>`;
  };
  const ticks = Array.from({ length: lengthMm / 10 + 1 }, (_, k) => tick(10 * k));
  const line = upright ? `M${x} ${y}v${lengthMm}` : `M${x} ${y}h${lengthMm}`;
  return `${ticks.join('')}<path d="${line}" stroke="#000" stroke-width="0.15" fill="none"/>`;
}

/** Measuring strips at true scale to be cut out, with a ruler either way that proves the printer's scale. */
export function measuringSheet({ paper, kind, sheet }: MeasuringSheet): TDocumentDefinitions {
  const page = PAGES[paper];
  const first = (sheet - 1) * (kind === 'short' ? SHORT_STRIPS : STRIPS_A_SHEET);
  const of = kind === 'short' ? 'short' : paper;
  const strips = Array.from({ length: kind === 'short' ? SHORT_STRIPS : STRIPS_A_SHEET }, (_, i) =>
    stripOf({ place: 'bench', number: first + i + 1 }, of),
  );
  const onPlate = stripOf({ place: 'plate', number: sheet }, of);
  let y: number = EDGE_MM;
  const drawn: string[] = [];
  for (const strip of [...strips, onPlate]) {
    drawn.push(stripDrawing(strip, EDGE_MM, y));
    y += strip.heightMm;
  }
  const { lengthMm } = onPlate;
  const rulers = [
    ruler(EDGE_MM, y + 3.5, RULER_MM.along, false),
    ruler(EDGE_MM + lengthMm + 3, EDGE_MM, RULER_MM.across, true),
  ];
  const words = `<text x="${EDGE_MM + RULER_MM.along + 2}" y="${y + 6.5}" font-size="2.4">${RULER_MM.along} mm</text><text x="${EDGE_MM}" y="${y + 12}" font-size="2.4">Print at 100 %, not fitted to the page. Measure both rulers from end to end once for this printer (${RULER_MM.along} mm this way, ${RULER_MM.across} mm the other) and write them in the shop book.</text>`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${page.width} ${page.height}" width="${page.width}" height="${page.height}">${drawn.join('')}${rulers.join('')}${words}</svg>`;
  return {
    pageSize: { width: pt(page.width), height: pt(page.height) },
    pageMargins: 0,
    info: { title: `Measuring sheet ${sheet}` },
    content: [{ svg, width: pt(page.width), absolutePosition: { x: 0, y: 0 } }],
  };
}
