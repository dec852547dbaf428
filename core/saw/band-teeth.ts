import type { BandSet } from './saw';

export type BandLean = 'left' | 'right' | 'straight';

/** Teeth of a band: length over pitch, to the nearest whole tooth, to be counted all the same (geometry section 9). */
export function bandTeeth(lengthMm: number, pitchMm: number): number {
  if (!(lengthMm > 0 && pitchMm > 0)) throw new RangeError('A band has a length and a pitch.');
  return Math.round(lengthMm / pitchMm);
}

export interface BandPattern {
  /** Lean of every tooth, tooth 1 first after the weld. */
  readonly leans: readonly BandLean[];
  /** Teeth over from whole repeats: they stand at the weld. */
  readonly over: number;
  /** What the odd place at the weld looks like, in words; empty when the count fits. */
  readonly atWeld: string;
}

/**
 * The set pattern against the count (geometry section 9). Alternate set wants an
 * even number; odd puts two alike together at the weld (the last is left
 * straight, so that left and right stay equal). Left-right-straight wants a
 * multiple of three: one over is an extra straight tooth, two over a pair
 * without its straight one. O(n).
 */
export function bandPattern(teeth: number, set: BandSet): BandPattern {
  if (!(Number.isInteger(teeth) && teeth >= 2)) throw new RangeError('A band has two teeth at least.');
  const repeat: readonly BandLean[] = set === 'alternate' ? ['left', 'right'] : ['left', 'right', 'straight'];
  const over = teeth % repeat.length;
  const leans = Array.from({ length: teeth }, (_, i) => repeat[i % repeat.length] as BandLean);
  // One over would bend one tooth more to the left than to the right: it is left straight.
  if (over === 1) leans[teeth - 1] = 'straight';
  const atWeld =
    over === 0
      ? ''
      : set === 'alternate'
        ? 'an odd count: the last tooth is left straight, between a right and a left'
        : over === 1
          ? 'one over: an extra straight tooth'
          : 'two over: a pair without its straight tooth';
  return { leans, over, atWeld };
}
