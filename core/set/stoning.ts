import type { SetBalance } from './set-balance';

/** What a light lubricated pass of a fine stone takes off one side, mm. Common practice, no source. */
export const STONING_PER_PASS_MM = 0.004;

export interface StoningOrder {
  readonly side: 'left' | 'right' | 'both' | 'none';
  readonly passes: number;
  readonly excessMm: number;
}

/**
 * Light passes on the side with more set (geometry section 6): measured excess
 * over the removal of one pass, rounded down, at least one when the test cut
 * runs; what the cut shows outranks what was measured. A saw too wide on both
 * sides is stoned on both. Never more than three passes, then cut again.
 */
export function stoningOrder(
  balance: SetBalance,
  testCut: 'left' | 'right' | 'true',
  overBothMm: number,
  perPassMm = STONING_PER_PASS_MM,
): StoningOrder {
  if (!(perPassMm > 0)) throw new RangeError('A pass of the stone must take some metal.');
  const side = testCut !== 'true' ? testCut : balance.runsTo;
  if (side !== 'true') {
    const signed = side === 'left' ? balance.differenceMm : -balance.differenceMm;
    const excessMm = Math.max(0, signed);
    return { side, passes: passesFor(excessMm, perPassMm), excessMm };
  }
  if (overBothMm >= perPassMm) return { side: 'both', passes: passesFor(overBothMm, perPassMm), excessMm: overBothMm };
  return { side: 'none', passes: 0, excessMm: 0 };
}

/** Passes before the next test cut: one light pass at a time is the rule, three the most. */
const MOST_PASSES = 3;

const passesFor = (excessMm: number, perPassMm: number): number =>
  Math.min(MOST_PASSES, Math.max(1, Math.floor(excessMm / perPassMm + 1e-9)));
