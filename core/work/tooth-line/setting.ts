import { ownBook } from '../../judgement/books';
import { judge } from '../../judgement/rule-book';
import { RESET_BOOK } from '../../judgement/work-books';
import { lineStatistics } from '../../evidence/line-statistics';
import { SHARPENING_ERROR_MM, SHARPENING_MM } from '../../life/sharpening-metal';
import type { Reason } from '../../reason/reason';
import { because, input, COMMON_PRACTICE } from '../../reason/reason';
import { setBalance } from '../../set/set-balance';
import { filingsUntilReset, RESET_BELOW_SHARE, setLeftMm } from '../../set/set-wear';
import type { WorkOrder } from '../order';
import type { LineStudy } from './study';

/** Below this share of the heavier side the lighter one cannot be met by stoning. No source. */
const UNEVEN_SHARE = 0.5;

/** Whether the set is renewed, by the shop's own book, and why. */
export interface SettingDecision {
  readonly reset: boolean;
  /** Filings until the same book would have it renewed again, fewest and most. */
  readonly lasts: readonly [number, number];
  readonly reason: Reason;
}

/** How many filings the set lasts from here on, by the shop's own share and count, as far apart as a sharpening's metal is known. */
function lastsFor(study: LineStudy, reset: boolean, leftMm: number | null): readonly [number, number] {
  const { thresholds } = ownBook(RESET_BOOK, study.inputs.judgement);
  const target = study.set.perSideMm;
  // This filing is one of those since the set.
  const since = reset ? 0 : (study.inputs.filingsSinceSet ?? 0) + 1;
  const limits = {
    leastShare: thresholds['leastShare'] ?? RESET_BELOW_SHARE,
    most: Math.max(0, (thresholds['filings'] ?? Infinity) - since),
  };
  const until = (metalMm: number): number =>
    filingsUntilReset(reset ? target : (leftMm ?? target), target, metalMm, study.toothHeightMm, limits);
  return [until(SHARPENING_MM + 2 * SHARPENING_ERROR_MM), until(SHARPENING_MM - 2 * SHARPENING_ERROR_MM)];
}

/**
 * Set anew or left (geometry section 6, hinge: s' = s (1 - filed / bent length)), judged by the
 * shop's book of that question: what is left on the lesser side against the table, how uneven the
 * sides are, whether the work takes the set out anyway. mm.
 */
export function decideSetting(study: LineStudy, work: WorkOrder['work'], depthMm: number): SettingDecision {
  const { inputs } = study;
  const statistics = lineStatistics(inputs.readings);
  const sides = statistics ? [statistics.setLeft, statistics.setRight].filter((s) => s.count > 0) : [];
  const target = study.set.perSideMm;
  const filedMm = depthMm + SHARPENING_MM;
  const [lesser, greater] = sides.map((s) => s.meanMm).sort((a, b) => a - b);
  const both = lesser !== undefined && greater !== undefined ? { lesser, greater } : null;
  const leftMm = both && setLeftMm(both.lesser, filedMm, study.toothHeightMm, 'hinge');
  const uneven =
    both !== null &&
    statistics !== null &&
    setBalance(statistics.setLeft, statistics.setRight).certain &&
    both.lesser < UNEVEN_SHARE * both.greater;
  const judged = judge(ownBook(RESET_BOOK, inputs.judgement), {
    setRead: both !== null,
    setLeftShare: leftMm === null ? null : leftMm / target,
    filingsSinceSet: inputs.filingsSinceSet,
    work,
    setUneven: both === null ? null : uneven,
  });
  // Thin hard plate breaks rather than bends: a pull saw's set is left alone where nobody measured it short.
  const left = study.pull !== null && (both === null || study.pull.filing.kind === 'top-only');
  const reset = judged.verdict === 'reset' && !left;
  return {
    reset,
    lasts: lastsFor(study, reset, leftMm),
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
        input('target', target, 'mm'),
        ...(inputs.filingsSinceSet === null
          ? []
          : [input('filings since it was set', inputs.filingsSinceSet, 'count')]),
      ],
      both ? 'geometry section 6, hinge; the shop’s rules of judgement' : COMMON_PRACTICE,
      left
        ? 'The set of a pull saw is usually left alone: its thin, hard plate breaks rather than bends, and a bevel filed from the top leaves the bend where it is.'
        : judged.reasons.map((r) => r.says).join(' '),
    ),
  };
}
