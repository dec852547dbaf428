import type { Judgement } from '../judgement/books';
import type { UseRate } from '../life/life';
import type { Learned } from '../learn/learned';
import { NOTHING_LEARNED } from '../learn/learned';
import type { ShopHabits } from '../work/habits';
import type { Price, Rates } from '../work/price';
import { priceFor } from '../work/price';
import type { Saw } from '../saw/saw';
import type { Wood } from '../saw/families';
import { teethOf } from '../saw/saw';
import type { PlateMark } from '../saw/plate-marks';
import type { Grain, HardenedAnswer, LineLook, WantedFiling } from '../judgement/triage';
import type { KeepOrReplace } from '../life/keep-or-replace';
import { keepOrReplace } from '../life/keep-or-replace';
import type { CounterJudgement } from './counter-judgement';
import { judgeAtCounter } from './counter-judgement';
import type { PastEstimate, ReckonedWork } from './supposed-work';
import { supposedWork } from './supposed-work';

/** What was answered at the counter about one saw. */
export interface Answered {
  readonly wood: Wood;
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
  readonly habits: ShopHabits;
  readonly judgement?: Judgement | undefined;
  readonly filesPullSaws?: boolean | undefined;
}

/** What the shop learned of its own work, and how its estimates stood to its plans. */
export interface ShopsPast {
  readonly learned: Learned;
  readonly past: readonly PastEstimate[];
}
export const NO_PAST: ShopsPast = { learned: NOTHING_LEARNED, past: [] };

/** Everything the counter says of a saw: the same on the screen and where the ticket is kept. */
export interface IntakeJudged {
  readonly judgement: CounterJudgement;
  readonly teeth: number;
  readonly work: ReckonedWork;
  readonly low: Price;
  readonly high: Price;
  readonly keep: KeepOrReplace | null;
}

/** Judge, reckon and price one saw as answered. Lengths mm, minutes, the shop's money. O(rules + marks + teeth). */
export function judgeIntake(saw: Saw, answered: Answered, shop: CounterShop, known: ShopsPast = NO_PAST): IntakeJudged {
  const { replacement, useRate, ...answers } = answered;
  const judged = (costOverReplacing: number | null): CounterJudgement =>
    judgeAtCounter(
      { ...answers, saw, pitchMm: saw.pitchMm, costOverReplacing, filesPullSaws: shop.filesPullSaws ?? true },
      shop.judgement,
      shop.habits.angles,
    );
  const first = judged(null);
  const { habits, judgement } = shop;
  const work = supposedWork({ ...answers, saw, work: first.work?.verdict ?? null }, { habits, judgement, ...known });
  const low = priceFor(work.lowMinutes, shop.rates);
  const high = priceFor(work.highMinutes, shop.rates);
  const keep =
    replacement === null ? null : keepOrReplace(saw.family, useRate, (low.amount + high.amount) / 2, replacement);
  return { judgement: keep ? judged(keep.ratio) : first, teeth: teethOf(saw), work, low, high, keep };
}
