import { ownBook } from '../../judgement/books';
import { judge } from '../../judgement/rule-book';
import { RESET_BOOK } from '../../judgement/work-books';
import { lineStatistics } from '../../evidence/line-statistics';
import { SHARPENING_MM } from '../../life/sharpening-metal';
import type { Reason } from '../../reason/reason';
import { because, input, COMMON_PRACTICE } from '../../reason/reason';
import { setBalance } from '../../set/set-balance';
import { setLeftMm } from '../../set/set-wear';
import type { WorkOrder } from '../order';
import type { LineStudy } from './study';

/** Below this share of the heavier side the lighter one cannot be met by stoning. No source. */
const UNEVEN_SHARE = 0.5;

/** Whether the set is renewed, by the shop's own book, and why. */
export interface SettingDecision {
  readonly reset: boolean;
  readonly reason: Reason;
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
  const reset = judged.verdict === 'reset';
  return {
    reset,
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
      judged.reasons.map((r) => r.says).join(' '),
    ),
  };
}
