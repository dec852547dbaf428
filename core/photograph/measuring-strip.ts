/**
 * The measuring sheet's strips: where each mark is printed, mm from the strip's upper left corner, x along it and y
 * down. A strip is laid under the teeth's points or on the plate; its codes say which strip it is and which way up,
 * its dots are what is measured by.
 */

/** Where a strip lies: on the bench with the teeth over its lower margin, or on the plate. */
export type StripPlace = 'bench' | 'plate';

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
  readonly paper: StripPaper;
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly codes: readonly StripCode[];
  /** Middles of the dots. */
  readonly dots: readonly (readonly [number, number])[];
}

const PLACE_LETTER: Readonly<Record<StripPlace, string>> = { bench: 'T', plate: 'P' };
const PAPER_LETTER: Readonly<Record<StripPaper, string>> = { a4: 'A', letter: 'L', short: 'S' };

/** The strip of a name, printed on a paper. */
export function stripOf(name: StripName, paper: StripPaper): Strip {
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
  return { name, paper, lengthMm, heightMm, codes, dots };
}

const CODE_TEXT = /^ODS1([ALS])([TP])([1-9])-([1-3])$/;
const PAPERS = { A: 'a4', L: 'letter', S: 'short' } as const;

/** Which strip's code this is, and which of its codes; null for any other text. */
export function codeOf(text: string): { readonly strip: Strip; readonly code: StripCode } | null {
  const found = CODE_TEXT.exec(text);
  if (!found) return null;
  const [, paper, place, number, code] = found;
  const strip = stripOf(
    { place: place === 'T' ? 'bench' : 'plate', number: Number(number) },
    PAPERS[paper as keyof typeof PAPERS],
  );
  const own = strip.codes[Number(code) - 1];
  return own ? { strip, code: own } : null;
}
