/**
 * The measuring sheet's strips: where each mark is printed, mm from the strip's upper left corner, x along it and y
 * down. A strip is laid under the teeth's points or on the plate; its codes say which strip it is and which way up,
 * its dots are what is measured by.
 */

/** Where a strip lies: on the bench with the teeth over its lower margin, on the plate, or round a blade's rim. */
export type StripPlace = 'bench' | 'plate' | 'rim';

/** A strip as its code names it. */
export interface StripName {
  readonly place: StripPlace;
  /** Counted from 1. */
  readonly number: number;
}

/** Length of the strips of each paper, laid the long way; a short one goes behind a band in its vise. */
export const STRIP_PAPERS = { a4: { lengthMm: 270 }, letter: { lengthMm: 252 }, short: { lengthMm: 120 } } as const;
export type StripPaper = keyof typeof STRIP_PAPERS;

/** The rulers beside the strips that prove what a printer makes of a millimetre. */
export const RULER_MM = { along: 240, across: 150 } as const;

/** Height of a strip: marks above, and under them a plain margin that the points lie over. */
export const STRIP_HEIGHT_MM = 48;
/** Marks end here. */
export const MARKS_END_MM = 26;
/** Height of a strip for the plate: it has no margin. */
export const PLATE_STRIP_HEIGHT_MM = 28;

export const DOT_DIAMETER_MM = 3;
const DOT_ROWS_MM = [3.5, 13.5, 23.5] as const;
const DOT_STEP_MM = 8;
/** Side of a code, and what is left free about its middle. */
export const CODE_MM = 14;
const CODE_CLEAR_MM = 12;
const CODE_AT_MM = 13.5;

/** One code: what it reads and where it stands. */
export interface StripCode {
  readonly text: string;
  /** Its corners from the upper left one, clockwise as printed. */
  readonly corners: readonly (readonly [number, number])[];
}

export interface Strip {
  readonly name: StripName;
  /** What it is printed on; a round one is made for a blade of its diameter. */
  readonly paper: StripPaper | `round ${number}`;
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly codes: readonly StripCode[];
  /** Middles of the dots. */
  readonly dots: readonly (readonly [number, number])[];
  /** A place of the strip where points lie over it. */
  readonly pointsAt: readonly [number, number];
}

const PLACE_LETTER = { bench: 'T', plate: 'P' } as const;
const PAPER_LETTER: Readonly<Record<StripPaper, string>> = { a4: 'A', letter: 'L', short: 'S' };

/** The straight strip of a name, printed on a paper. */
export function stripOf(name: StripName & { readonly place: 'bench' | 'plate' }, paper: StripPaper): Strip {
  const { lengthMm } = STRIP_PAPERS[paper];
  const codesAt = paper === 'short' ? [16, lengthMm - 16] : [16, lengthMm / 2, lengthMm - 16];
  const codes = codesAt.map((x, i): StripCode => {
    const [a, b] = [x - CODE_MM / 2, x + CODE_MM / 2];
    const [c, d] = [CODE_AT_MM - CODE_MM / 2, CODE_AT_MM + CODE_MM / 2];
    return {
      text: `ODS1${PAPER_LETTER[paper]}${PLACE_LETTER[name.place]}${name.number}-${i + 1}`,
      corners: [
        [a, c],
        [b, c],
        [b, d],
        [a, d],
      ],
    };
  });
  const dots = DOT_ROWS_MM.flatMap((y) => {
    const row: (readonly [number, number])[] = [];
    for (let x = 4; x <= lengthMm - 3.5; x += DOT_STEP_MM)
      if (codesAt.every((at) => Math.abs(x - at) > CODE_CLEAR_MM)) row.push([x, y]);
    return row;
  });
  const heightMm = name.place === 'bench' ? STRIP_HEIGHT_MM : PLATE_STRIP_HEIGHT_MM;
  return { name, paper, lengthMm, heightMm, codes, dots, pointsAt: [lengthMm / 2, MARKS_END_MM] };
}

/** Blades that round strips are made for, mm: larger ones need more pieces than a code can number. */
export const ROUND_DIAMETERS_MM = { least: 80, most: 650 } as const;
/** Marks of a round strip begin so far outside the rim; its paper reaches so far under the teeth. mm. */
export const RIM_MARGIN_MM = 10;
const UNDER_RIM_MM = 25;
/** A piece is no longer than this from end to end, and no more of the round, degrees. */
const LONGEST_PIECE_MM = 250;
const MOST_OF_ROUND_DEG = 120;

/** The round strips of a blade: so many pieces of so many degrees, between two radii, mm. */
export function roundOf(diameterMm: number): {
  readonly pieces: number;
  readonly arcDeg: number;
  readonly innerMm: number;
  readonly outerMm: number;
} {
  const innerMm = diameterMm / 2 - UNDER_RIM_MM;
  const outerMm = diameterMm / 2 + RIM_MARGIN_MM + MARKS_END_MM;
  const fits = (360 / Math.PI) * Math.asin(Math.min(1, LONGEST_PIECE_MM / 2 / outerMm));
  const pieces = Math.ceil(360 / Math.min(MOST_OF_ROUND_DEG, fits));
  return { pieces, arcDeg: 360 / pieces, innerMm, outerMm };
}

/** Height of a sheet lying that pieces may fill, mm. */
const SHEET_ROOM_MM = 178;

/** Pieces on one sheet, the second so far under the first that its outer round clears the first one's ends; and sheets for a whole round. */
export function roundSheets(diameterMm: number): {
  readonly aSheet: 1 | 2;
  readonly stepMm: number;
  readonly sheets: number;
} {
  const { pieces, arcDeg, innerMm, outerMm } = roundOf(diameterMm);
  const half = (arcDeg * Math.PI) / 360;
  const [inX, inY] = [innerMm * Math.sin(half), innerMm * Math.cos(half)];
  const stepMm = Math.max(outerMm - innerMm, Math.sqrt(outerMm ** 2 - inX ** 2) - inY) + 1;
  const aSheet = stepMm + outerMm - inY <= SHEET_ROOM_MM ? 2 : 1;
  return { aSheet, stepMm, sheets: Math.ceil(pieces / aSheet) };
}

/** A piece of a blade's round strips: mm from the middle of the round, x right and y down, the piece's own middle straight up. */
export function rimStrip(number: number, diameterMm: number): Strip {
  const { arcDeg, innerMm, outerMm } = roundOf(diameterMm);
  const half = (arcDeg * Math.PI) / 360;
  const at = (radiusMm: number, turn: number): readonly [number, number] => [
    radiusMm * Math.sin(turn),
    -radiusMm * Math.cos(turn),
  ];
  const inMarks = diameterMm / 2 + RIM_MARGIN_MM;
  const middle = inMarks + CODE_AT_MM;
  const codesAt = [-1, 0, 1].map((side) => side * (half - 16 / middle));
  const codes = codesAt.map((turn, i): StripCode => {
    const [x, y] = at(middle, turn);
    const [c, s] = [(Math.cos(turn) * CODE_MM) / 2, (Math.sin(turn) * CODE_MM) / 2];
    return {
      text: `ODS1R${diameterMm}-${number}-${i + 1}`,
      // Along the rim is (c, s), outwards (s, -c).
      corners: [
        [x - c + s, y - s - c],
        [x + c + s, y + s - c],
        [x + c - s, y + s + c],
        [x - c - s, y - s + c],
      ],
    };
  });
  const dots = DOT_ROWS_MM.flatMap((row) => {
    const radius = inMarks + row;
    const steps = Math.floor((2 * half * radius - 7.5) / DOT_STEP_MM);
    return Array.from({ length: steps + 1 }, (_, k) => ((k - steps / 2) * DOT_STEP_MM) / radius)
      .filter((turn) => codesAt.every((code) => Math.abs(turn - code) * middle > CODE_CLEAR_MM))
      .map((turn) => at(radius, turn));
  });
  return {
    name: { place: 'rim', number },
    paper: `round ${diameterMm}`,
    lengthMm: 2 * outerMm * Math.sin(half),
    heightMm: outerMm - innerMm * Math.cos(half),
    codes,
    dots,
    pointsAt: at(diameterMm / 2, 0),
  };
}

const CODE_TEXT = /^ODS1([ALS])([TP])([1-9])-([1-3])$/;
const RIM_TEXT = /^ODS1R([1-9][0-9]{1,2})-([1-9])-([1-3])$/;
const PAPERS = { A: 'a4', L: 'letter', S: 'short' } as const;

/** Which strip's code this is, and which of its codes; null for any other text. */
export function codeOf(text: string): { readonly strip: Strip; readonly code: StripCode } | null {
  const named = stripNamed(text);
  const own = named?.strip.codes[named.code - 1];
  return named && own ? { strip: named.strip, code: own } : null;
}

function stripNamed(text: string): { readonly strip: Strip; readonly code: number } | null {
  const straight = CODE_TEXT.exec(text);
  if (straight) {
    const [, paper, place, number, code] = straight;
    const name = { place: place === 'T' ? 'bench' : 'plate', number: Number(number) } as const;
    return { strip: stripOf(name, PAPERS[paper as keyof typeof PAPERS]), code: Number(code) };
  }
  const [, diameter, number, code] = (RIM_TEXT.exec(text) ?? []).map(Number);
  if (!diameter || !number || !code) return null;
  const { least, most } = ROUND_DIAMETERS_MM;
  if (diameter < least || diameter > most || number > roundOf(diameter).pieces) return null;
  return { strip: rimStrip(number, diameter), code };
}
