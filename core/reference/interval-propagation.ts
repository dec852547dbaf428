import type { Flats } from '../line/flats';

/**
 * Is there a choice of points, one inside each flat, with every spacing within
 * `errorMm` of its pitches? One pass: I_1 = flat 1, I_(i+1) = (I_i + [m p - e,
 * m p + e]) cut with flat i+1, m the pitches between (2 over a missing tooth).
 * Possible exactly when none is empty (geometry section 4). O(n).
 */
export function spacingFeasible(flats: Flats, teeth: Int32Array, pitchMm: number, errorMm: number): boolean {
  let low = flats.fromMm[0] as number;
  let high = flats.toMm[0] as number;
  for (let i = 1; i < teeth.length; i++) {
    const span = ((teeth[i] as number) - (teeth[i - 1] as number)) * pitchMm;
    low = Math.max(low + span - errorMm, flats.fromMm[i] as number);
    high = Math.min(high + span + errorMm, flats.toMm[i] as number);
    if (low > high) return false;
  }
  return true;
}

/** Bisection stops when the error is known this finely: a tenth of a thousandth of an inch is 0.0025 mm. mm. */
export const SPACING_TOLERANCE_MM = 1e-6;

/**
 * The smallest worst spacing error for a given pitch, by bisection on
 * {@link spacingFeasible}. mm. O(n log(range / tolerance)).
 */
export function smallestWorstError(
  flats: Flats,
  teeth: Int32Array,
  pitchMm: number,
  toleranceMm = SPACING_TOLERANCE_MM,
): number {
  if (teeth.length < 2 || spacingFeasible(flats, teeth, pitchMm, 0)) return 0;
  let high = pitchMm;
  while (!spacingFeasible(flats, teeth, pitchMm, high)) high *= 2;
  let low = 0;
  while (high - low > toleranceMm) {
    const middle = (low + high) / 2;
    if (spacingFeasible(flats, teeth, pitchMm, middle)) high = middle;
    else low = middle;
  }
  return high;
}

/**
 * The smallest worst error with the pitch free as well. Convex in the pitch
 * (geometry section 4), so a golden-section search over +-`share` of it.
 */
export function smallestWorstErrorFreePitch(
  flats: Flats,
  teeth: Int32Array,
  pitchMm: number,
  share = 0.1,
): { pitchMm: number; errorMm: number } {
  const ratio = (Math.sqrt(5) - 1) / 2;
  let low = pitchMm * (1 - share);
  let high = pitchMm * (1 + share);
  const errorAt = (p: number): number => smallestWorstError(flats, teeth, p);
  let left = high - ratio * (high - low);
  let right = low + ratio * (high - low);
  let leftError = errorAt(left);
  let rightError = errorAt(right);
  while (high - low > SPACING_TOLERANCE_MM) {
    if (leftError <= rightError) {
      high = right;
      right = left;
      rightError = leftError;
      left = high - ratio * (high - low);
      leftError = errorAt(left);
    } else {
      low = left;
      left = right;
      leftError = rightError;
      right = low + ratio * (high - low);
      rightError = errorAt(right);
    }
  }
  const best = (low + high) / 2;
  return { pitchMm: best, errorMm: errorAt(best) };
}
