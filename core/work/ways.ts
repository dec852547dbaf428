import type { SetOfSides } from '../evidence/set-of';
import type { Sharpenings } from '../life/life';
import type { Reason } from '../reason/reason';
import type { StonedPass } from '../set/stone-out';
import type { CutHeld } from '../testcut/acceptable';
import type { TestCut } from '../testcut/test-cut';
import type { Price } from './price';

/** What could be done with a saw, from the least work to none at all. */
export const WAYS = ['sharpen', 'set', 'joint', 'tune', 'convert', 'retooth', 'decline'] as const;
export type WayId = (typeof WAYS)[number];

/** What a way chooses on the plan page of a line of teeth; null as advised, as wished and as they stand. */
export interface LineWayChoice {
  readonly depthMm: number | null;
  readonly convert: boolean | null;
  readonly retoothMm: number | null;
}

/** One of them worked out: what it costs and what it buys. Lengths mm. */
export interface Way<Choice> extends CutHeld {
  readonly id: Exclude<WayId, 'decline'>;
  /** What is to be chosen on the plan page for it. */
  readonly choice: Choice;
  readonly depthMm: number;
  readonly minutes: number;
  readonly price: Price | null;
  /** Ordinary sharpenings it spends and leaves; null where no plate wears away. */
  readonly spent: Sharpenings | null;
  readonly left: Sharpenings | null;
  /** Years the plate lasts after it, at the rate this saw is used, fewest and most. */
  readonly years: readonly [number, number] | null;
  readonly resets: boolean;
  readonly cut: TestCut;
  /** The heavier side stoned until both are alike, pass by pass; the first is without the stone. Null where the set is renewed or was not read. */
  readonly stoning: readonly StonedPass[] | null;
  /** Its cut is good enough for the wood, as far as it is known. */
  readonly good: boolean;
}

/** All of them side by side. */
export interface Ways<Choice> {
  readonly ways: readonly Way<Choice>[];
  /** The least work whose cut is good enough; null where none is. */
  readonly least: Way<Choice>['id'] | null;
  /** What makes a cut good enough. */
  readonly reason: Reason;
  /** Not worked at all: what a saw in its stead costs a year beside this one; null where nobody said its price. */
  readonly decline: { readonly ratio: number; readonly reason: Reason } | null;
}

/** What is worked out of one way before it is held against the wood. */
export interface WorkedWay<Choice> extends Pick<
  Way<Choice>,
  'id' | 'choice' | 'depthMm' | 'minutes' | 'price' | 'spent' | 'left' | 'resets' | 'cut'
> {
  readonly sides: SetOfSides | null;
  /** Set a side the table asks. */
  readonly wantedMm: number;
}

/** What a way buys over the one before it, and what that costs; evenness is how much less the hardest worked tooth carries. */
export interface Bought {
  readonly minutes: number;
  /** Null where loads are not known. */
  readonly worstFrom: number | null;
  readonly worstTo: number | null;
  readonly hopLessMm: number | null;
  /** Sharpenings and years of plate that it costs more. */
  readonly sharpenings: number | null;
  readonly years: number | null;
}

const middle = (range: readonly [number, number] | null): number | null => range && (range[0] + range[1]) / 2;
const less = (a: number | null | undefined, b: number | null | undefined): number | null =>
  typeof a === 'number' && typeof b === 'number' ? a - b : null;

/** The next way beside the one before it. */
export function boughtBy<Choice>(before: Way<Choice>, next: Way<Choice>): Bought {
  return {
    minutes: next.minutes - before.minutes,
    worstFrom: before.cut.loads?.worstOverMean ?? null,
    worstTo: next.cut.loads?.worstOverMean ?? null,
    hopLessMm: less(before.cut.hopMm, next.cut.hopMm),
    sharpenings: less(next.spent?.likely, before.spent?.likely),
    years: less(middle(before.years), middle(next.years)),
  };
}
