import type { StrokeRate } from '../line/strokes';
import { strokesFor } from '../line/strokes';
import { RAKER_OFF_MM } from './raker-target';

/** What a test cut of a saw with rakers throws out. */
export const SHAVINGS = ['ribbons', 'whiskers', 'dust'] as const;
export type Shavings = (typeof SHAVINGS)[number];

/** Rakers as measured after the work, a sample of them or all. mm. */
export interface RakersAfter {
  /** Rakers measured, and of all. */
  readonly read: number;
  readonly of: number;
  /** Those that stand too high or too low by more than a gauge and a file can keep. */
  readonly high: number;
  readonly low: number;
  /** The worst of them, mm off the wanted depth: above zero too high. */
  readonly worstMm: number;
  /** Strokes that bring the high ones down, those not measured taken to be as the measured are. */
  readonly strokes: number;
}

export type ShavingsAdvice = 'measure-rakers' | 'file-rakers' | 'joint-to-rakers' | 'touch-up-cutters';

/** Rakers' depths after the work against the wanted one, and the strokes the high ones take. mm. O(n). */
export function rakersAfter(
  depthsMm: readonly number[],
  wantedMm: number,
  of: number,
  rate: StrokeRate,
): RakersAfter | null {
  if (depthsMm.length === 0) return null;
  const off = depthsMm.map((mm) => wantedMm - mm);
  const high = off.filter((mm) => mm > RAKER_OFF_MM);
  // One at the least where the rate is not known well enough to be sure of any.
  const strokes = high.reduce((sum, mm) => sum + Math.max(1, strokesFor(mm, rate).strokes), 0);
  return {
    read: depthsMm.length,
    of,
    high: high.length,
    low: off.filter((mm) => mm < -RAKER_OFF_MM).length,
    worstMm: off.reduce((worst, mm) => (Math.abs(mm) > Math.abs(worst) ? mm : worst), 0),
    strokes: Math.round((strokes * of) / depthsMm.length),
  };
}

/**
 * What the shavings point to, on this saw's own rakers (trade section 5, common practice): long clean
 * ribbons are as they should be; ribbons with whiskers come from rakers too low, which plane deeper
 * than was scored; dust or short chips from rakers too high, which ride, or from dull cutters. What
 * was not measured is asked for, never guessed.
 */
export function readShavings(shavings: Shavings, rakers: RakersAfter | null): readonly ShavingsAdvice[] {
  if (shavings === 'ribbons') return [];
  if (!rakers) return ['measure-rakers'];
  if (shavings === 'dust') return rakers.high > 0 ? ['file-rakers'] : ['touch-up-cutters'];
  return rakers.low > 0 ? ['joint-to-rakers'] : ['touch-up-cutters'];
}
