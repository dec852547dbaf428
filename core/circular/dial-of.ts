import type { PlaceEstimate } from '../evidence/estimates';
import type { Saw } from '../saw/saw';
import { rolesOn } from '../saw/saw';
import type { DialReading, DialSplit } from './dial-harmonics';
import { circleOf } from './dial-harmonics';

/** Fewer readings round a rim than this leave nothing to judge the fit by. */
const FEWEST_ROUND = 6;
/** Half of the 1/64 inch that rakers stand low: heights that leave such a gap between them are of two kinds. mm. */
const GAP_MM = 0.2;
/** Rounds of leaving the low kind out, a broken tooth first; a round that finds no gap ends it. */
const MOST_ROUNDS = 12;

/**
 * Dial readings round a rim with what each tooth is: by the pattern that was told; on a
 * combination blade of which none was, the heights over the fitted circle fall into two
 * kinds with a gap between them, and the low ones are rakers, or broken. mm.
 */
export function dialReadings(saw: Saw, estimates: readonly PlaceEstimate[], teeth: number): DialReading[] {
  const as = (kindAt: (tooth: number) => DialReading['kind']): DialReading[] =>
    estimates.map((e) => ({ tooth: e.place, offMm: e.valueMm, kind: kindAt(e.place) }));
  if (saw.family !== 'circular' || saw.filing !== 'combination') return as(() => 'scorer');
  const roles = rolesOn(saw, teeth);
  if (roles) {
    return as((tooth) => (roles[tooth - 1] === 'raker' ? 'raker' : 'scorer'));
  }
  let readings = as(() => 'scorer');
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const split = circleOf(readings, teeth);
    // Too few of them tell no two kinds apart.
    if (!split) break;
    const own = [...split.own].sort((p, q) => p.offMm - q.offMm);
    const gaps = own.slice(1).map((o, i) => o.offMm - (own[i] as { offMm: number }).offMm);
    const widest = gaps.reduce((most, gap, i) => (gap > (gaps[most] as number) ? i : most), 0);
    if (!((gaps[widest] ?? 0) > GAP_MM)) break;
    const low = new Set(own.slice(0, widest + 1).map((o) => o.tooth));
    readings = readings.map((r) => (low.has(r.tooth) ? { ...r, kind: 'raker' } : r));
  }
  return readings;
}

/** Eccentricity told from the teeth's own error, scoring teeth alone; null with too few readings or all in one part of the rim. */
export function dialOf(saw: Saw, estimates: readonly PlaceEstimate[], teeth: number): DialSplit | null {
  return estimates.length < FEWEST_ROUND ? null : circleOf(dialReadings(saw, estimates, teeth), teeth);
}
