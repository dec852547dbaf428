import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import type { Family } from '../saw/all-families';
import { LEAST_PULL_PLATE_MM } from '../pull/pull-tooth';
import type { LineFamily } from '../saw/families';
import type { CrosscutKind } from '../saw/saw';
import type { MetalPerVisit } from './plate-life';
import { sharpeningsLeft } from './plate-life';
import { SHARPENING_ERROR_MM, SHARPENING_MM } from './sharpening-metal';

/** Plate under the back or the handle that a saw can still work with, mm. Common practice, no source. */
const LEAST_DEPTH_MM: Record<Exclude<LineFamily, 'crosscut'>, number> = {
  back: 20,
  hand: 40,
  pull: LEAST_PULL_PLATE_MM,
};
/** The long saws stand stiff by their own depth, buck and frame saws by their frame. Judgement, no source. mm. */
const LEAST_CROSSCUT_MM: Record<CrosscutKind, number> = { 'one-man': 60, 'two-man': 60, buck: 12, frame: 12 };

/** The least plate a saw of its kind works with, mm. */
export const leastPlateMm = (family: LineFamily, kind: CrosscutKind | null = null): number =>
  family === 'crosscut' ? LEAST_CROSSCUT_MM[kind ?? 'one-man'] : LEAST_DEPTH_MM[family];

/** A count of sharpenings: the likely one, and the least and most of it at two standard errors. */
export interface Sharpenings {
  readonly likely: number;
  readonly least: number;
  readonly most: number;
}

export interface LifeCost {
  /** Ordinary sharpenings that this depth uses up at once. */
  readonly spent: Sharpenings;
  /** Ordinary sharpenings left in the plate after it. */
  readonly left: Sharpenings;
  readonly reason: Reason;
}

/**
 * What a depth costs in the saw's life: depth over the metal of an ordinary
 * sharpening; what is left: (plate depth at its narrowest - least workable -
 * depth) over the same, both as far apart as that metal is known. mm in,
 * sharpenings out, never negative. Example: 0.2 -> likely 4, from 3 to 6.
 */
export function lifeCost(
  depthMm: number,
  plateDepthMm: number,
  leastMm: number,
  metal: MetalPerVisit = { meanMm: SHARPENING_MM, errorMm: SHARPENING_ERROR_MM, visits: 0 },
): LifeCost {
  if (!(metal.meanMm > 0)) throw new RangeError('A sharpening must take some metal.');
  const error = 2 * (metal.errorMm ?? 0);
  return {
    spent: {
      likely: depthMm / metal.meanMm,
      least: depthMm / (metal.meanMm + error),
      most: depthMm / Math.max(metal.meanMm / 2, metal.meanMm - error),
    },
    left: sharpeningsLeft(plateDepthMm - depthMm, leastMm, metal),
    reason: because(
      'Life of the plate',
      '(plate depth − least workable depth − this depth) ÷ metal of one sharpening, give or take two of its errors',
      [
        input('plate depth, narrowest', plateDepthMm, 'mm'),
        input('least workable', leastMm, 'mm'),
        input('this depth', depthMm, 'mm'),
        input('one sharpening', metal.meanMm, 'mm'),
        input('its error', metal.errorMm ?? 'not known', metal.errorMm === null ? 'text' : 'mm'),
      ],
      COMMON_PRACTICE,
    ),
  };
}

/** Beyond this many sharpenings the plate outlives its owner, and a figure would only pretend to know. */
const BEYOND_COUNTING = 100;

/**
 * Sharpenings as a person would say them, no more exactly than they are known: both ends of
 * what is likely, a number while it matters.
 */
export function saySharpenings({ least, most }: Sharpenings): string {
  if (least > BEYOND_COUNTING) return `more than ${BEYOND_COUNTING} sharpenings`;
  const [from, to] = [Math.round(least), Math.round(most)];
  if (to < 1) return 'less than one sharpening';
  if (to > BEYOND_COUNTING) return `${from} sharpenings or more`;
  return from === to ? `about ${to} ${to === 1 ? 'sharpening' : 'sharpenings'}` : `${from} to ${to} sharpenings`;
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
  readonly reason: Reason;
}

/** When to come again, in months from today, and why. */
export function nextVisit(family: Family, use: UseRate): NextVisit {
  const [fromMonths, toMonths] = MONTHS[family][use];
  return {
    fromMonths,
    toMonths,
    reason: because(
      'Next visit',
      'months a filing lasts, by kind of saw and how often it works',
      [input('kind', KIND_WORDS[family], 'text'), input('use', use, 'text')],
      COMMON_PRACTICE,
    ),
  };
}
