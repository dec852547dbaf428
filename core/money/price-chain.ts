import * as z from 'zod';

/**
 * What is said of a ticket's price: what the counter reckoned, what a plan comes to, what it comes to with a grinder's
 * work, a new quote asked about, the customer's yes or no, the owner letting the work begin without one, and what was charged.
 */
export const PRICE_KINDS = ['estimate', 'plan', 'outwork', 'asked', 'agreed', 'refused', 'waived', 'charged'] as const;
export type PriceKind = (typeof PRICE_KINDS)[number];

/** How a customer's word came. */
export const WORD_BY = ['counter', 'telephone', 'writing'] as const;
export type WordBy = (typeof WORD_BY)[number];

/** One word of a price. Words are only ever added. Money is the ticket's currency; minutes are the shop's own. */
export const priceWord = z
  .object({
    id: z.int(),
    kind: z.enum(PRICE_KINDS),
    /** Of an estimate the two ends; of anything else both are the one sum: the plan's, up to which, or charged. */
    low: z.number(),
    high: z.number(),
    /** Minutes it was reckoned from; null where none were. Of an estimate the ends and what lay between them. */
    minutesLow: z.number().nullable(),
    minutesHigh: z.number().nullable(),
    minutesLikely: z.number().nullable(),
    /** Which accepted order it is of, by its number on the ticket; null of none. */
    plan: z.int().nullable(),
    /** A quote's own number, such as 1042-2; null of what is no quote. */
    quote: z.string().nullable(),
    /** How the customer's word came, and who gave it. */
    wordBy: z.enum(WORD_BY).nullable(),
    said: z.string(),
    note: z.string(),
    by: z.string(),
    at: z.string(),
  })
  .readonly();
export type PriceWord = z.infer<typeof priceWord>;

/** How the price of a ticket stands. */
export interface PriceStanding {
  /** What it costs as far as is known: what was charged, else the latest plan or grinder's work, else the estimate; null of none. */
  readonly live: PriceWord | null;
  /** Nothing above this is charged without asking. */
  readonly upTo: number;
  /** Where that comes from: the customer's latest yes, or what they were told at the counter. Null of no word at all. */
  readonly upToBy: PriceWord | null;
  /** How far the live price lies over it; 0 within. */
  readonly over: number;
  /** The new quote that waits for an answer; null of none. */
  readonly asked: PriceWord | null;
  /** The customer's no to this live price; null where they said none. */
  readonly refused: PriceWord | null;
  /** The owner let the work begin all the same. It changes what may be begun, never what may be charged. */
  readonly waived: PriceWord | null;
}

/** Less than half the smallest coin is no difference. */
const SAME_MONEY = 0.005;

/**
 * How a chain stands, its words in the order they were said. A later plan is a new price: a yes holds up to its own sum
 * whatever is planned after it, a no and a waiver only for what they answered. O(words).
 */
export function priceStanding(chain: readonly PriceWord[]): PriceStanding {
  const last = (...kinds: PriceKind[]): PriceWord | null => chain.findLast((word) => kinds.includes(word.kind)) ?? null;
  const live = last('charged') ?? last('plan', 'outwork') ?? last('estimate');
  const upToBy = last('agreed') ?? last('estimate');
  const upTo = upToBy?.high ?? 0;
  const over = live && live.kind !== 'estimate' && live.high - upTo > SAME_MONEY ? live.high - upTo : 0;
  const priced = chain.findLastIndex(
    (word) => word.kind === 'plan' || word.kind === 'outwork' || word.kind === 'estimate',
  );
  const since = chain.slice(priced + 1);
  const asked = since.findLastIndex((word) => word.kind === 'asked');
  const answered = since.findLastIndex((word) => word.kind === 'agreed' || word.kind === 'refused');
  const answer = since[answered];
  return {
    live,
    upTo,
    upToBy,
    over,
    asked: asked > answered ? (since[asked] ?? null) : null,
    refused: answer?.kind === 'refused' && answered > asked ? answer : null,
    waived: since.findLast((word) => word.kind === 'waived') ?? null,
  };
}

/** Whether a sum may be charged without another word. */
export const mayCharge = (chain: readonly PriceWord[], amount: number): boolean =>
  amount - priceStanding(chain).upTo <= SAME_MONEY;

export const sameMoney = (one: number, other: number): boolean => Math.abs(one - other) <= SAME_MONEY;

/** A stop's minutes in bench order, and what the whole order costs. */
export interface PricedWalk {
  readonly stopMinutes: readonly number[];
  readonly amount: number;
  /** Minutes of the price that were worked before these stops: preparing, and orders before; left out for none. */
  readonly minutesBefore?: number;
}

/**
 * The first stop that may not be begun, since what is done by its end would cost more than was agreed: the price spread
 * over the stops by their minutes. Null where everything may be. Example: four stops of 5 minutes for 40 money, 25
 * agreed: the first two are 20, the third would make it 30, so that stop 2 (from 0) is the first held. O(stops).
 */
export function heldFrom({ stopMinutes, amount, minutesBefore = 0 }: PricedWalk, upTo: number): number | null {
  if (amount - upTo <= SAME_MONEY) return null;
  const all = minutesBefore + stopMinutes.reduce((sum, minutes) => sum + minutes, 0);
  let spent = all > 0 ? (amount * minutesBefore) / all : 0;
  for (const [stop, minutes] of stopMinutes.entries()) {
    spent += all > 0 ? (amount * minutes) / all : amount / stopMinutes.length;
    if (spent - upTo > SAME_MONEY) return stop;
  }
  return null;
}
