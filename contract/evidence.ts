import * as z from 'zod';
import { MOST_READINGS, reading } from '@odontis/core/evidence/reading';
import type { Session } from '@odontis/core/evidence/session';
import { sessionHead } from '@odontis/core/evidence/session';
import { sentReadings } from './evidence-rows';
import { text, version } from './fields';

/** How far a screen had seen the record when it took its readings: the number of the last reading it knew. */
export const seen = z.number({ error: 'What was seen last is missing.' }).int().nonnegative();

/**
 * Readings as they are sent. Each goes with its session's key, so that a session begun away
 * from the server is begun there by whatever arrives first, and nothing sent twice counts twice.
 */
const sent = <S extends z.ZodType>(one: S) =>
  z.object({
    session: sessionHead.pick({ key: true, kind: true }),
    seen,
    /** Why, where they correct what a closed session holds. */
    why: text(300, 'Why').optional(),
    readings: z
      .array(one)
      .min(1, 'There is no reading.')
      .max(MOST_READINGS, `At most ${MOST_READINGS} readings are sent at once.`),
  });
export const newEvidence = sent(reading);
export type NewEvidence = z.infer<typeof newEvidence>;
/** The same with its readings not looked at: a long line's are read some at a time. */
export const newEvidenceUnread = sent(z.unknown());

/** A session as it is answered: its readings in rows, what is alike in them once. */
export const sentSession = sessionHead.extend({ readings: sentReadings });

/** Readings waiting to be sent, as a browser keeps them. */
export const waitingEvidence = newEvidence
  .omit({ seen: true, why: true })
  // In whose sitting they were taken; of one that nobody wrote down, in whoever's they are sent.
  .extend({ sitting: z.uuid().nullable().default(null) })
  .array();

/**
 * What came of them: every session as it stands with the readings taken since this screen
 * last saw the record, its own and those of others, and how far the record has come.
 */
export const evidenceKept: z.ZodType<EvidenceKept> = z.object({ sessions: z.array(sentSession), seen });
export interface EvidenceKept {
  readonly sessions: readonly Session[];
  readonly seen: number;
}

export const sessionDone = z.object({ note: text(1000, 'The note') });
/** The line is measured: on to the plan. */
export const lineMeasured = z.object({ version });
