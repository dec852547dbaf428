import * as z from 'zod';
import { HOWS } from '@odontis/core/work/place-keeping';
import { RESULTS } from '@odontis/core/work/deeds';
import { bounded, moment, text, uuid } from './fields';
import { stage } from './ticket';

/** One press of a key at the vise. The id is made in the browser, so sending it twice counts once. */
export const benchEvent = z.object({
  id: uuid('A bench event needs an id of its own.'),
  stop: z.number().int().nonnegative(),
  /** Done, taken back, left out; or nothing of it: stopped for the day there, or gone on from there with another file. */
  action: z.enum(['done', 'back', 'skipped', 'stopped', 'file']),
  at: moment,
  /** How it came to count as done. Left out by screens of before, which knew but one way. */
  how: z.enum(HOWS).default('gullet'),
  /** Why it was skipped, what is left to be said of stopping, or which file it goes on with. */
  reason: text(300, 'The reason').optional(),
  /** Of work on the whole saw: whether it came out, and the minutes it really took. */
  result: z.enum(RESULTS, { error: 'It came out, or it did not.' }).optional(),
  minutes: bounded(0, 10_000, 'The minutes it took', 'minutes').optional(),
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
  skipped: z.array(z.number().int()).default([]),
  stage,
  /** The ticket's version as it now is. */
  version: z.number().int(),
});
export type BenchState = z.infer<typeof benchState>;
