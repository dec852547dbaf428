import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import type { Family } from '../saw/all-families';
import type { StraightFamily } from '../saw/families';

/** Metal an ordinary sharpening takes off the tips, mm. Common practice, no source. */
export const SHARPENING_MM = 0.05;

/** Plate under the back or the handle that a saw can still work with, mm. Common practice, no source. */
const LEAST_DEPTH_MM: Record<StraightFamily, number> = { back: 20, hand: 40 };

export interface LifeCost {
  /** Ordinary sharpenings that this depth uses up at once. */
  readonly sharpenings: number;
  /** Ordinary sharpenings left in the plate after it. */
  readonly left: number;
  readonly reason: Reason;
}

/**
 * What a depth costs in the saw's life: depth over the metal of an ordinary
 * sharpening; what is left: (plate depth at its narrowest - least workable -
 * depth) over the same. mm in, sharpenings out, never negative.
 */
export function lifeCost(
  depthMm: number,
  plateDepthMm: number,
  family: StraightFamily,
  perSharpeningMm = SHARPENING_MM,
): LifeCost {
  if (!(perSharpeningMm > 0)) throw new RangeError('A sharpening must take some metal.');
  const least = LEAST_DEPTH_MM[family];
  const left = Math.max(0, Math.floor((plateDepthMm - least - depthMm) / perSharpeningMm + 1e-9));
  return {
    sharpenings: depthMm / perSharpeningMm,
    left,
    reason: because(
      'Life of the plate',
      '(plate depth − least workable depth − this depth) ÷ metal of one sharpening',
      [
        input('plate depth, narrowest', plateDepthMm, 'mm'),
        input('least workable', least, 'mm'),
        input('this depth', depthMm, 'mm'),
        input('one sharpening', perSharpeningMm, 'mm'),
      ],
      COMMON_PRACTICE,
    ),
  };
}

/** Beyond this many sharpenings the plate outlives its owner, and a figure would only pretend to know. */
const BEYOND_COUNTING = 100;

/** Sharpenings left as a person would say them: a number while it matters. */
export function sayLeft(left: number): string {
  return left > BEYOND_COUNTING ? `more than ${BEYOND_COUNTING}` : `about ${left}`;
}

export type UseRate = 'daily' | 'weekly' | 'seldom';

/**
 * Months to the next filing by family and use (trade section 8: a fine back saw
 * in daily use 18 to 36 months, a working crosscut 2 to 3); lighter use and the
 * other families stretched from there by judgement. Common practice for those two, else no source.
 */
const MONTHS: Record<Family, Record<UseRate, readonly [number, number]>> = {
  back: { daily: [18, 36], weekly: [30, 48], seldom: [48, 72] },
  hand: { daily: [2, 3], weekly: [8, 14], seldom: [24, 36] },
  pull: { daily: [4, 8], weekly: [12, 24], seldom: [24, 48] },
  crosscut: { daily: [2, 3], weekly: [6, 12], seldom: [18, 36] },
  band: { daily: [0.5, 1], weekly: [2, 4], seldom: [8, 16] },
  circular: { daily: [1, 2], weekly: [4, 8], seldom: [12, 24] },
  dado: { daily: [3, 6], weekly: [10, 18], seldom: [24, 48] },
};

/** The months themselves, from and to. */
export const monthsBetween = (family: Family, use: UseRate): readonly [number, number] => MONTHS[family][use];

const KIND_WORDS: Record<Family, string> = {
  back: 'back saw',
  hand: 'hand saw',
  pull: 'pull saw',
  crosscut: 'crosscut saw',
  band: 'band',
  circular: 'circular blade',
  dado: 'dado set',
};

export interface NextVisit {
  readonly fromMonths: number;
  readonly toMonths: number;
  /** Filings this set will last: three or four, fewer when it was not renewed. */
  readonly filingsTheSetLasts: readonly [number, number];
  readonly reason: Reason;
}

/** When to come again, in months from today, and why. */
export function nextVisit(family: Family, use: UseRate, wasReset: boolean): NextVisit {
  const [fromMonths, toMonths] = MONTHS[family][use];
  return {
    fromMonths,
    toMonths,
    filingsTheSetLasts: wasReset ? [3, 4] : [1, 2],
    reason: because(
      'Next visit',
      'months a filing lasts, by kind of saw and how often it works',
      [input('kind', KIND_WORDS[family], 'text'), input('use', use, 'text')],
      COMMON_PRACTICE,
    ),
  };
}
