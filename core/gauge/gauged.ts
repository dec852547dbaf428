import { weightedMean } from '../saw/estimate';
import type { Gauge } from './gauges';
import { GAUGE_ERROR_MM } from './gauges';
import type { Quantity } from './quantities';

/** One reading as it was taken: kept for good. A correction is another reading that names the one it corrects. */
export interface Gauged {
  /** Names the reading from the moment it is taken, before any server has seen it. */
  readonly key: string;
  readonly quantity: Quantity;
  /** Part of a set; null for any other saw. */
  readonly part: string | null;
  /** Tooth, or mm along the plate. */
  readonly place: number;
  readonly valueMm: number;
  readonly gauge: Gauge;
  /** Taken, but wild: not counted until somebody says it stands. */
  readonly setAside: boolean;
  /** The reading that this one stands in for; null for a first one or a repeat. */
  readonly corrects: string | null;
}

/** What the readings at one place come to. */
export interface PlaceEstimate {
  readonly place: number;
  readonly valueMm: number;
  /** One standard error. */
  readonly errorMm: number;
  readonly count: number;
}

/** Taken but not counted, and not settled since: still to be looked at. */
export function unsettled<R extends Pick<Gauged, 'key' | 'setAside' | 'corrects'>>(readings: readonly R[]): R[] {
  const settled = new Set(readings.map((r) => r.corrects));
  return readings.filter((r) => r.setAside && !settled.has(r.key) && r.corrects === null);
}

/** Readings that count: neither set aside nor corrected since. In the order taken. */
export function standing<R extends Pick<Gauged, 'key' | 'setAside' | 'corrects'>>(readings: readonly R[]): R[] {
  const corrected = new Set(readings.map((r) => r.corrects).filter((key) => key !== null));
  return readings.filter((r) => !r.setAside && !corrected.has(r.key));
}

/**
 * Mean and standard error at every place of one quantity and part, in order of
 * place. Each reading weighs by its gauge's error (weighted mean; the error is the
 * larger of the gauges' own and of what the repeats scatter). mm.
 * Example: 0.10 and 0.12 by indicator -> 0.11 with an error of 0.01.
 */
export function estimatesOf(readings: readonly Gauged[], quantity: Quantity, part: string | null): PlaceEstimate[] {
  const byPlace = new Map<number, Gauged[]>();
  for (const r of standing(readings)) {
    if (r.quantity !== quantity || r.part !== part) continue;
    byPlace.set(r.place, [...(byPlace.get(r.place) ?? []), r]);
  }
  return [...byPlace.entries()]
    .sort(([a], [b]) => a - b)
    .map(([place, all]) => {
      const found = weightedMean(all.map((r) => ({ value: r.valueMm, error: GAUGE_ERROR_MM[r.gauge] })));
      return { place, count: all.length, valueMm: found?.value ?? NaN, errorMm: found?.error ?? NaN };
    });
}
