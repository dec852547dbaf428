import type { Judgement } from '../judgement/books';
import type { UseRate } from '../life/life';
import type { AngleTable } from '../work/habits';
import type { Price, Rates } from '../work/price';
import { priceFor } from '../work/price';
import type { Saw } from '../saw/saw';
import { isCarbide, rakersOf, teethOf } from '../saw/saw';
import type { PlateMark } from '../saw/plate-marks';
import type { Grain, HardenedAnswer, LineLook, WantedFiling } from '../judgement/triage';
import type { KeepOrReplace } from '../life/keep-or-replace';
import { keepOrReplace } from '../life/keep-or-replace';
import type { CounterJudgement } from './counter-judgement';
import { judgeAtCounter } from './counter-judgement';
import type { ReckonedWork, Pace } from '../work/reckon-work';
import { reckonWork, NO_PACE } from '../work/reckon-work';

/** What was answered at the counter about one saw. */
export interface Answered {
  readonly hardened: HardenedAnswer;
  readonly marks: readonly PlateMark[];
  readonly lineLook: LineLook;
  readonly grain: Grain;
  readonly wantsFiling: WantedFiling;
  readonly etch: boolean;
  readonly collectible: boolean;
  readonly useRate: UseRate;
  /** Money; null where nobody said. */
  readonly replacement: number | null;
}

/** What of the shop book the counter judges by. */
export interface CounterShop {
  readonly rates: Rates;
  readonly habits: { readonly angles: AngleTable };
  readonly judgement?: Judgement | undefined;
  readonly filesPullSaws?: boolean | undefined;
}

/** Everything the counter says of a saw: the same on the screen and where the ticket is kept. */
export interface IntakeJudged {
  readonly judgement: CounterJudgement;
  readonly teeth: number;
  readonly work: ReckonedWork;
  readonly low: Price;
  readonly high: Price;
  readonly keep: KeepOrReplace | null;
}

/** Judge, reckon and price one saw as answered. Lengths mm, minutes, the shop's money. O(rules + marks). */
export function judgeIntake(saw: Saw, answered: Answered, shop: CounterShop, pace: Pace = NO_PACE): IntakeJudged {
  const { replacement, useRate, ...answers } = answered;
  const judged = (costOverReplacing: number | null): CounterJudgement =>
    judgeAtCounter(
      { ...answers, saw, pitchMm: saw.pitchMm, costOverReplacing, filesPullSaws: shop.filesPullSaws ?? true },
      shop.judgement,
      shop.habits.angles,
    );
  const first = judged(null);
  // What is sent on to grinding is only looked at and packed here.
  const sentOn = isCarbide(saw);
  const work = reckonWork(
    {
      family: saw.family,
      teeth: sentOn ? 0 : teethOf(saw),
      rakers: rakersOf(saw),
      parts: saw.family === 'dado' ? saw.parts.length : 1,
      marks: sentOn ? [] : answered.marks.map((mark) => mark.kind),
      work: sentOn ? 'sharpen' : (first.work?.verdict ?? null),
    },
    pace,
  );
  const low = priceFor(work.lowMinutes, shop.rates);
  const high = priceFor(work.highMinutes, shop.rates);
  const keep =
    replacement === null ? null : keepOrReplace(saw.family, useRate, (low.amount + high.amount) / 2, replacement);
  return { judgement: keep ? judged(keep.ratio) : first, teeth: teethOf(saw), work, low, high, keep };
}
