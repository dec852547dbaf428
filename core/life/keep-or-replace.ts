import type { Reason } from '../reason/reason';
import { because, COMMON_PRACTICE, input } from '../reason/reason';
import type { Family } from '../saw/all-families';
import type { UseRate } from './life';
import { monthsBetween } from './life';
import type { CostPerYear } from './plate-life';
import { costPerYear, HARDENED_EDGE_TIMES } from './plate-life';

/**
 * How many filings' time a replacement lasts before it too is dull and thrown
 * away: a new hardened saw six (trade section 2), a new blade or a new long
 * crosscut one, as it comes no harder than the old. Common practice for the six, else judgement, no source.
 */
const LASTS_TIMES: Record<Family, number> = {
  hand: HARDENED_EDGE_TIMES,
  back: HARDENED_EDGE_TIMES,
  pull: HARDENED_EDGE_TIMES,
  crosscut: 1,
  band: 1,
  circular: 1,
  dado: 1,
};

export interface KeepOrReplace extends CostPerYear {
  /** Keeping it over replacing it. */
  readonly ratio: number;
  readonly reason: Reason;
}

/** Repair against replacement as cost a year. Money. Throws RangeError on a replacement that costs nothing. */
export function keepOrReplace(
  family: Family,
  use: UseRate,
  sharpeningPrice: number,
  replacementPrice: number,
): KeepOrReplace {
  if (!(replacementPrice > 0 && sharpeningPrice >= 0)) throw new RangeError('A replacement costs something.');
  const [from, to] = monthsBetween(family, use);
  const years = (from + to) / 24;
  const lasts = years * LASTS_TIMES[family];
  const cost = costPerYear(sharpeningPrice, years, replacementPrice, lasts);
  return {
    ...cost,
    ratio: cost.sharpening / cost.replacing,
    reason: because(
      'Cost a year',
      'price ÷ years it lasts, for a sharpening and for a replacement',
      [
        input('a sharpening', sharpeningPrice, 'money'),
        input('years between', Math.round(years * 100) / 100, 'count'),
        input('a replacement', replacementPrice, 'money'),
        input('years it stays sharp', Math.round(lasts * 100) / 100, 'count'),
      ],
      COMMON_PRACTICE,
      'A soft saw is filed for decades; a hardened one stays sharp about six times as long and is then thrown away.',
    ),
  };
}
