import type { Estimate } from './estimate';
import { weightedMean } from './estimate';
import { GAUGE_ERROR_MM } from './gauges';
import type { LengthQuantity } from './quantities';
import type { LengthReading, Reading } from './reading';
import { isLength } from './reading';

/** What the readings at one place come to. */
export interface PlaceEstimate {
  readonly place: number;
  readonly valueMm: number;
  /** One standard error. */
  readonly errorMm: number;
  readonly count: number;
}

type Standing = Pick<Reading, 'key' | 'setAside' | 'corrects'>;

/** Taken but not counted, and not settled since: still to be looked at. */
export function unsettled<R extends Standing>(readings: readonly R[]): R[] {
  const settled = new Set(readings.map((r) => r.corrects));
  return readings.filter((r) => r.setAside && !settled.has(r.key) && r.corrects === null);
}

/** What counts of readings that do not change, once it was asked: every view of a long line asks. */
const COUNTED = new WeakMap<readonly Standing[], readonly Standing[]>();

/** Readings that count: neither set aside nor corrected since. In the order given, which does not change which they are. */
export function standing<R extends Standing>(readings: readonly R[]): readonly R[] {
  const known = COUNTED.get(readings);
  // What is kept for a list are readings out of that list.
  if (known) return known as readonly R[];
  const corrected = new Set<string>();
  for (const r of readings) if (r.corrects !== null) corrected.add(r.corrects);
  const counted = readings.filter((r) => !r.setAside && (corrected.size === 0 || !corrected.has(r.key)));
  COUNTED.set(readings, counted);
  return counted;
}

/** Mean of readings at one place, each weighed by its gauge's error, and its own error. mm. */
export const meanOf = (readings: readonly LengthReading[]): Estimate | null =>
  weightedMean(readings.map((r) => ({ value: r.value, error: GAUGE_ERROR_MM[r.gauge] })));

/**
 * Mean and standard error at every place of one quantity and part, in order of place. The
 * error is the larger of the gauges' own and of what repeats scatter. mm. O(n log n).
 * Example: 0.10 and 0.12 by indicator -> 0.11 with an error of 0.01.
 */
export function estimatesOf(
  readings: readonly Reading[],
  quantity: LengthQuantity,
  part: string | null,
): PlaceEstimate[] {
  const byPlace = new Map<number, LengthReading[]>();
  for (const r of standing(readings)) {
    if (r.quantity !== quantity || r.part !== part || !isLength(r)) continue;
    const here = byPlace.get(r.place);
    if (here) here.push(r);
    else byPlace.set(r.place, [r]);
  }
  return [...byPlace.entries()]
    .sort(([a], [b]) => a - b)
    .map(([place, all]) => {
      const found = meanOf(all);
      return { place, count: all.length, valueMm: found?.value ?? NaN, errorMm: found?.error ?? NaN };
    });
}
