import type { Reason } from '../reason/reason';
import { because, input } from '../reason/reason';
import type { CutAdvice } from '../set/test-cut-verdict';
import type { Cause, OfWhichSaw } from './causes';
import { remedyOf, usualOdds } from './causes';
import type { Facts, FindingId } from './likelihood';
import { ALL_FINDINGS } from './likelihood';

/** A cause with its odds, and what speaks for it. */
export interface CauseOdds {
  readonly cause: Cause;
  /** 0 to 1; all causes sum to 1. */
  readonly odds: number;
  /** By how much each thing found raises it over the other causes together, the strongest first. */
  readonly tells: readonly { readonly finding: FindingId; readonly times: number }[];
  readonly reason: Reason;
}

/** What could be done about it, with the odds that it is what is wanted. */
export interface RemedyOdds {
  readonly advice: CutAdvice;
  readonly odds: number;
  readonly minutes: number;
}

export interface CutCauses {
  /** The likeliest first. */
  readonly causes: readonly CauseOdds[];
  /** In the order that mends it soonest on average: by odds over minutes. */
  readonly remedies: readonly RemedyOdds[];
}

/** Weights brought to a sum of 1. RangeError where none is above zero. */
function shared(weights: ReadonlyMap<Cause, number>): Map<Cause, number> {
  const all = [...weights.values()].reduce((sum, v) => sum + v, 0);
  if (!(all > 0)) throw new RangeError('Nothing that was found can be.');
  return new Map([...weights].map(([cause, v]) => [cause, v / all]));
}

/**
 * Odds of every cause from all that was found: those usual times the likelihood of each finding under it, brought to a
 * sum of 1 (Bayes' rule; findings taken to be independent once the cause is known, which makes the odds a little
 * sharper than they are). O(causes findings).
 */
export function oddsOf(saw: OfWhichSaw, facts: Facts): ReadonlyMap<Cause, number> {
  const weights = new Map<Cause, number>();
  for (const [cause, usual] of usualOdds(saw))
    weights.set(
      cause,
      ALL_FINDINGS.reduce((weight, { found, likelihood }) => {
        const value = found(facts);
        return value === null ? weight : weight * likelihood(cause, value, facts.known);
      }, usual),
    );
  return shared(weights);
}

/**
 * The causes of a cut by their odds, each with what tells for it, and what to do: remedies in the order of odds over
 * minutes, which mends it soonest on average where one is tried after the other (Smith 1956, from memory).
 */
export function causesOf(saw: OfWhichSaw, facts: Facts): CutCauses {
  const odds = oddsOf(saw, facts);
  const usual = usualOdds(saw);
  const causes = [...odds]
    .map(([cause, p]): CauseOdds => {
      const tells = ALL_FINDINGS.flatMap(({ id, found, likelihood }) => {
        const value = found(facts);
        if (value === null) return [];
        const others = [...usual].filter(([one]) => one !== cause);
        const mean =
          others.reduce((sum, [one, q]) => sum + q * likelihood(one, value, facts.known), 0) /
          others.reduce((sum, [, q]) => sum + q, 0);
        return [{ finding: id, times: likelihood(cause, value, facts.known) / mean }];
      }).sort((a, b) => Math.abs(Math.log(b.times)) - Math.abs(Math.log(a.times)));
      return { cause, odds: p, tells, reason: reasonOf(usual.get(cause) ?? 0, p, tells) };
    })
    .sort((a, b) => b.odds - a.odds);
  const remedies = new Map<CutAdvice, RemedyOdds>();
  for (const { cause, odds: p } of causes) {
    const { advice, minutes } = remedyOf(cause, saw);
    const held = remedies.get(advice);
    remedies.set(advice, { advice, odds: (held?.odds ?? 0) + p, minutes: Math.min(minutes, held?.minutes ?? minutes) });
  }
  return { causes, remedies: [...remedies.values()].sort((a, b) => b.odds / b.minutes - a.odds / a.minutes) };
}

/** What tells most, at the most. */
const TOLD = 5;

const reasonOf = (usual: number, odds: number, tells: CauseOdds['tells']): Reason =>
  because(
    'Odds of this cause',
    'usual odds × how much likelier each thing found is with it than with the others, brought to a sum of 1',
    [
      input('usual, before anything was found', usual, 'share'),
      ...tells
        .slice(0, TOLD)
        .map(({ finding, times }) => input(FINDING_WORDS[finding], Number(times.toPrecision(2)), 'count')),
      input('with everything found', odds, 'share'),
    ],
    'Bayes’ rule; how often each shows with each cause: judgement, no source',
    'More than 1 speaks for it, less against it.',
  );

/** What was found, in a few words. */
export const FINDING_WORDS: Record<FindingId, string> = {
  runs: 'which way it runs',
  binds: 'whether it binds',
  chatters: 'whether it jumps',
  shavings: 'its shavings',
  kerf: 'width of the kerf',
  'off-line': 'how far it left its line',
  wall: 'the wall',
  floor: 'the floor',
  beats: 'where it beats',
  before: 'the cut before',
  set: 'difference of the two sets',
  'set-amount': 'set of the lesser side',
  hop: 'hop by its heights',
  load: 'load of the two sides',
  plate: 'the plate looked along',
  'rakers-high': 'rakers too high',
  'rakers-low': 'rakers too low',
  'teeth-out': 'teeth that stand out',
};
