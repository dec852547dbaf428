import type { Judgement } from '../judgement/books';
import { ownBook } from '../judgement/books';
import { judge } from '../judgement/rule-book';
import { RESET_BOOK } from '../judgement/work-books';
import type { SideSet } from '../evidence/line-statistics';
import { SHARPENING_ERROR_MM, SHARPENING_MM } from '../life/sharpening-metal';
import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import { setBalance } from '../set/set-balance';
import { bentLengthMm, filingsUntilReset, RESET_BELOW_SHARE, setLeftMm } from '../set/set-wear';
import type { WorkOrder } from './order';

/** Below this share of the heavier side the lighter one cannot be met by stoning. No source. */
const UNEVEN_SHARE = 0.5;

/** Whether the set is renewed, by the shop's own book, and why. */
export interface SettingDecision {
  readonly reset: boolean;
  /** Filings until the same book would have it renewed again, fewest and most. */
  readonly lasts: readonly [number, number];
  readonly reason: Reason;
}

/** What is known of a saw's set when it is judged. Lengths mm. */
export interface SetKnown {
  /** Both sides as measured; of a side nobody measured the count is 0. */
  readonly sides: { readonly left: SideSet; readonly right: SideSet } | null;
  readonly targetMm: number;
  /** What this work takes off the tips, and of it what is jointed before they are shaped. */
  readonly filedMm: number;
  readonly jointMm?: number | undefined;
  /** Single teeth's spread on either side is judged as well as the sides' means. */
  readonly bySpread?: boolean | undefined;
  /** How many times faster than the hinge says set goes in this shop; left out or null, as it says. */
  readonly wearTimes?: number | null | undefined;
  readonly toothHeightMm: number;
  readonly filingsSinceSet: number | null;
  readonly work: WorkOrder['work'];
  readonly judgement: Judgement | undefined;
}

/** How many filings the set lasts from here on, by the shop's own share and count, as far apart as a sharpening's metal is known. */
function lastsFor(known: SetKnown, reset: boolean, leftMm: number | null): readonly [number, number] {
  const { thresholds } = ownBook(RESET_BOOK, known.judgement);
  // This filing is one of those since the set.
  const since = reset ? 0 : (known.filingsSinceSet ?? 0) + 1;
  const limits = {
    leastShare: thresholds['leastShare'] ?? RESET_BELOW_SHARE,
    most: Math.max(0, (thresholds['filings'] ?? Infinity) - since),
  };
  const target = known.targetMm;
  const until = (metalMm: number): number =>
    filingsUntilReset(
      reset ? target : (leftMm ?? target),
      target,
      (known.wearTimes ?? 1) * metalMm,
      known.toothHeightMm,
      limits,
    );
  return [until(SHARPENING_MM + 2 * SHARPENING_ERROR_MM), until(SHARPENING_MM - 2 * SHARPENING_ERROR_MM)];
}

/** The lesser and the greater side's mean, where both were measured. mm. */
function bothOf(sides: SetKnown['sides']): { readonly lesser: number; readonly greater: number } | null {
  const means = sides ? [sides.left, sides.right].filter((s) => s.count > 0).map((s) => s.meanMm) : [];
  const [lesser, greater] = means.sort((a, b) => a - b);
  return lesser !== undefined && greater !== undefined ? { lesser, greater } : null;
}

/**
 * Set anew or left (geometry section 6, hinge: s' = s (1 - filed / bent length)), judged by the
 * shop's book of that question: what is left on the lesser side against the table, how uneven the
 * sides are, whether the work takes the set out anyway. `leave` is why it is left whatever the book
 * says; `wish` what the technician chose. mm.
 */
export function judgeReset(known: SetKnown, leave: string | null = null, wish: boolean | null = null): SettingDecision {
  const { sides, targetMm, filedMm } = known;
  const both = bothOf(sides);
  const wear = known.wearTimes ?? 1;
  const leftMm = both && setLeftMm(both.lesser, wear * filedMm, known.toothHeightMm, 'hinge');
  const uneven =
    both !== null &&
    sides !== null &&
    setBalance(sides.left, sides.right).certain &&
    both.lesser < UNEVEN_SHARE * both.greater;
  const judged = judge(ownBook(RESET_BOOK, known.judgement), {
    setRead: both !== null,
    setLeftShare: leftMm === null ? null : leftMm / targetMm,
    filingsSinceSet: known.filingsSinceSet,
    work: known.work,
    setUneven: both === null ? null : uneven,
    // A joint deeper than the bend loses takes set out tooth by tooth: what is left then is no set.
    jointOverBent: known.jointMm === undefined ? null : known.jointMm / bentLengthMm(known.toothHeightMm),
    setSpreadShare: known.bySpread && sides ? spreadOf(sides) / targetMm : null,
  });
  const reset = wish ?? (judged.verdict === 'reset' && leave === null);
  const says = judged.reasons.map((r) => r.says).join(' ');
  return {
    reset,
    lasts: lastsFor(known, reset, leftMm),
    reason: because(
      reset ? 'Set the teeth' : 'Leave the set',
      'set left s′ = s (1 − filed ÷ bent length), against the target',
      [
        ...(both && leftMm !== null
          ? [
              input('lesser side now', both.lesser, 'mm'),
              input('to be filed', filedMm, 'mm'),
              input('set left after it', leftMm, 'mm'),
            ]
          : []),
        ...(wear === 1 ? [] : [input('times as fast, as this shop learned', Number(wear.toPrecision(3)), 'count')]),
        input('target', targetMm, 'mm'),
        ...(known.filingsSinceSet === null ? [] : [input('filings since it was set', known.filingsSinceSet, 'count')]),
      ],
      both ? 'geometry section 6, hinge; the shop’s rules of judgement' : COMMON_PRACTICE,
      wish !== null && wish !== (judged.verdict === 'reset')
        ? `Chosen on the plan; the shop’s rules say: ${says}`
        : (leave ?? says),
    ),
  };
}

/** The wider spread of the two sides, one standard deviation of single teeth; 0 of single readings. mm. */
const spreadOf = ({ left, right }: NonNullable<SetKnown['sides']>): number =>
  Math.max(left.spreadMm ?? 0, right.spreadMm ?? 0);

/** Filings since a full tune last renewed the set; null where no visit here did. */
export function filingsSinceSet(visits: readonly { readonly work: WorkOrder['work'] | null }[]): number | null {
  const tuned = visits.findIndex((v) => v.work === 'tune' || v.work === 'convert' || v.work === 'retooth');
  return tuned < 0
    ? null
    : visits.slice(0, tuned).filter((v) => v.work === 'sharpen' || v.work === 'top-bevels').length;
}
