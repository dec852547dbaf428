import type { SideSet } from '../evidence/line-statistics';

export interface SetBalance {
  /** s_L - s_R, mm: positive runs to the left. */
  readonly differenceMm: number;
  /** Standard error of the difference, mm; null when a side has fewer than two readings. */
  readonly errorMm: number | null;
  readonly runsTo: 'left' | 'right' | 'true';
  /** The difference stands clear of its error. */
  readonly certain: boolean;
}

/** A difference under this cannot be felt in the cut: half a thousandth of an inch. mm. No source. */
export const BALANCED_WITHIN_MM = 0.0127;

/** A difference counts as certain beyond this many standard errors. */
const CERTAIN_ERRORS = 2;

/**
 * Balance of the two sides (geometry section 6): a saw runs towards the side
 * with more set. Standard error of a difference of two means, Welch's form
 * sqrt(s1^2/n1 + s2^2/n2) (Welch 1947).
 */
export function setBalance(left: SideSet, right: SideSet): SetBalance {
  const differenceMm = left.meanMm - right.meanMm;
  const errorMm =
    left.spreadMm === null || right.spreadMm === null
      ? null
      : Math.sqrt(left.spreadMm ** 2 / left.count + right.spreadMm ** 2 / right.count);
  const runs = Math.abs(differenceMm) > BALANCED_WITHIN_MM;
  return {
    differenceMm,
    errorMm,
    runsTo: runs ? (differenceMm > 0 ? 'left' : 'right') : 'true',
    certain: errorMm !== null && Math.abs(differenceMm) > CERTAIN_ERRORS * errorMm,
  };
}
