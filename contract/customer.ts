import * as z from 'zod';
import { recordId, requiredText, text, version } from './fields';
import type { KeptSaw } from './saw';
import { keptSaw } from './saw';
import type { Visit } from './ticket';
import { newCustomer, visit } from './ticket';

/** A person to speak to at a business. */
export const contact = z.object({
  name: requiredText(200, 'The contact’s name'),
  phone: text(60, 'The telephone'),
  email: newCustomer.shape.email,
});
export type Contact = z.infer<typeof contact>;

/** What the ledger may change of a customer. */
export const customerChange = newCustomer.extend({
  version,
  business: z.boolean(),
  note: text(2000, 'The note'),
  contacts: z.array(contact).max(300, 'Three hundred contacts at most.'),
});
export type CustomerChange = z.infer<typeof customerChange>;

/** A saw with everything it came for. */
export type LedgerSaw = KeptSaw & { readonly visits: readonly Visit[] };

/** {@link CustomerPage} as it is answered. */
export const customerPage: z.ZodType<CustomerPage> = customerChange.extend({
  id: z.int(),
  saws: z.array(keptSaw.and(z.object({ visits: z.array(visit) }))),
  lastWords: z.string(),
  alike: z.array(z.object({ id: z.int(), name: z.string(), phone: z.string() })),
  forgottenAt: z.string().nullable(),
});

/** A customer's page of the ledger. */
export interface CustomerPage extends CustomerChange {
  readonly id: number;
  readonly saws: readonly LedgerSaw[];
  /** What they asked for last time, in their own words; empty before a first visit. */
  readonly lastWords: string;
  /** Other records that may be the same customer. */
  readonly alike: readonly { readonly id: number; readonly name: string; readonly phone: string }[];
  /** When the person's data were taken out; null while they stand. */
  readonly forgottenAt: string | null;
}

export const mergeChange = z.object({ version, doubleId: recordId });
export type MergeChange = z.infer<typeof mergeChange>;

export const forgetChange = z.object({ version });

/** The text of a vCard file, any number of cards in it. */
export const cardFile = z.object({
  text: z
    .string({ error: 'The vCard must be text.' })
    .min(1, 'The file is empty.')
    .max(2_000_000, 'The file is too large: two million signs at most.'),
});

export const cardsTaken = z.object({
  /** New customers, and those that were in the book already and are left as they are. */
  added: z.array(z.object({ id: z.number().int(), name: z.string() })),
  known: z.array(z.object({ id: z.number().int(), name: z.string() })),
});
export type CardsTaken = z.infer<typeof cardsTaken>;
