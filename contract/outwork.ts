import * as z from 'zod';
import { RESULTS } from '@odontis/core/work/deeds';
import { bounded, isoDay, requiredText, uuid, version } from './fields';

const amount = bounded(0, 100_000, 'The grinder’s price', '');

/** A saw sent to a grinder. */
export const newOutwork = z.object({
  /** Made on the screen: sent twice, it went once. */
  key: uuid('What is sent needs a key of its own.'),
  version,
  grinder: requiredText(120, 'Who grinds it'),
  work: requiredText(300, 'What is to be done'),
  dueOn: isoDay,
  /** What the grinder asks for it, without the shop's own work; null where nobody knows yet. */
  amount: amount.nullable(),
});
export type NewOutwork = z.infer<typeof newOutwork>;
export type OutworkSaid = Omit<NewOutwork, 'key'>;

/** It came back: how, and what the grinder charged. */
export const outworkBack = z.object({
  key: uuid('What came back needs a key of its own.'),
  version,
  result: z.enum(RESULTS, { error: 'It came out, or it did not.' }),
  amount,
});
export type OutworkBack = z.infer<typeof outworkBack>;
export type OutworkBackSaid = Omit<OutworkBack, 'key'>;

/** Work done elsewhere, as it was sent and as it came back; money in the ticket's currency. */
export const outwork = z
  .object({
    id: z.int(),
    /** Of this ticket, counted from 1. */
    number: z.int(),
    grinder: z.string(),
    work: z.string(),
    dueOn: isoDay,
    amount: z.number().nullable(),
    by: z.string(),
    at: z.string(),
    /** Null while it is away. */
    back: z
      .object({ result: z.enum(RESULTS), amount: z.number(), by: z.string(), at: z.string() })
      .readonly()
      .nullable(),
  })
  .readonly();
export type Outwork = z.infer<typeof outwork>;

/** What is away now; null of a saw that is in the shop. */
export const awayNow = (sent: readonly Outwork[]): Outwork | null => sent.find((one) => one.back === null) ?? null;

/** What the grinders' work comes to: as charged where it came back, else as agreed with them; what nobody knows counts nothing. */
export const outworkAmount = (sent: readonly Outwork[]): number =>
  sent.reduce((sum, one) => sum + (one.back?.amount ?? one.amount ?? 0), 0);

/**
 * What a ticket comes to with its grinders' work: the shop's own by its plan, or up to the estimate, and theirs. What
 * was away when the plan was made is in the plan's sum as it was known then, and stands as it is known now. Example: a
 * plan of 30 made while 20 of a grinder's were foretold, 24 charged: 34.
 */
export function sumWithOutwork(
  own: { readonly high: number; readonly at: string; readonly kind: string } | null,
  sent: readonly Outwork[],
): number {
  const inIt = own?.kind === 'plan' ? sent.filter((one) => one.at < own.at) : [];
  const then = inIt.reduce(
    (sum, one) => sum + (one.back && one.back.at < (own?.at ?? '') ? one.back.amount : (one.amount ?? 0)),
    0,
  );
  return (own?.high ?? 0) - then + outworkAmount(sent);
}
