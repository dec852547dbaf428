import { heldFrom } from '@odontis/core/money/price-chain';
import { minutesAtStop, walkOf } from '@odontis/core/work/step';
import type { ToldVisit } from './demo-story';

/** A word of a demo ticket's price. Times as the story has them. */
export interface ToldWord {
  readonly kind: 'estimate' | 'plan' | 'asked' | 'agreed' | 'charged';
  readonly low: number;
  readonly high: number;
  readonly minutes: readonly [low: number, high: number, likely: number] | null;
  readonly at: Date;
}

/** What was said of a demo ticket's price, and from which stop on its work waits for the customer's word; null where it does not. */
export interface ToldPrice {
  readonly words: readonly ToldWord[];
  readonly heldFrom: number | null;
}

const HOUR_MS = 3_600_000;
const after = (at: Date, hours: number): Date => new Date(at.getTime() + hours * HOUR_MS);
const one = (kind: ToldWord['kind'], sum: number, at: Date, minutes: ToldWord['minutes'] = null): ToldWord => ({
  ...{ kind, low: sum, high: sum, minutes, at },
});

/**
 * From the counter to the bill as such a shop does it: a plan above the quote is asked about and agreed to by telephone
 * before its work goes on, and what is charged is the plan's price. A saw at the vise may still wait for its answer
 * where no more was done than the old sum covers.
 */
export function priceStory({ estimate, ticket, opened, work }: ToldVisit): ToldPrice {
  const { low, high, minutesLow, minutesHigh, minutesLikely } = estimate;
  const words: ToldWord[] = [
    { kind: 'estimate', low, high, minutes: [minutesLow, minutesHigh, minutesLikely], at: opened },
  ];
  if (!work) return { words, heldFrom: null };
  const { order } = work.ordered;
  const amount = order.price?.amount ?? 0;
  words.push(one('plan', amount, work.acceptedAt, [order.minutes, order.minutes, order.minutes]));
  const stopMinutes = walkOf(order.steps).map((stop) => minutesAtStop(order.steps[stop.step]));
  const held = heldFrom({ stopMinutes, amount }, high);
  if (held !== null) {
    words.push(one('asked', amount, after(work.acceptedAt, 0.2)));
    if (ticket.stage === 'bench' && work.presses.length <= held) return { words, heldFrom: held };
    words.push(one('agreed', amount, after(work.acceptedAt, 0.4)));
  }
  if (ticket.closedAt) words.push(one('charged', amount, ticket.closedAt as Date));
  return { words, heldFrom: null };
}
