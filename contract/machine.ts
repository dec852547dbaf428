import * as z from 'zod';

/** How the shop's computer does, as its owner sees it. */
export const machineState = z.object({
  version: z.string(),
  node: z.string(),
  startedAt: z.string(),
  /** Where the data lie; null where the system does not say. */
  disk: z.object({ freeBytes: z.number(), totalBytes: z.number() }).nullable(),
  databaseBytes: z.number(),
  /** Routes of this server, the slowest on the mean first. */
  slowest: z.array(z.object({ route: z.string(), calls: z.int(), meanMs: z.number(), mostMs: z.number().nullable() })),
});
export type MachineState = z.infer<typeof machineState>;

/** Less room than that is told loudly: a day of photographs and a copy want it. */
export const LITTLE_ROOM_BYTES = 2e9;
