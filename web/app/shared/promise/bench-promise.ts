import type { Signal } from '@angular/core';
import { computed } from '@angular/core';
import type { CounterBook } from '@odontis/contract/ticket';
import type { BenchHours, EarliestDay, PromiseJudged } from '@odontis/core/shop/bench-load';
import { dayNumber, earliestDay, isoOfDay, judgePromise } from '@odontis/core/shop/bench-load';
import { DateTime } from 'luxon';

/** Hours of a shop's day, for what is left of today's bench. */
const OPENS = 8;
const CLOSES = 17;

export interface BenchPromise {
  readonly earliest: Signal<{ readonly day: string; readonly reason: EarliestDay['reason'] }>;
  /** Null while no day was chosen by hand, or nothing is judged yet. */
  readonly promise: Signal<PromiseJudged | null>;
}

/** A saw's minutes against the bench's load. The work is reckoned at its most: a day promised on the least is a day broken. */
export function benchPromise(
  load: Signal<CounterBook['due']>,
  minutes: Signal<number | null>,
  promisedOn: Signal<string>,
  hours: Signal<BenchHours>,
): BenchPromise {
  const now = computed(() => {
    // Read again whenever the load is: a page left open overnight promises from the morning.
    load();
    const at = DateTime.now();
    const share = Math.min(1, Math.max(0, (CLOSES - at.hour - at.minute / 60) / (CLOSES - OPENS)));
    return { today: dayNumber(at.toISODate()), left: hours().minutesPerDay * share };
  });
  const due = computed(() => load().map((d) => ({ day: dayNumber(d.day), minutes: d.minutes })));
  return {
    earliest: computed(() => {
      const { today, left } = now();
      const found = earliestDay(due(), minutes() ?? 0, hours(), today, left);
      return { day: isoOfDay(found.day), reason: found.reason };
    }),
    promise: computed(() => {
      const [{ today, left }, work, day] = [now(), minutes(), promisedOn()];
      // A date half typed is no day yet; the contract says so when it is sent.
      if (work === null || !/^\d{4}-\d{2}-\d{2}$/.test(day) || !DateTime.fromISO(day).isValid) return null;
      return judgePromise(due(), work, dayNumber(day), hours(), today, left);
    }),
  };
}
