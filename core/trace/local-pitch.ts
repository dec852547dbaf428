import { median } from '../units/median';

/** Spacings to either side that a stretch's own pitch is seen from; a speck or a lost tooth is outvoted among them. */
const REACH = 6;

/** Usual spacing just before and just after each place, in the places' own unit. */
export interface LocalPitch {
  readonly before: number;
  readonly after: number;
}

/**
 * Usual spacings around each of a line's places, in rising order: teeth at the toe may stand nearer than
 * the rest. At an end, and where places are few, the spacings there are of both sides. O(n).
 */
export function localPitches(places: readonly number[]): LocalPitch[] {
  const steps = places.slice(1).map((x, i) => x - (places[i] as number));
  const around = (from: number, to: number): number =>
    median(steps.slice(Math.max(0, from), Math.min(steps.length, to)));
  return places.map((_, i) => {
    const [left, right] = [i >= REACH, steps.length - i >= REACH];
    const both = around(i - REACH, i + REACH);
    return { before: left ? around(i - REACH, i) : both, after: right ? around(i, i + REACH) : both };
  });
}
