import * as z from 'zod';
import { LESSONS } from '@odontis/core/learn/learned';

/** What the shop learned of one thing, as the shop book tells it. Lengths mm, moments ISO. */
export const lesson = z.object({
  id: z.enum(LESSONS),
  pairs: z.int(),
  table: z.number(),
  fitted: z.object({ value: z.number(), error: z.number() }).nullable(),
  tableOff: z.number().nullable(),
  fitOff: z.number().nullable(),
  better: z.boolean(),
  since: z.string().nullable(),
  /** The latest pairs of foretold and found, for the picture. */
  latest: z.array(z.object({ foretold: z.number(), found: z.number() })).readonly(),
});
export type Lesson = z.infer<typeof lesson>;
export const learning = z.object({ lessons: z.array(lesson).readonly() });
export type Learning = z.infer<typeof learning>;
