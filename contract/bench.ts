import * as z from 'zod';
import { HOWS } from '@odontis/core/work/place-keeping';
import { moment, uuid } from './fields';
import { stage } from './ticket';

/** One press of a key at the vise. The id is made in the browser, so sending it twice counts once. */
export const benchEvent = z.object({
  id: uuid('A bench event needs an id of its own.'),
  stop: z.number().int().nonnegative(),
  action: z.enum(['done', 'back']),
  at: moment,
  /** How it came to count as done. Left out by screens of before, which knew but one way. */
  how: z.enum(HOWS).default('gullet'),
});
export type BenchEvent = z.infer<typeof benchEvent>;

export const benchEvents = z.object({
  planId: z.number().int().positive(),
  events: z.array(benchEvent).max(5000, 'At most 5,000 events at a time.'),
});
export type BenchEvents = z.infer<typeof benchEvents>;

export const benchState = z.object({
  planId: z.number().int(),
  done: z.array(z.number().int()),
  stage,
  /** The ticket's version as it now is. */
  version: z.number().int(),
});
export type BenchState = z.infer<typeof benchState>;
