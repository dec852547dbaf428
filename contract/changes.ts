import * as z from 'zod';

/** What is written down of who changed what: what opens the door, what things cost, what went away or out. */
export const CHANGE_KINDS = [
  'person-added',
  'person-changed',
  'password-set',
  'code-set',
  'device-trusted',
  'device-ended',
  'book-changed',
  'customer-forgotten',
  'customers-merged',
  'photograph-removed',
  'readings-corrected',
  'exported',
  'copy-made',
] as const;
export const changeKind = z.enum(CHANGE_KINDS);
export type ChangeKind = z.infer<typeof changeKind>;

/** A line of the log; what it is about is told by number, so that a forgotten customer stands in none. */
export const change = z.object({
  id: z.int(),
  at: z.string(),
  kind: changeKind,
  by: z.string().nullable(),
  device: z.string().nullable(),
  /** Such as "person 3" or "customer 12". */
  about: z.string(),
  before: z.unknown(),
  after: z.unknown(),
});
export type Change = z.infer<typeof change>;

/** The newest first, so many at once. */
export const changesPage = z.object({ changes: change.array(), more: z.boolean() });
export type ChangesPage = z.infer<typeof changesPage>;
