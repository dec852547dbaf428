import type { ToothReading } from '../evidence/tooth-reading';

/**
 * A pull saw as the push saw it is computed as (geometry section 1): x and the
 * numbering run the other way, z stays, so leans keep their sides. Heel and toe
 * change places; mirrored twice it is itself. mm. O(n).
 */
export function mirrorReadings(readings: readonly ToothReading[], lengthMm: number): ToothReading[] {
  return [...readings].reverse().map((r, i) => ({ ...r, tooth: i + 1, xMm: lengthMm - r.xMm }));
}

/** The number on the saw of a tooth of its mirror image, and the way back. */
export const mirrorTooth = (tooth: number, teeth: number): number => teeth + 1 - tooth;
