import { addReading, NO_READINGS, fitRate } from '../calibration/proportional-fit';
import type { LessonId } from './learned';

/** Foretold and found, once. */
export interface Pair {
  /** When it was found, ms since 1970: pairs are learned from in that order. */
  readonly atMs: number;
  readonly foretold: number;
  /** Of a jump 1 or 0. */
  readonly found: number;
}

/** One kind of foretelling: a single number that turns foretold into expected, and what being wrong costs. */
export interface LessonModel {
  /** What the table says the number is. */
  readonly table: number;
  /** The number that foretells these best, and its standard error. */
  readonly fit: (pairs: readonly Pair[]) => { readonly value: number; readonly error: number };
  readonly expected: (value: number, foretold: number) => number;
  /** What errors are held against: 1, or what was foretold where they grow with it. */
  readonly against: (foretold: number) => number;
  /** Whether these can tell anything of it at all. */
  readonly tells: (pairs: readonly Pair[]) => boolean;
}

/** What was learned of one thing. */
export interface Lesson {
  readonly id: LessonId;
  readonly pairs: number;
  readonly table: number;
  /** Null below two pairs. */
  readonly fitted: { readonly value: number; readonly error: number } | null;
  /** How far off the table was, and the fit on pairs it had not seen; root mean square, in what is found (of what grows, its share). */
  readonly tableOff: number | null;
  readonly fitOff: number | null;
  /** The fit foretells better than the table on what it had not seen, clearly so. */
  readonly better: boolean;
  /** Since which pair that has held without a break, ms; null where it does not hold. */
  readonly sinceMs: number | null;
}

/** Fewer pairs than this teach nothing. */
const FEWEST = 8;
/** Parts the pairs are dealt into: each is foretold by a fit of the others. */
const PARTS = 10;
/** Since when it holds is looked for pair by pair of so few, of more in so many looks. */
const EACH = 40;
const LOOKS_BACK = 10;
/** Gains stand clear of their own error by so many of them. */
const CLEAR_ERRORS = 2;

const mean = (values: readonly number[]): number => values.reduce((s, v) => s + v, 0) / values.length;

/** Squared errors of the table and of the fit on what it had not seen, pair by pair. O(parts n). */
function errorsOf(
  { table, fit, expected, against }: LessonModel,
  pairs: readonly Pair[],
): { table: number[]; fitted: number[] } {
  const parts = Math.min(PARTS, pairs.length);
  const fits = Array.from({ length: parts }, (_, k) => fit(pairs.filter((_one, i) => i % parts !== k)).value);
  const off = (value: number, { foretold, found }: Pair): number =>
    ((found - expected(value, foretold)) / against(foretold)) ** 2;
  return {
    table: pairs.map((pair) => off(table, pair)),
    fitted: pairs.map((pair, i) => off(fits[i % parts] as number, pair)),
  };
}

/** Whether the fit is clearly better out of sample: the mean of what it saves over its own standard error. */
function isBetter(errors: ReturnType<typeof errorsOf>): boolean {
  const saved = errors.table.map((mm, i) => mm - (errors.fitted[i] as number));
  const n = saved.length;
  const middle = mean(saved);
  const error = Math.sqrt(saved.reduce((s, v) => s + (v - middle) ** 2, 0) / (n - 1) / n);
  return n >= FEWEST && middle > CLEAR_ERRORS * error && middle > 0;
}

/**
 * What pairs of foretold and found teach: a fit in the place of the table only where, on pairs it had not seen
 * (cross-validation in ten parts; Stone 1974, from memory), its squared errors are clearly smaller. What is learned
 * can be unlearned: it holds since the last time it did not. O(parts n^2) in the worst case.
 */
export function learn(id: LessonId, model: LessonModel, found: readonly Pair[]): Lesson {
  const pairs = [...found].sort((a, b) => a.atMs - b.atMs);
  const errors = pairs.length < 2 ? null : errorsOf(model, pairs);
  const fitted = pairs.length < 2 ? null : model.fit(pairs);
  // Nothing goes backwards: a number of no sense is no lesson.
  const better = errors !== null && fitted !== null && fitted.value > 0 && model.tells(pairs) && isBetter(errors);
  let since = pairs.length;
  // Looked for pair by pair, of many in steps.
  const step = pairs.length <= EACH ? 1 : Math.ceil(pairs.length / LOOKS_BACK);
  while (better && since - step >= FEWEST && isBetter(errorsOf(model, pairs.slice(0, since - step)))) since -= step;
  const off = (of: readonly number[] | undefined): number | null => (of ? Math.sqrt(mean(of)) : null);
  return {
    id,
    pairs: pairs.length,
    table: model.table,
    fitted,
    tableOff: off(errors?.table),
    fitOff: off(errors?.fitted),
    better,
    sinceMs: better ? (pairs[since - 1]?.atMs ?? null) : null,
  };
}

/** Found in proportion to foretold, by least squares through the origin; `growing` where errors grow with what is foretold. */
export const proportional = (table: number, growing = false): LessonModel => ({
  table,
  against: growing ? (foretold) => Math.abs(foretold) || 1 : () => 1,
  fit: (pairs) => {
    const sums = pairs
      .filter((pair) => Math.abs(pair.foretold) > 0)
      // Through the origin a pair of either sign tells the same of the number.
      .reduce(
        (all, { foretold, found }) => addReading(all, Math.abs(foretold), Math.sign(foretold) * found),
        NO_READINGS,
      );
    const { rate, error } = fitRate(sums, { rate: table, error: table });
    return { value: rate, error };
  },
  expected: (value, foretold) => value * foretold,
  tells: (pairs) => pairs.filter((pair) => pair.foretold !== 0).length >= FEWEST,
});

/** How steeply the chance of a jump grows with the hop's logarithm. Judgement, no source. */
const STEEPNESS = 3;
/** Hops that are asked about, mm. */
const [LEAST_HOP_MM, MOST_HOP_MM] = [0.005, 1];
const HOPS = 14;
/** So many jumps, and as many cuts without, are wanted at the least. */
const FEWEST_WORDS = 4;
/** As fine as a hop's logarithm is told; less than this is none, mm. */
const FINE = 0.02;
const NO_HOP_MM = 1e-4;

/** The chance that a saw which hops by so much jumps, where it does as often as not at `hopMm`. */
export const jumpChance = (hopMm: number, foretoldMm: number): number =>
  1 / (1 + Math.exp(-STEEPNESS * (Math.log(Math.max(foretoldMm, NO_HOP_MM)) - Math.log(hopMm))));

/** Jumps against hops: the hop at which a saw jumps as often as not, by least squares of the chance (Brier 1950). */
export const jumping = (table: number): LessonModel => {
  /** A coarse look over all hops, then thirds of what lies about the best of them. */
  const best = (pairs: readonly Pair[]): number => {
    const told = pairs.map(({ foretold, found }) => [Math.log(Math.max(foretold, NO_HOP_MM)), found] as const);
    const cost = (ln: number): number =>
      told.reduce((s, [at, found]) => s + (found - 1 / (1 + Math.exp(STEEPNESS * (ln - at)))) ** 2, 0);
    const [from, to] = [Math.log(LEAST_HOP_MM), Math.log(MOST_HOP_MM)];
    const step = (to - from) / HOPS;
    const looks = Array.from({ length: HOPS + 1 }, (_, k) => cost(from + k * step));
    const least = from + looks.indexOf(Math.min(...looks)) * step;
    let [low, high] = [least - step, least + step];
    while (high - low > FINE) {
      const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
      if (cost(a) <= cost(b)) high = b;
      else low = a;
    }
    return Math.exp((low + high) / 2);
  };
  return {
    table,
    fit: (pairs) => {
      const value = best(pairs);
      const parts = Math.min(PARTS, pairs.length);
      // The delete-a-group jackknife (Efron and Tibshirani, from memory).
      const without = Array.from({ length: parts }, (_, k) => best(pairs.filter((_one, i) => i % parts !== k)));
      const middle = mean(without);
      const spread = without.reduce((s, v) => s + (v - middle) ** 2, 0);
      return { value, error: Math.sqrt(((parts - 1) / parts) * spread) };
    },
    expected: jumpChance,
    against: () => 1,
    // Saws that never jump do not tell where they would.
    tells: (pairs) => [0, 1].every((word) => pairs.filter((pair) => pair.found === word).length >= FEWEST_WORDS),
  };
};
