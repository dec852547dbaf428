import * as z from 'zod';
import { recordId, requiredText, text } from './fields';

/** A photograph beside a ticket; its bytes come from its own address. */
export const photograph = z
  .object({
    id: z.int(),
    caption: z.string(),
    widthPx: z.number(),
    heightPx: z.number(),
    by: z.string(),
    at: z.string(),
  })
  .readonly();
export type Photograph = z.infer<typeof photograph>;
/** As it is sent: a JPEG in base64, shrunk and without its camera's notes. */
export const newPhotograph = z.object({
  caption: text(200, 'The caption'),
  jpeg: z
    .base64('A photograph comes as base64.')
    .min(100, 'The photograph is empty.')
    .max(3_900_000, 'The photograph is too large: it is shrunk before it is sent.'),
});
export type NewPhotograph = z.infer<typeof newPhotograph>;
/** The longer side of a photograph as kept, pixels. */
export const PHOTOGRAPH_PX = 1600;

export const MESSAGE_KINDS = ['ready', 'question', 'refusal', 'price'] as const;
export type MessageKind = (typeof MESSAGE_KINDS)[number];
/** A note to the customer. */
export const newMessage = z.object({
  kind: z.enum(MESSAGE_KINDS, {
    error: 'A note says the saw is ready, asks a question, quotes a new price or refuses.',
  }),
  sentTo: requiredText(200, 'The telephone or e-mail the note goes to'),
  body: requiredText(2000, 'The note'),
});
export type NewMessage = z.infer<typeof newMessage>;

const kept = newMessage.extend({
  id: z.int(),
  state: z.enum(['waiting', 'sent', 'overtaken']),
  by: z.string(),
  at: z.string(),
  sentAt: z.string().nullable(),
});
export const message = kept.readonly();
export type Message = z.infer<typeof message>;
/** A note in the outbox, with whose ticket it belongs to. */
export const outboxMessage = kept.extend({ ticketId: z.int(), number: z.int(), customer: z.string() }).readonly();
export type OutboxMessage = z.infer<typeof outboxMessage>;

/** A label as it came out of the printer. */
export const printedLabel = z
  .object({
    id: z.int(),
    ticketId: z.int(),
    number: z.int(),
    drawing: z.string(),
    by: z.string(),
    at: z.string(),
  })
  .readonly();
export type PrintedLabel = z.infer<typeof printedLabel>;
export const labelPrinter = z.object({ labelsLeft: z.int(), printed: z.array(printedLabel).readonly() }).readonly();
export type LabelPrinter = z.infer<typeof labelPrinter>;
export const labelWanted = z.object({
  tickets: z.array(recordId).min(1, 'Say which tickets.').max(50, 'Fifty labels at most at once.'),
});
