import { MM_PER_INCH } from './length';

/** Whether a count of teeth takes in both end points of the inch or the pitches between. */
export const POINT_CONVENTIONS = ['points', 'teeth'] as const;
export type PointConvention = (typeof POINT_CONVENTIONS)[number];

/**
 * Pitch in mm from a count per inch. Teeth per inch = 25.4 / pitch; points per
 * inch = teeth per inch + 1 (geometry section 1; the same relation stands in
 * US hand-tool manuals, from memory). Throws RangeError at one point or fewer.
 * Example: 15 points -> 25.4 / 14 = 1.8143 mm.
 */
export function pitchMmFromCount(perInch: number, convention: PointConvention): number {
  const teeth = convention === 'points' ? perInch - 1 : perInch;
  if (!(teeth > 0) || !Number.isFinite(teeth)) throw new RangeError('A saw needs more than one point to the inch.');
  return MM_PER_INCH / teeth;
}

/** The count per inch a shop says for a pitch in mm. */
export function countFromPitchMm(pitchMm: number, convention: PointConvention): number {
  if (!(pitchMm > 0)) throw new RangeError('Pitch must be above zero.');
  const teeth = MM_PER_INCH / pitchMm;
  return convention === 'points' ? teeth + 1 : teeth;
}

/** Whole teeth on a line of given length, tips at both ends. Example: 254 mm at 15 points -> 141. */
export function teethOnLine(toothLineMm: number, pitchMm: number): number {
  return Math.max(2, Math.round(toothLineMm / pitchMm) + 1);
}
