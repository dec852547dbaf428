import * as z from 'zod';
import { text, uuid } from '../units/fields';
import type { KeptReading, Reading } from './reading';
import { keptReading } from './reading';

/** As the saw came in, or after the work. */
export const SESSION_KINDS = ['before', 'after'] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];

/** A session of measuring: who, when, before or after the work. Its key is made where it begins. */
export const sessionHead = z.object({
  key: uuid('A session has a key of its own.'),
  kind: z.enum(SESSION_KINDS, { error: 'A session is before or after the work.' }),
  by: z.string(),
  startedAt: z.string(),
  /** Null while it goes on. */
  finishedAt: z.string().nullable(),
  note: text(1000, 'The note'),
});
export type SessionHead = z.infer<typeof sessionHead>;

/** A session with every reading of it, in the order taken. */
export const session = sessionHead.extend({ readings: z.array(keptReading) });
export interface Session extends SessionHead {
  readonly readings: readonly KeptReading[];
}

/** Readings of one session as a view looks at them, sent or not yet. */
export interface SessionReadings {
  readonly key: string;
  readonly kind: SessionKind;
  readonly readings: readonly Reading[];
}

/**
 * All that was ever read of a saw on one ticket: sessions in the order they were begun, each
 * with its readings in the order taken. Only ever added to. Everything said of the saw as
 * measured is a view of it.
 */
export type Evidence = readonly SessionReadings[];
