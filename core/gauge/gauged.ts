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

/** Readings that count: neither set aside nor corrected since. In the order taken. */
export function standing(readings: readonly Gauged[]): Gauged[] {
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
      const weights = all.map((r) => 1 / GAUGE_ERROR_MM[r.gauge] ** 2);
      const total = weights.reduce((s, w) => s + w, 0);
      const valueMm = all.reduce((s, r, i) => s + r.valueMm * (weights[i] as number), 0) / total;
      const count = all.length;
      const spread = all.reduce((s, r) => s + (r.valueMm - valueMm) ** 2, 0) / Math.max(1, count - 1);
      return { place, valueMm, count, errorMm: Math.max(Math.sqrt(1 / total), Math.sqrt(spread / count)) };
    });
}
