import { FRAME_S } from './band-frames';
import type { FilerEar } from './filer-ear';
import { followHand, movedAfterS } from './filer-ear';
import type { Heard, HeardStroke } from './hear-strokes';
import type { Trouble } from './stroke-trouble';

/** Why the ear does not go on by itself. */
export const DOUBTS = ['fewer', 'more', 'unsure', 'masked', 'rhythm', 'skate'] as const;
export type Doubt = (typeof DOUBTS)[number];

/** What the page shows and does: a stroke heard, the gullet done, or a question. */
export type EarEvent =
  | {
      readonly is: 'stroke';
      readonly atS: number;
      readonly fromS: number;
      readonly toS: number;
      readonly count: number;
      readonly confidence: number;
    }
  /** A stroke falls off just now: shown at once, counted when it has ended. */
  | { readonly is: 'tick'; readonly atS: number }
  | { readonly is: 'trouble'; readonly atS: number; readonly trouble: Trouble }
  | { readonly is: 'done'; readonly atS: number; readonly strokes: number }
  | {
      readonly is: 'doubt';
      readonly atS: number;
      readonly doubt: Doubt;
      readonly strokes: number;
      /** It was asked too often of late: going by ear is of no use here. */
      readonly restless: boolean;
    };

/** As sure as this a push is counted, and below it nobody asks. */
const SURE = 0.9;
const NONE = 0.05;
/** A rest or a move is taken for one or the other only where it lies so many spreads nearer. */
const NEARER = 1.5;
/** A pause so many spreads shorter than usual is no pause of one hand. */
const HASTY = 3;
/** So much longer than a move, and so loud meanwhile, a gullet could have been filed unheard. */
const LONG = 1.5;
/** In so much of a push's length of loud noise one could lie; and a burst of so many lengths is a noise. */
const HIDES = 0.6;
const NO_PUSH_SHARE = 1.5;
/** One stroke more than wanted is still this gullet; two are not. */
const EXTRA = 1;
/** Something is wrong where so many of the last so many strokes say so. */
const WRONG = { strokes: 2, of: 3 };
const SKATES_WITHIN_S = 6;
/** So many questions among the last so many gullets are too many. */
const RESTLESS = { doubts: 3, gullets: 8 };
/** A gullet left after too few strokes is asked about after so many moves' time. */
const ASKED_AFTER = 2.2;

export interface PlaceEar {
  /** What follows from a frame, with the strokes wanted in the present gullet. Nothing while a question stands. */
  readonly take: (heard: Heard, wanted: number) => EarEvent | null;
  /** The filer has said where they are: the count begins anew. `rightly` where what was asked about was indeed not done. */
  readonly anew: (rightly: boolean) => void;
}

/** Counts one filer's strokes gullet by gullet; never runs ahead: what is not sure is asked. */
export function followPlace(first: FilerEar, know: (ear: FilerEar) => void): PlaceEar {
  let ear = first;
  let movedS = movedAfterS(first);
  let strokes: HeardStroke[] = [];
  let unsure = false;
  let asked = false;
  /** End of the last stroke of the gullet before; where the count was begun anew nothing is known of it. */
  let beforeS: number | null = null;
  let maskedS = 0;
  /** What began before the filer last said where they are is not of this gullet. */
  let [nowS, sinceS] = [0, 0];
  /** Gullets done or asked about, and which of them were asked about. */
  let gullets = 0;
  let doubts: number[] = [];
  let wrong: (Trouble | null)[] = [];
  const said = new Set<Trouble>();
  let skatedS: number[] = [];
  let pending: Trouble | null = null;

  const spreads = (gapS: number, of: FilerEar['restS']): number => Math.log(gapS / of.middle) / of.spread;
  const begin = (from: number | null): void => {
    strokes = [];
    unsure = false;
    maskedS = 0;
    beforeS = from;
  };

  /** Told once: two of the last three strokes say so. */
  const wrongBy = (now: Trouble | null): Trouble | null => {
    wrong = [...wrong, now].slice(-WRONG.of);
    if (now === null || said.has(now) || wrong.filter((one) => one === now).length < WRONG.strokes) return null;
    said.add(now);
    return now;
  };

  /** A gullet that closed as it was to close teaches. */
  const learn = (): void => {
    strokes.forEach((stroke, i) => {
      const before = i === 0 ? beforeS : (strokes[i - 1] as HeardStroke).toS;
      const pauseS = before === null ? null : stroke.fromS - before;
      const of = i === 0 ? 'moveS' : 'restS';
      const usual = pauseS !== null && pauseS > 0 && pauseS < 2 * ear[of].middle;
      const own = { levelDb: stroke.levelDb, lengthS: stroke.toS - stroke.fromS };
      ear = followHand(ear, own, usual ? { of, lengthS: pauseS } : null);
    });
    movedS = movedAfterS(ear);
    know(ear);
  };

  return {
    anew: (rightly) => {
      // A question that was called for does not tell against the ear.
      if (asked && rightly) doubts.pop();
      asked = false;
      sinceS = nowS;
      begin(null);
    },
    take: (heard, wanted) => {
      nowS = heard.atS;
      if (asked) return null;
      if (heard.masked) maskedS += FRAME_S;
      const last = strokes[strokes.length - 1];
      const doubt = (kind: Doubt): EarEvent => {
        asked = true;
        doubts = [...doubts.filter((at) => gullets - at < RESTLESS.gullets), gullets++];
        const restless = doubts.length >= RESTLESS.doubts;
        return { is: 'doubt', atS: heard.atS, doubt: kind, strokes: strokes.length, restless };
      };
      const { stroke } = heard;
      if (heard.skated) {
        skatedS = [...skatedS.filter((at) => heard.atS - at < SKATES_WITHIN_S), heard.atS];
        if (skatedS.length > 1) {
          skatedS = [];
          return doubt('skate');
        }
      }
      const trouble = stroke && stroke.confidence > SURE ? wrongBy(stroke.trouble) : null;
      // Far longer than a push is another noise, and a push may lie under it.
      if (stroke && stroke.confidence <= NONE && stroke.lengthShare > NO_PUSH_SHARE)
        maskedS += stroke.toS - stroke.fromS;
      if (stroke && stroke.confidence > NONE && stroke.fromS >= sinceS) {
        // What else sounds may draw a push out: it ends where one of this hand does at the latest.
        const endS = last && Math.min(last.toS, last.fromS + ear.pushS.middle * Math.exp(ear.pushS.spread));
        const gapS = endS !== undefined ? stroke.fromS - endS : beforeS === null ? null : stroke.fromS - beforeS;
        // Sooner than a hand can: a file drawn back, a word, a blow; or, where it is a push in all else, another file.
        if (gapS !== null && spreads(Math.max(gapS, 0.01), last ? ear.restS : ear.moveS) < -HASTY)
          return stroke.confidence < SURE ? null : doubt('rhythm');
        if (stroke.confidence < SURE) unsure = true;
        strokes.push(stroke);
        if (last && gapS !== null) {
          // In a gullet the pause must be a rest's: nearer to that than to a move's by far.
          if (spreads(gapS, ear.restS) > NEARER && -spreads(gapS, ear.moveS) < spreads(gapS, ear.restS))
            return doubt(strokes.length <= wanted ? 'fewer' : 'more');
        } else if (gapS !== null && gapS > LONG * ear.moveS.middle && maskedS > HIDES * ear.pushS.middle)
          return doubt('masked');
        if (strokes.length > wanted + EXTRA) return doubt('more');
        maskedS = 0;
        if (trouble) pending = trouble;
        const { fromS, toS, confidence } = stroke;
        return { is: 'stroke', atS: heard.atS, fromS, toS, count: strokes.length, confidence };
      }
      if (pending) {
        const own = pending;
        pending = null;
        return { is: 'trouble', atS: heard.atS, trouble: own };
      }
      if (heard.ending !== null && heard.ending > SURE) return { is: 'tick', atS: heard.atS };
      if (!last || heard.sounding) return null;
      const pauseS = heard.atS - last.toS;
      if (strokes.length >= wanted && pauseS > movedS) {
        if (unsure) return doubt('unsure');
        if (maskedS > HIDES * ear.pushS.middle) return doubt('masked');
        learn();
        gullets++;
        const count = strokes.length;
        begin(last.toS);
        return { is: 'done', atS: heard.atS, strokes: count };
      }
      if (strokes.length < wanted && pauseS > ASKED_AFTER * ear.moveS.middle) return doubt(unsure ? 'unsure' : 'fewer');
      return null;
    },
  };
}
