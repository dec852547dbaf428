import type { SetOfSides } from '../evidence/set-of';
import type { Reason } from '../reason/reason';
import { because, input } from '../reason/reason';
import type { Wood } from '../saw/families';
import type { Learned } from '../learn/learned';
import { JUMPS_AT_MM } from './hop';
import { RESET_BELOW_SHARE } from '../set/set-wear';
import { DRIFT_DEPTH_MM } from './foretold';
import type { TestCut } from './test-cut';

/** What a cut may do in a wood and still be good. */
export interface CutLimits {
  /** Rise and fall as the saw is pushed, mm. */
  readonly hopMm: number;
  /** Load of the hardest worked tooth over the mean. */
  readonly worstOverMean: number;
  /** Off its line over {@link DRIFT_DEPTH_MM}, mm. */
  readonly offLineMm: number;
}

/** Joinery in hard wood asks most, green wood least. Judgement, no source. */
export const CUT_LIMITS: Record<Wood, CutLimits> = {
  'dry-hard': { hopMm: 0.03, worstOverMean: 2.5, offLineMm: 0.013 },
  'dry-soft': { hopMm: 0.05, worstOverMean: 3.5, offLineMm: 0.02 },
  green: { hopMm: 0.1, worstOverMean: 5, offLineMm: 0.05 },
};

/** The same where a shop has learned at which hop a saw jumps: every wood's hop as much more or less. */
export const limitsOf = (wood: Wood, learned?: Pick<Learned, 'hopMm'>): CutLimits => {
  const limits = CUT_LIMITS[wood];
  return learned?.hopMm ? { ...limits, hopMm: (limits.hopMm * learned.hopMm) / JUMPS_AT_MM } : limits;
};

/** What a cut falls short by. */
export const SHORTFALLS = ['hops', 'uneven', 'runs', 'binds'] as const;
export type Shortfall = (typeof SHORTFALLS)[number];

/** A cut held against what its wood asks. */
export interface CutHeld {
  readonly falls: readonly Shortfall[];
  /** What could not be held against anything, as it was not measured. */
  readonly unknown: readonly ('loads' | 'set')[];
}

/**
 * Whether a foretold cut is good enough for its wood: it neither hops, nor leaves the work to a few teeth, nor runs,
 * nor binds. `sides` is the set it is made with, `wantedMm` what the table asks a side; `evenedMm` the difference of
 * the sides that is left once the heavier was stoned, where it is. What is not known is said, not judged. mm.
 */
export function holdCut(
  cut: TestCut,
  {
    wood,
    sides,
    wantedMm,
    evenedMm,
    learned,
  }: {
    readonly wood: Wood;
    readonly sides: SetOfSides | null;
    readonly wantedMm: number;
    readonly evenedMm?: number | undefined;
    readonly learned?: Pick<Learned, 'hopMm' | 'driftTimes'> | undefined;
  },
): CutHeld {
  const limits = limitsOf(wood, learned);
  const difference = evenedMm ?? (sides ? sides.left.meanMm - sides.right.meanMm : 0);
  const lesser = sides ? Math.min(sides.left.meanMm, sides.right.meanMm) : Infinity;
  const falls: Shortfall[] = [];
  if ((cut.hopMm ?? 0) > limits.hopMm) falls.push('hops');
  if ((cut.loads?.worstOverMean ?? 0) > limits.worstOverMean) falls.push('uneven');
  if (((learned?.driftTimes ?? 1) * Math.abs(difference)) / 2 > limits.offLineMm) falls.push('runs');
  if (lesser < RESET_BELOW_SHARE * wantedMm) falls.push('binds');
  return { falls, unknown: [...(cut.loads ? [] : ['loads' as const]), ...(sides ? [] : ['set' as const])] };
}

/** Why a cut is held good or not. */
export const limitsReason = (wood: Wood, wantedMm: number, learned?: Pick<Learned, 'hopMm'>): Reason => {
  const limits = limitsOf(wood, learned);
  return because(
    'A cut that is good enough',
    'it hops no more, loads no tooth more and leaves its line by no more than this wood bears; the lesser side keeps its share of the set wanted',
    [
      input('hop at the most', limits.hopMm, 'mm'),
      input('hardest worked over the mean, at the most', limits.worstOverMean, 'count'),
      input(`off its line over ${DRIFT_DEPTH_MM} mm, at the most`, limits.offLineMm, 'mm'),
      input('set of the lesser side, at the least', RESET_BELOW_SHARE * wantedMm, 'mm'),
    ],
    'Judgement, no source; share of the set: common practice, no source',
  );
};
