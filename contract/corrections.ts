import * as z from 'zod';
import { requiredText, uuid, version } from './fields';
import { newSaw } from './saw';

/** A saw's own data put right, at any stage while it is in the shop. */
export const newSawCorrection = z.object({
  /** Made on the screen: sent twice, it was put right once. */
  key: uuid('What is put right needs a key of its own.'),
  version,
  saw: newSaw,
  why: requiredText(300, 'Why'),
});
export type NewSawCorrection = z.infer<typeof newSawCorrection>;
/** As a page says it; its key is made where it is sent. */
export type SawCorrectionSaid = Omit<NewSawCorrection, 'key'>;

/** What was put right of a saw: its data as they were and as they are, those alone that changed. */
export const sawCorrection = z
  .object({
    id: z.int(),
    before: z.record(z.string(), z.unknown()),
    after: z.record(z.string(), z.unknown()),
    why: z.string(),
    by: z.string(),
    at: z.string(),
    /** On which visit: the ticket's number. */
    ticket: z.int(),
  })
  .readonly();
export type SawCorrection = z.infer<typeof sawCorrection>;

/** Why a reading was corrected or taken out after its session was closed, by the correcting reading's key. */
export const readingReason = z.object({ key: z.string(), why: z.string() }).readonly();
export type ReadingReason = z.infer<typeof readingReason>;
