import * as z from 'zod';

/** What a shop learns of its own saws, hands and tools, in the place of a table. */
export const LESSONS = ['drift', 'hop', 'set-wear', 'strokes', 'stone', 'minutes'] as const;
export type LessonId = (typeof LESSONS)[number];

/**
 * What is in force: a number of the shop's own where it foretells better than the table did, null where the table
 * stands. Lengths mm.
 */
export const learned = z
  .object({
    /** How many times further than half its sets' difference a cut leaves its line. */
    driftTimes: z.number().positive().nullable(),
    /** A saw that hops by more than this jumps as often as not. */
    hopMm: z.number().positive().nullable(),
    /** How many times faster than the hinge says a filing takes the set away. */
    wearTimes: z.number().positive().nullable(),
    /** Off a tooth in a stroke, and off a side in a pass of the stone: the shop's, of whoever never measured their own. */
    strokes: z
      .object({ rate: z.number().positive(), error: z.number().min(0), readings: z.int() })
      .readonly()
      .nullable(),
    stone: z
      .object({ rate: z.number().positive(), error: z.number().min(0), readings: z.int() })
      .readonly()
      .nullable(),
    /** Minutes taken over minutes reckoned. */
    minutes: z
      .object({ factor: z.number().positive(), error: z.number().min(0), saws: z.int() })
      .readonly()
      .nullable(),
  })
  .readonly();
export type Learned = z.infer<typeof learned>;

export const NOTHING_LEARNED: Learned = {
  ...{ driftTimes: null, hopMm: null, wearTimes: null },
  ...{ strokes: null, stone: null, minutes: null },
};
