import type { SideSet } from '../evidence/line-statistics';
import { setBalance } from './set-balance';

/** Which way a saw will run, and how sure that is. */
export interface DriftEstimate {
  /** s_L - s_R, mm, and its standard error; null where a side has fewer than two readings. */
  readonly setDifferenceMm: number;
  readonly setErrorMm: number | null;
  /** Load on the left teeth less that on the right, over both: -1 to 1; 0 is balanced. */
  readonly loadDifference: number;
  readonly runsTo: 'left' | 'right' | 'true';
  /** What the side was told by; null where it runs true. */
  readonly by: 'set' | 'load' | null;
  /**
   * Chance that the true difference of set is on the side it is said to run to, 0.5 to 1; null
   * where the error is not known, and where the set did not decide: no error of a load is known.
   */
  readonly chance: number | null;
}

/** A load difference this large is felt even with even set. No source. */
export const LOAD_FELT = 0.1;

/**
 * Drift from imbalance of set, and of load where the set is even (geometry
 * section 10): a saw runs to the side with more set; with equal set, to the side
 * that carries more. The chance is the normal distribution's for a
 * difference so many standard errors from nothing (its integral by
 * Abramowitz and Stegun 7.1.26, from memory, error under 1.5e-7).
 */
export function estimateDrift(left: SideSet, right: SideSet, loadLeft: number, loadRight: number): DriftEstimate {
  const balance = setBalance(left, right);
  const total = loadLeft + loadRight;
  const loadDifference = total > 0 ? (loadLeft - loadRight) / total : 0;
  const byLoad = Math.abs(loadDifference) >= LOAD_FELT ? (loadDifference > 0 ? 'left' : 'right') : 'true';
  const by = balance.runsTo !== 'true' ? 'set' : byLoad !== 'true' ? 'load' : null;
  const { differenceMm, errorMm } = balance;
  return {
    setDifferenceMm: differenceMm,
    setErrorMm: errorMm,
    loadDifference,
    runsTo: by === 'set' ? balance.runsTo : byLoad,
    by,
    // Of the side with more set, which is the side said: both come from the sign of one difference.
    chance: by !== 'set' || errorMm === null || errorMm === 0 ? null : normalBelow(Math.abs(differenceMm) / errorMm),
  };
}

/** The standard normal distribution's share below z. */
export function normalBelow(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly = ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t;
  const erf = 1 - poly * Math.exp(-x * x);
  return z >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
}
