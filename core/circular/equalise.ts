import type { StrokeOrder, StrokeRate } from '../line/strokes';
import { strokesFor } from '../line/strokes';
import { MM_PER_INCH } from '../units/length';
import type { DialReading } from './dial-harmonics';

/** Rakers and chippers stand this far below the scoring points: 1/64 inch (trade section 6). mm. */
export const BELOW_SCORERS_MM = MM_PER_INCH / 64;

/** Spreads the trade judges by (trade section 6): 4 thou good, 5 acceptable, 12 too much. mm. Common practice, no source. */
export const GOOD_SPREAD_MM = 0.1016;
export const ACCEPTABLE_SPREAD_MM = 0.127;
export const TOO_MUCH_SPREAD_MM = 0.3048;
/** Four thou computed from a dial is four thou: rounding of inches. mm. */
const ROUNDING_MM = 1e-9;
export const SPREAD_VERDICTS = ['good', 'acceptable', 'uneven', 'too-much'] as const;
export type SpreadVerdict = (typeof SPREAD_VERDICTS)[number];

export function judgeSpread(spreadMm: number): SpreadVerdict {
  if (spreadMm <= GOOD_SPREAD_MM + ROUNDING_MM) return 'good';
  if (spreadMm <= ACCEPTABLE_SPREAD_MM + ROUNDING_MM) return 'acceptable';
  return spreadMm < TOO_MUCH_SPREAD_MM - ROUNDING_MM ? 'uneven' : 'too-much';
}

export interface EqualFiling extends StrokeOrder {
  readonly tooth: number;
  readonly offMm: number;
}

export interface EqualisePlan {
  readonly targetMm: number;
  readonly filings: readonly EqualFiling[];
  /** Teeth left short, not worth bringing the others down to: broken, or far below the rest. */
  readonly leftShort: readonly number[];
  readonly spreadBeforeMm: number;
  /** Spread the strokes asked for leave, to be measured again. */
  readonly spreadAfterMm: number;
  readonly verdict: SpreadVerdict;
}

/** A tooth further below the median than this is left short. Estimate, no source. mm. */
export const NOT_WORTH_KEEPING_MM = 0.5;

/**
 * All teeth of one kind down to the lowest worth keeping (geometry section 8):
 * strokes = (d - target) / rate, rounded down at the rate's upper end, then
 * measured again. mm. O(n log n). Throws RangeError with no tooth of that kind.
 */
export function equalise(
  readings: readonly DialReading[],
  kind: 'scorer' | 'raker' | 'chipper',
  rate: StrokeRate,
): EqualisePlan {
  const all = readings.filter((r) => r.kind === kind);
  if (all.length === 0) throw new RangeError('There is no tooth of that kind to equalise.');
  const sorted = all.map((r) => r.offMm).sort((a, b) => a - b);
  const median = sorted[Math.floor(sorted.length / 2)] as number;
  const kept = all.filter((r) => r.offMm >= median - NOT_WORTH_KEEPING_MM);
  const targetMm = Math.min(...kept.map((r) => r.offMm));
  const highest = Math.max(...kept.map((r) => r.offMm));
  const filings = kept.map((r): EqualFiling => {
    const offMm = r.offMm - targetMm;
    return { tooth: r.tooth, offMm, ...strokesFor(offMm, rate) };
  });
  return {
    targetMm,
    filings,
    leftShort: [
      ...all.filter((r) => !kept.includes(r)).map((r) => r.tooth),
      ...readings.filter((r) => r.kind === 'broken').map((r) => r.tooth),
    ].sort((a, b) => a - b),
    spreadBeforeMm: highest - targetMm,
    spreadAfterMm: Math.max(...filings.map((f) => f.leftMm)),
    verdict: judgeSpread(highest - targetMm),
  };
}

export interface BelowFiling extends StrokeOrder {
  readonly tooth: number;
  /** Below the scorers now; negative stands above them. mm. */
  readonly belowMm: number;
  readonly offMm: number;
  readonly tooLow: boolean;
}

/** Lower than wanted by more than this counts as too low: what a dial shows. mm. */
const SAME_BELOW_MM = 0.0254;

/**
 * Rakers and chippers to 1/64 inch below the scoring points, uniform before
 * exact (geometry section 8): measured against the scorers' own target. mm. O(n).
 */
export function fileBelow(
  readings: readonly DialReading[],
  scorersAtMm: number,
  rate: StrokeRate,
  belowMm = BELOW_SCORERS_MM,
): BelowFiling[] {
  return readings
    .filter((r) => r.kind === 'raker' || r.kind === 'chipper')
    .map((r) => {
      const now = scorersAtMm - r.offMm;
      const offMm = Math.max(0, belowMm - now);
      return { tooth: r.tooth, belowMm: now, offMm, tooLow: now > belowMm + SAME_BELOW_MM, ...strokesFor(offMm, rate) };
    });
}
