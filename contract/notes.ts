import { z } from 'zod';
import { recordId, requiredText, text } from './fields';

/** A photograph beside a ticket; its bytes come from its own address. */
export interface Photograph {
  readonly id: number;
  readonly caption: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly by: string;
  readonly at: string;
}
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

export const MESSAGE_KINDS = ['ready', 'question', 'refusal'] as const;
export type MessageKind = (typeof MESSAGE_KINDS)[number];
/** A note to the customer. */
export const newMessage = z.object({
  kind: z.enum(MESSAGE_KINDS, { error: 'A note says the saw is ready, asks a question or refuses.' }),
  sentTo: requiredText(200, 'The telephone or e-mail the note goes to'),
  body: requiredText(2000, 'The note'),
});
export type NewMessage = z.infer<typeof newMessage>;

export interface Message extends NewMessage {
  readonly id: number;
  readonly state: 'waiting' | 'sent';
  readonly by: string;
  readonly at: string;
  readonly sentAt: string | null;
}
/** A note in the outbox, with whose ticket it belongs to. */
export interface OutboxMessage extends Message {
  readonly ticketId: number;
  readonly number: number;
  readonly customer: string;
}

/** A label as it came out of the printer. */
export interface PrintedLabel {
  readonly id: number;
  readonly ticketId: number;
  readonly number: number;
  readonly drawing: string;
  readonly by: string;
  readonly at: string;
}
export interface LabelPrinter {
  readonly labelsLeft: number;
  readonly printed: readonly PrintedLabel[];
}
export const labelWanted = z.object({
  tickets: z.array(recordId).min(1, 'Say which tickets.').max(50, 'Fifty labels at most at once.'),
});
