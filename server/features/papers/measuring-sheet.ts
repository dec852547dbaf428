import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import type { MeasuringSheet } from '@odontis/contract/measuring-sheet';
import {
  DOT_DIAMETER_MM,
  rimStrip,
  roundOf,
  roundSheets,
  RULER_MM,
  STRIP_PAPERS,
  stripOf,
} from '@odontis/core/photograph/measuring-strip';
import type { Strip, StripCode } from '@odontis/core/photograph/measuring-strip';
import { qrPath } from '../../http/qr-code';
import { pt } from './print';

/** Sheets lying, mm, and what printers leave blank round them. */
export const PAGES = { a4: { width: 297, height: 210 }, letter: { width: 279.4, height: 215.9 } } as const;
export type SheetPaper = keyof typeof PAGES;
export const EDGE_MM = 8;
/** Strips on the bench on one sheet, and short ones. */
const STRIPS_A_SHEET = 3;
const SHORT_STRIPS = 3;

/** A code's ink at its place, size and turn. */
function codeDrawing({ text, corners: [from, right] }: StripCode, x: number, y: number): string {
  if (!from || !right) return '';
  const { path, side } = qrPath(text);
  const [alongX, alongY] = [right[0] - from[0], right[1] - from[1]];
  const turn = (Math.atan2(alongY, alongX) * 180) / Math.PI;
  const scale = Math.hypot(alongX, alongY) / side;
  return `<g transform="translate(${x + from[0]} ${y + from[1]}) rotate(${turn}) scale(${scale})">${path}</g>`;
}

const CUT_LINE = 'fill="none" stroke="#999" stroke-width="0.15" stroke-dasharray="2 2"';

/** Dots and codes, the strip's own beginning at a place of the sheet. */
const marksDrawing = (strip: Strip, x: number, y: number): string =>
  [
    ...strip.dots.map(([dx, dy]) => `<circle cx="${x + dx}" cy="${y + dy}" r="${DOT_DIAMETER_MM / 2}"/>`),
    ...strip.codes.map((code) => codeDrawing(code, x, y)),
  ].join('');

function stripDrawing(strip: Strip, x: number, y: number): string {
  const says =
    strip.name.place === 'bench'
      ? `${strip.name.number}  points over the plain margin below, 3 mm clear of the dots`
      : `${strip.name.number}  on the plate`;
  return [
    `<rect x="${x}" y="${y}" width="${strip.lengthMm}" height="${strip.heightMm}" ${CUT_LINE}/>`,
    marksDrawing(strip, x, y),
    // Outside the cut line where there is room, else at its very edge: nothing but plate and paper is to lie at the teeth.
    `<text x="${x + strip.lengthMm - 1}" y="${y + strip.heightMm - 0.9}" font-size="2.2" text-anchor="end" fill="#777">${says}</text>`,
  ].join('');
}

/** A piece of a blade's round strips, the middle of its round at a place of the sheet. */
function pieceDrawing(number: number, diameterMm: number, x: number, y: number): string {
  const { arcDeg, innerMm, outerMm } = roundOf(diameterMm);
  const half = (arcDeg * Math.PI) / 360;
  const at = (radius: number, turn: number): string => `${x + radius * Math.sin(turn)} ${y - radius * Math.cos(turn)}`;
  const edge = `M${at(outerMm, -half)}A${outerMm} ${outerMm} 0 0 1 ${at(outerMm, half)}L${at(innerMm, half)}A${innerMm} ${innerMm} 0 0 0 ${at(innerMm, -half)}Z`;
  const rim = diameterMm / 2;
  const where = number === 1 ? 'tooth 1 of the blade here' : 'points to here';
  return [
    `<path d="${edge}" ${CUT_LINE}/>`,
    marksDrawing(rimStrip(number, diameterMm), x, y),
    // Where the points come to lie, in a grey that no tooth is.
    `<path d="M${at(rim, -half)}A${rim} ${rim} 0 0 1 ${at(rim, half)}" fill="none" stroke="#ddd" stroke-width="0.15"/>`,
    `<text x="${x}" y="${y - innerMm - 6}" font-size="2.4" text-anchor="middle" fill="#777">${number}  ${where}; blade of ${diameterMm} mm</text>`,
  ].join('');
}

/** A ruler with ticks at every centimetre, its ends marked long. */
export function ruler(x: number, y: number, lengthMm: number, upright: boolean): string {
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
export function measuringSheet(asked: MeasuringSheet): TDocumentDefinitions {
  const { paper, kind, sheet, diameter } = asked;
  const page = PAGES[paper];
  const lengthMm = kind === 'short' ? STRIP_PAPERS.short.lengthMm : STRIP_PAPERS[paper].lengthMm;
  const { drawn, endMm } = kind === 'round' && diameter ? piecesDrawn(diameter, sheet, lengthMm) : stripsDrawn(asked);
  const y = endMm;
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

interface Drawn {
  readonly drawn: readonly string[];
  /** Where the drawing ends on the sheet, mm. */
  readonly endMm: number;
}

/** Pieces of a round, one over the other. */
function piecesDrawn(diameterMm: number, sheet: number, roomMm: number): Drawn {
  const { pieces, outerMm } = roundOf(diameterMm);
  const { aSheet, stepMm } = roundSheets(diameterMm);
  const numbers = [1, 2].slice(0, aSheet).map((k) => (sheet - 1) * aSheet + k);
  const drawn = numbers
    .filter((number) => number <= pieces)
    .map((number, k) => pieceDrawing(number, diameterMm, EDGE_MM + roomMm / 2, EDGE_MM + k * stepMm + outerMm));
  const { heightMm } = rimStrip(1, diameterMm);
  return { drawn, endMm: EDGE_MM + (aSheet - 1) * stepMm + heightMm };
}

function stripsDrawn({ paper, kind, sheet }: MeasuringSheet): Drawn {
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
  return { drawn, endMm: y };
}
