import * as z from 'zod';
import type { StoreRoom } from '@odontis/core/store/shelf';
import { tool, TOOL_KINDS, toolDeed } from '@odontis/core/store/tool';
import { uuid } from './fields';
import { family } from '@odontis/core/saw/saw';

const inHand = z.object({
  personId: z.int(),
  corner: z.int().min(1),
  sinceMs: z.number(),
  strokes: z.number().min(0),
});
/** The Store as core reckons with it, and what the shop did with its other tools in the last quarter of a year. */
export const storeRoom = z.object({
  until: z.iso.date(),
  tools: z
    .array(
      z.object({
        id: z.int(),
        tool,
        stock: z.object({
          lying: z.int().min(0),
          away: z.boolean(),
          lives: z.array(z.number()).readonly(),
          inHand: z.array(inHand).readonly(),
        }),
      }),
    )
    .readonly(),
  planned: z
    .array(
      z.object({
        ticketId: z.int(),
        ticketNumber: z.int(),
        promisedOn: z.iso.date(),
        name: z.string(),
        strokes: z.number(),
      }),
    )
    .readonly(),
  unplanned: z
    .array(
      z.object({
        family,
        saws: z.int(),
        learnedFrom: z.int(),
        files: z.array(z.object({ name: z.string(), strokesEach: z.number() })).readonly(),
      }),
    )
    .readonly(),
  used: z.array(z.object({ kind: z.enum(TOOL_KINDS), name: z.string(), amount: z.number() })).readonly(),
}) satisfies z.ZodType<StoreRoom>;
export type KeptStoreRoom = z.infer<typeof storeRoom>;

/** Something new in the Store; its key is made on the screen, so that one sent twice is there once. */
export const newTool = z.object({ key: uuid('A tool needs a key of its own.'), tool });
export type NewTool = z.infer<typeof newTool>;
/** What happened to a tool, by its key once. */
export const newToolDeed = z.object({ key: uuid('What happened needs a key of its own.'), deed: toolDeed });
export type NewToolDeed = z.infer<typeof newToolDeed>;
