import * as z from 'zod';
import { priceWord, WORD_BY } from '@odontis/core/money/price-chain';
import { newMessage } from './notes';
import { bounded, text, uuid, version } from './fields';

export const prices = z.array(priceWord);

const upTo = bounded(0, 100_000, 'The sum', '');
const head = {
  /** Made on the screen: sent twice, it is said once. */
  key: uuid('Every word has a key of its own.'),
  /** The ticket's version it was said on. */
  version,
  upTo,
  note: text(1000, 'The note'),
};
const word = {
  wordBy: z.enum(WORD_BY, { error: 'Say how the answer came: at the counter, by telephone or in writing.' }),
  said: text(200, 'Who said it'),
};

/** A word of the price: a new quote, with its note to the customer where one is written; the customer's answer; the owner's waiver. */
export const newPriceWord = z.discriminatedUnion(
  'kind',
  [
    z.object({ ...head, kind: z.literal('asked'), message: newMessage.omit({ kind: true }).nullish() }),
    z.object({ ...head, ...word, kind: z.literal('agreed') }),
    z.object({ ...head, ...word, kind: z.literal('refused') }),
    z.object({ ...head, kind: z.literal('waived') }),
  ],
  { error: 'A price is asked about, agreed to, refused or waived.' },
);
export type NewPriceWord = z.infer<typeof newPriceWord>;
type Keyless<T> = T extends unknown ? Omit<T, 'key'> : never;
/** A word as a page says it; its key is made where it is sent. */
export type PriceWordSaid = Keyless<NewPriceWord>;
