import { teethOnLine } from '../units/points';

/** Every family of trade section 1. Straight western saws (`hand`, `back`) are two of them. */
export const FAMILIES = ['hand', 'back', 'pull', 'crosscut', 'band', 'circular', 'dado'] as const;
export type Family = (typeof FAMILIES)[number];

/** Driven by a motor: a crack, a bend or too much heat can hurt someone. */
export const POWERED_FAMILIES = ['band', 'circular', 'dado'] as const satisfies readonly Family[];
export const isPowered = (family: Family): boolean => (POWERED_FAMILIES as readonly Family[]).includes(family);

/** Saws whose tooth line runs round and meets itself: the count has no end tooth. */
export const isClosedLine = isPowered;

/**
 * Teeth on a line of given length and pitch: tips at both ends of an open line,
 * none counted twice on one that closes. Lengths mm.
 * Example: 254 mm at 15 points -> 141; a band of 2560 mm at 6.35 -> 403.
 */
export function teethFor(family: Family, toothLineMm: number, pitchMm: number): number {
  return isClosedLine(family) ? Math.max(2, Math.round(toothLineMm / pitchMm)) : teethOnLine(toothLineMm, pitchMm);
}

/** The way back: pitch from teeth counted. mm. Throws RangeError on fewer than two. */
export function pitchFromCounted(family: Family, toothLineMm: number, teeth: number): number {
  if (!(teeth >= 2) || !(toothLineMm > 0)) throw new RangeError('A line has two teeth at least, and a length.');
  return toothLineMm / (isClosedLine(family) ? teeth : teeth - 1);
}

/** How wet the wood is: green wood springs into the kerf. */
export const MOISTURES = ['dry', 'air-dry', 'green'] as const;
export type Moisture = (typeof MOISTURES)[number];

/** How the wood cuts. */
export const TIMBERS = ['hard', 'medium', 'soft'] as const;
export type Timber = (typeof TIMBERS)[number];
