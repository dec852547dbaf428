import type { CalibrationReading, Calibration } from './hand';
import { addReading, fitRate, NO_READINGS } from './proportional-fit';
import { addPair, fitStraight, NO_PAIRS, predict } from './straight-fit';

/** What was measured of one tool in one hand, and the line through it. mm over strokes, passes or numbers. */
export interface HandLine {
  readonly points: readonly { readonly amount: number; readonly didMm: number }[];
  /** The fit, with one standard error of what the next reading of a set tool will be, or of the rate; null where too little is known. */
  readonly line: readonly { readonly amount: number; readonly didMm: number; readonly errorMm: number }[] | null;
}

/** So many places along a line whose error is not even. */
const PLACES = 9;
/** Rates are fitted from this many on: of one reading nothing but that reading is known. */
const LEAST = 2;
/** Unused: two readings or more have an error of their own. */
const NO_PRIOR = { rate: 1, error: 1 };

/** A rate through nothing done, nothing taken; of a set tool a straight line. O(readings). */
export function handLine(readings: readonly CalibrationReading[], what: Calibration, tool: string): HandLine {
  const points = readings
    .filter((one) => one.what === what && one.tool === tool)
    .map(({ amount, didMm }) => ({ amount, didMm }));
  const amounts = points.map(({ amount }) => amount);
  const [least, most] = [Math.min(...amounts), Math.max(...amounts)];
  if (what === 'set-tool') {
    const sums = points.reduce((all, { amount, didMm }) => addPair(all, amount, didMm), NO_PAIRS);
    const fit = fitStraight(sums);
    if (!fit) return { points, line: null };
    const at = (i: number): number => least + ((most - least) * i) / (PLACES - 1);
    const line = Array.from({ length: PLACES }, (_, i) => {
      const { value, error } = predict(sums, fit, at(i));
      return { amount: at(i), didMm: value, errorMm: error ?? 0 };
    });
    return { points, line };
  }
  if (points.length < LEAST) return { points, line: null };
  const fit = fitRate(
    points.reduce((all, { amount, didMm }) => addReading(all, amount, didMm), NO_READINGS),
    NO_PRIOR,
  );
  return {
    points,
    line: [0, most].map((amount) => ({ amount, didMm: fit.rate * amount, errorMm: fit.error * amount })),
  };
}
