import type { FilerEar } from './filer-ear';
import { movedAfterS } from './filer-ear';
import type { Heard } from './hear-strokes';

/** Why the ear does not go on by itself. */
export const DOUBTS = ['fewer', 'more', 'unsure', 'masked', 'unlike', 'long'] as const;
export type Doubt = (typeof DOUBTS)[number];

/** What the page shows and does: a stroke heard, the gullet done, or a question. */
export type EarEvent =
  | { readonly is: 'stroke'; readonly atS: number; readonly count: number; readonly confidence: number }
  | { readonly is: 'done'; readonly atS: number; readonly strokes: number }
  | { readonly is: 'doubt'; readonly atS: number; readonly doubt: Doubt; readonly strokes: number };

/** As sure as this a push is counted, and below it nobody asks. */
const SURE = 0.9;
const NONE = 0.05;
/** A rest or a move is taken for one or the other only where it lies so many spreads nearer. */
const NEARER = 1.5;
/** So much longer than a move, and so loud meanwhile, a gullet could have been filed unheard. */
const LONG = 1.5;
/** One stroke more than wanted is still this gullet; two are not. */
const EXTRA = 1;
/** A gullet left after too few strokes is asked about after so many moves' time. */
const ASKED_AFTER = 2.2;

export interface PlaceEar {
  /** What follows from a frame, with the strokes wanted in the present gullet. Nothing while a question stands. */
  readonly take: (heard: Heard, wanted: number) => EarEvent | null;
  /** The filer has said where they are: the count begins anew. */
  readonly anew: () => void;
}

/** Counts one filer's strokes gullet by gullet; never runs ahead: what is not sure is asked. */
export function followPlace(ear: FilerEar): PlaceEar {
  const movedS = movedAfterS(ear);
  let strokes: { readonly fromS: number; readonly toS: number; readonly confidence: number }[] = [];
  let unsure = false;
  let asked = false;
  /** End of the last stroke of the gullet before; where the count was begun anew nothing is known of it. */
  let beforeS: number | null = null;
  let maskedS = 0;

  const spreads = (gapS: number, of: FilerEar['restS']): number => Math.log(gapS / of.middle) / of.spread;
  const begin = (from: number | null): void => {
    strokes = [];
    unsure = false;
    maskedS = 0;
    beforeS = from;
  };

  return {
    anew: () => {
      asked = false;
      begin(null);
    },
    take: (heard, wanted) => {
      if (asked) return null;
      if (heard.masked) maskedS += 0.01;
      const last = strokes[strokes.length - 1];
      const doubt = (kind: Doubt): EarEvent => {
        asked = true;
        return { is: 'doubt', atS: heard.atS, doubt: kind, strokes: strokes.length };
      };
      const { stroke } = heard;
      if (stroke && stroke.confidence > NONE) {
        if (stroke.confidence < SURE) unsure = true;
        const gapS = last ? stroke.fromS - last.toS : beforeS === null ? null : stroke.fromS - beforeS;
        strokes.push(stroke);
        if (last && gapS !== null) {
          // In a gullet the pause must be a rest's: nearer to that than to a move's by far.
          if (gapS > 0 && spreads(gapS, ear.restS) > NEARER && -spreads(gapS, ear.moveS) < spreads(gapS, ear.restS))
            return doubt(strokes.length <= wanted ? 'fewer' : 'more');
        } else if (gapS !== null && gapS > LONG * ear.moveS.middle && maskedS > 0.6 * ear.pushS.middle) return doubt('masked');
        if (strokes.length > wanted + EXTRA) return doubt('more');
        maskedS = 0;
        return { is: 'stroke', atS: heard.atS, count: strokes.length, confidence: stroke.confidence };
      }
      if (!last || heard.sounding) return null;
      const pauseS = heard.atS - last.toS;
      if (strokes.length >= wanted && pauseS > movedS) {
        if (unsure) return doubt('unsure');
        if (maskedS > 0.6 * ear.pushS.middle) return doubt('masked');
        const count = strokes.length;
        begin(last.toS);
        return { is: 'done', atS: heard.atS, strokes: count };
      }
      if (strokes.length < wanted && pauseS > ASKED_AFTER * ear.moveS.middle) return doubt(unsure ? 'unsure' : 'fewer');
      return null;
    },
  };
}
