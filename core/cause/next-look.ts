import type { Cause, OfWhichSaw } from './causes';
import type { Facts, Finding, FindingId } from './likelihood';
import { ALL_FINDINGS } from './likelihood';
import { oddsOf } from './odds';

/** Something more that could be measured or looked at, and how much that tells. */
export interface NextLook {
  readonly look: Look;
  /** By how much it brings down what is unknown of the cause, on average. Bits. */
  readonly bits: number;
  readonly minutes: number;
}

/** What a hand can do next: several findings come of one of them. */
export const LOOKS = [
  'set',
  'heights',
  'kerf',
  'off-line',
  'wall',
  'floor',
  'shavings',
  'plate',
  'rakers',
  'beat',
  'cut-again',
] as const;
export type Look = (typeof LOOKS)[number];

/** Which findings each gives, the one that tells most first, and minutes it takes. Judgement, no source. */
const GIVES: Record<Look, { readonly findings: readonly FindingId[]; readonly minutes: number }> = {
  set: { findings: ['set', 'set-amount', 'teeth-out'], minutes: 3 },
  heights: { findings: ['hop', 'load'], minutes: 8 },
  kerf: { findings: ['kerf'], minutes: 1 },
  'off-line': { findings: ['off-line'], minutes: 1 },
  wall: { findings: ['wall'], minutes: 0.5 },
  floor: { findings: ['floor'], minutes: 0.5 },
  shavings: { findings: ['shavings'], minutes: 0.5 },
  plate: { findings: ['plate'], minutes: 1 },
  rakers: { findings: ['rakers-high', 'rakers-low'], minutes: 4 },
  beat: { findings: ['beats'], minutes: 2 },
  'cut-again': { findings: ['before'], minutes: 2 },
};

/** What is unknown of a cause: -sum p log2 p. Bits. */
export const entropyBits = (odds: Iterable<number>): number =>
  [...odds].reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0);

/** Steps a number is taken in, over all it is likely to be. */
const STEPS = 96;
const REACH = 4;

/** Everything a finding could say, with how likely each is under every cause (a density times its step of a number). */
function outcomes({ words, spread, likelihood }: Finding, causes: readonly Cause[], { known }: Facts): number[][] {
  if (words) return words.map((word) => causes.map((cause) => likelihood(cause, word, known)));
  if (!spread) return [];
  const spreads = causes.map((cause) => spread(cause, known));
  const from = Math.min(...spreads.map(([mean, sd]) => mean - REACH * sd));
  const to = Math.max(...spreads.map(([mean, sd]) => mean + REACH * sd));
  const step = (to - from) / STEPS;
  return Array.from({ length: STEPS }, (_, k) => {
    const value = from + (k + 0.5) * step;
    return causes.map((cause) => step * likelihood(cause, value, known));
  });
}

/**
 * How much one finding more would tell: the mutual information of cause and finding,
 *
 *     I = sum over o of sum over c of p_c P(o|c) log2( P(o|c) / sum over c' of p_c' P(o|c') )
 *
 * (Shannon 1948; Lindley 1956 for choosing what to measure by it, both from memory). Bits. O(outcomes causes).
 */
export function tellsBits(finding: Finding, odds: ReadonlyMap<Cause, number>, facts: Facts): number {
  const causes = [...odds.keys()];
  const p = [...odds.values()];
  return outcomes(finding, causes, facts).reduce((bits, under) => {
    const all = under.reduce((sum, l, i) => sum + (p[i] as number) * l, 0);
    return under.reduce(
      (sum, l, i) => (l > 0 && all > 0 ? sum + (p[i] as number) * l * Math.log2(l / all) : sum),
      bits,
    );
  }, 0);
}

/** Under this nothing more is told. Bits. */
const WORTH_BITS = 0.02;

/** What to look at next, what tells most first; nothing that was looked at already or that such a saw does not have. */
export function nextLooks(saw: OfWhichSaw, facts: Facts): readonly NextLook[] {
  const odds = oddsOf(saw, facts);
  const has = (look: Look): boolean =>
    (look !== 'rakers' || saw.rakers) &&
    (look !== 'beat' || saw.goes === 'band') &&
    (look !== 'set' || saw.set) &&
    (look !== 'heights' || saw.goes !== 'band') &&
    // Only a cut that ran can run the same way again.
    (look !== 'cut-again' || (saw.goes === 'to-and-fro' && (facts.shown.runs ?? 'true') !== 'true'));
  return LOOKS.filter(has)
    .flatMap((look) => {
      const { findings, minutes } = GIVES[look];
      const open = ALL_FINDINGS.filter(({ id, found }) => findings.includes(id) && found(facts) === null);
      // Findings of one look tell of the same: the best of them is counted.
      const bits = open.reduce((most, finding) => Math.max(most, tellsBits(finding, odds, facts)), 0);
      return open.length === 0 || bits < WORTH_BITS ? [] : [{ look, bits, minutes }];
    })
    .sort((a, b) => b.bits - a.bits);
}
