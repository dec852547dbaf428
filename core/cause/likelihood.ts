import { SHAVINGS } from '../raker/shavings';
import { FLOORS, WALLS } from '../testcut/cut-looks';
import { offLineMm } from '../testcut/foretold';
import type { Cause } from './causes';
import { mirrored } from './causes';
import type { CutShown, SawKnown } from './found';

// Over 250 lines: one table of what tells causes apart, each entry with its chances.

/** Everything a cause can be told by. */
export interface Facts {
  readonly shown: CutShown;
  readonly known: SawKnown;
}

/**
 * One thing that tells causes apart. What was found of it (null where it was not looked for), what else could have
 * been found, and how likely each is under a cause: a chance of a word, a density of a number.
 */
export interface Finding {
  readonly id: FindingId;
  readonly found: (facts: Facts) => string | number | null;
  /** All it could say, of a finding in words; left out of one in numbers. */
  readonly words?: readonly string[];
  readonly likelihood: (cause: Cause, value: string | number, known: SawKnown) => number;
  /** Mean and spread under a cause, of a finding in numbers. */
  readonly spread?: (cause: Cause, known: SawKnown) => readonly [mean: number, sd: number];
}
export const FINDINGS = [
  'runs',
  'binds',
  'chatters',
  'shavings',
  'kerf',
  'off-line',
  'wall',
  'floor',
  'beats',
  'before',
  'set',
  'set-amount',
  'hop',
  'load',
  'plate',
  'rakers-high',
  'rakers-low',
  'teeth-out',
] as const;
export type FindingId = (typeof FINDINGS)[number];

// Every number below is judgement, no source: how often each shows when that is at fault. What is learned of a shop's own
// saws may replace them.

type Table = Partial<Record<Cause, readonly number[]>>;

/** A finding in words by a table of causes; `rest` of every other. Tables of one side are those of the other mirrored. */
function inWords(
  id: FindingId,
  words: readonly string[],
  found: Finding['found'],
  table: Table,
  rest: readonly number[],
  mirror: (word: string) => string = (word) => word,
): Finding {
  const at = (cause: Cause, word: string): number => {
    const own = table[cause];
    if (own) return own[words.indexOf(word)] ?? 0;
    const other = table[mirrored(cause)];
    return (other ?? rest)[words.indexOf(other ? mirror(word) : word)] ?? 0;
  };
  return { id, words, found, likelihood: (cause, value) => at(cause, String(value)) };
}

const yesNo = (
  id: FindingId,
  found: (facts: Facts) => boolean | null,
  yes: Partial<Record<Cause, number>>,
  rest: number,
): Finding =>
  inWords(
    id,
    ['yes', 'no'],
    (facts) => {
      const said = found(facts);
      return said === null ? null : said ? 'yes' : 'no';
    },
    Object.fromEntries(Object.entries(yes).map(([cause, p]) => [cause, [p, 1 - p]])),
    [rest, 1 - rest],
  );

/** The normal density. */
const normal = (value: number, mean: number, sd: number): number =>
  Math.exp(-0.5 * ((value - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));

/** A finding in numbers, normal under every cause. */
function inNumbers(
  id: FindingId,
  found: (facts: Facts) => number | null,
  spread: NonNullable<Finding['spread']>,
): Finding {
  return {
    id,
    found,
    spread,
    likelihood: (cause, value, known) => normal(Number(value), ...spread(cause, known)),
  };
}

const otherSide = (word: string): string =>
  word.includes('left') ? word.replace('left', 'right') : word.replace('right', 'left');

/** +1 where a cause is of the left, -1 of the right, 0 of neither. */
const sign = (cause: Cause): number => (cause.endsWith('-left') ? 1 : cause.endsWith('-right') ? -1 : 0);
const kind = (cause: Cause): string => (sign(cause) === 0 ? cause : cause.replace(/-(left|right)$/, ''));

/** A feeler in a kerf, and a rule along a cut, are read so well. Judgement, no source. mm. */
const FEELER_MM = 0.03;
/** Set read once a side. Judgement, no source. mm. */
const ONE_READING_MM = 0.02;

export const ALL_FINDINGS: readonly Finding[] = [
  inWords(
    'runs',
    ['left', 'true', 'right'],
    ({ shown }) => shown.runs,
    {
      'set-left': [0.85, 0.12, 0.03],
      'burr-left': [0.75, 0.22, 0.03],
      'load-left': [0.6, 0.35, 0.05],
      // It runs away from its dull side.
      'dull-left': [0.05, 0.35, 0.6],
      'tooth-left': [0.15, 0.8, 0.05],
      'plate-bent': [0.4, 0.2, 0.4],
      hand: [0.4, 0.2, 0.4],
    },
    [0.05, 0.9, 0.05],
    otherSide,
  ),
  yesNo(
    'binds',
    ({ shown }) => shown.binds,
    { 'set-thin': 0.85, 'plate-bent': 0.4, dull: 0.3, wood: 0.25, 'set-wide': 0.02 },
    0.07,
  ),
  yesNo(
    'chatters',
    ({ shown }) => shown.chatters,
    {
      ...{ 'line-uneven': 0.85, 'rakers-high': 0.4, 'tooth-left': 0.3, 'tooth-right': 0.3, 'set-wide': 0.3, dull: 0.2 },
      ...{ weld: 0.9, 'beat-tooth': 0.9 },
    },
    0.07,
  ),
  inWords(
    'shavings',
    SHAVINGS,
    ({ shown }) => shown.shavings,
    {
      dull: [0.15, 0.1, 0.75],
      'rakers-high': [0.1, 0.1, 0.8],
      'rakers-low': [0.1, 0.8, 0.1],
      'set-wide': [0.5, 0.2, 0.3],
      'line-uneven': [0.4, 0.2, 0.4],
    },
    [0.75, 0.1, 0.15],
  ),
  inWords(
    'wall',
    WALLS,
    ({ shown }) => shown.wall,
    {
      'tooth-left': [0.12, 0.75, 0.04, 0.06, 0.03],
      'set-left': [0.6, 0.2, 0.05, 0.1, 0.05],
      'burr-left': [0.5, 0.35, 0.05, 0.07, 0.03],
      'set-wide': [0.25, 0.1, 0.1, 0.52, 0.03],
      'set-thin': [0.52, 0.04, 0.04, 0.05, 0.35],
      dull: [0.35, 0.05, 0.05, 0.33, 0.22],
      'line-uneven': [0.5, 0.08, 0.08, 0.3, 0.04],
      wood: [0.3, 0.04, 0.04, 0.6, 0.02],
    },
    [0.7, 0.07, 0.07, 0.1, 0.06],
    otherSide,
  ),
  inWords(
    'floor',
    FLOORS,
    ({ shown }) => shown.floor,
    {
      'line-uneven': [0.35, 0.1, 0.5, 0.05],
      'load-left': [0.35, 0.1, 0.1, 0.45],
      'dull-left': [0.45, 0.1, 0.1, 0.35],
      'rakers-high': [0.7, 0.05, 0.15, 0.1],
      'rakers-low': [0.4, 0.4, 0.1, 0.1],
    },
    [0.74, 0.12, 0.08, 0.06],
  ),
  inWords(
    'beats',
    ['at-weld', 'elsewhere'],
    ({ shown }) => shown.beats,
    { weld: [0.92, 0.08], 'beat-tooth': [0.08, 0.92] },
    [0.5, 0.5],
  ),
  // A user's fault varies; a saw's does not (trade section 8).
  inWords('before', ['same', 'other'], ({ shown }) => shown.before, { hand: [0.35, 0.65] }, [0.88, 0.12]),
  inNumbers(
    'off-line',
    ({ shown }) => (shown.offLine ? offLineMm(shown.offLine) : null),
    (cause) => {
      switch (kind(cause)) {
        case 'set':
          return sign(cause) === 0 ? [0, 0.12] : [0.4 * sign(cause), 0.35];
        case 'burr':
        case 'load':
          return [0.3 * sign(cause), 0.3];
        case 'dull':
          return sign(cause) === 0 ? [0, 0.12] : [-0.3 * sign(cause), 0.3];
        case 'plate-bent':
        case 'hand':
          return [0, 0.6];
        default:
          return [0, 0.12];
      }
    },
  ),
  inNumbers(
    'kerf',
    ({ shown }) => shown.kerfMm,
    (cause, { plateMm, wantedSetMm, set }) => {
      const out = kind(cause) === 'tooth' ? 0.6 * wantedSetMm : 0;
      if (set) return [plateMm + set.sumMm + out, Math.hypot(FEELER_MM, 0.15 * wantedSetMm)];
      const times = cause === 'set-thin' ? 1 : cause === 'set-wide' ? 3.4 : 2.1;
      const own = cause === 'set-wide' ? 0.6 : 0.4;
      return [plateMm + times * wantedSetMm + out, Math.hypot(FEELER_MM, own * wantedSetMm)];
    },
  ),
  inNumbers(
    'set',
    ({ known }) => known.set?.differenceMm ?? null,
    (cause, { set, wantedSetMm }) => {
      const error = set?.errorMm ?? ONE_READING_MM;
      const heavier = kind(cause) === 'set' && sign(cause) !== 0;
      return heavier
        ? [0.45 * wantedSetMm * sign(cause), Math.hypot(error, 0.25 * wantedSetMm)]
        : [0, Math.hypot(error, 0.12 * wantedSetMm)];
    },
  ),
  inNumbers(
    'set-amount',
    ({ known }) => (known.set && known.wantedSetMm > 0 ? known.set.lesserMm / known.wantedSetMm : null),
    (cause) => (cause === 'set-thin' ? [0.5, 0.22] : cause === 'set-wide' ? [1.8, 0.4] : [1, 0.22]),
  ),
  inNumbers(
    'hop',
    // In logarithms, as hops range over powers; less than this is none.
    ({ known }) => (known.hopMm === null ? null : Math.log(Math.max(0.002, known.hopMm))),
    (cause) => (cause === 'line-uneven' ? [Math.log(0.1), 0.6] : [Math.log(0.015), 0.9]),
  ),
  inNumbers(
    'load',
    ({ known }) => known.loadDifference,
    (cause) => (kind(cause) === 'load' ? [0.25 * sign(cause), 0.12] : [0, 0.08]),
  ),
  yesNo('plate', ({ known }) => known.bent, { 'plate-bent': 0.95 }, 0.1),
  yesNo('rakers-high', ({ known }) => known.rakers && known.rakers.high, { 'rakers-high': 0.9 }, 0.12),
  yesNo('rakers-low', ({ known }) => known.rakers && known.rakers.low, { 'rakers-low': 0.9 }, 0.12),
  inWords(
    'teeth-out',
    ['left', 'right', 'both', 'none'],
    ({ known }) => {
      if (!known.teethOut) return null;
      const { left, right } = known.teethOut;
      return left ? (right ? 'both' : 'left') : right ? 'right' : 'none';
    },
    { 'tooth-left': [0.7, 0.03, 0.2, 0.07] },
    [0.12, 0.12, 0.08, 0.68],
    otherSide,
  ),
];
