import * as z from 'zod';

/** Older than this the last copy is too old: a night was missed. Hours. */
export const COPY_TOO_OLD_H = 26;

/** Copies kept where the shop book says nothing: two weeks of nights. */
export const USUAL_COPIES_KEPT = 14;

/** How the shop's copies stand; `kept` null where this server makes none. */
export const copiesState = z
  .object({
    folder: z.string(),
    /** How many lie there. */
    count: z.int(),
    newest: z.object({ madeAt: z.string(), bytes: z.int(), encrypted: z.boolean() }).readonly().nullable(),
    kept: z.int().nullable(),
  })
  .readonly();
export type CopiesState = z.infer<typeof copiesState>;
