import * as z from 'zod';
import type { SideSet } from '../evidence/line-statistics';
import type { SetOfSides } from '../evidence/set-of';
import type { StrokeRate } from '../line/strokes';
import { GRADES, PLATE_MARKS } from '../saw/plate-marks';

const side = z
  .object({ count: z.int().min(0), meanMm: z.number(), spreadMm: z.number().nullable() })
  .readonly() satisfies z.ZodType<SideSet>;

/** Means of both sides as last measured, as an order keeps them. mm. */
export const setOfSides = z.object({ left: side, right: side }).readonly() satisfies z.ZodType<SetOfSides>;

/** Metal a stroke takes, as an order keeps it. mm per stroke. */
export const strokeRate = z
  .object({ rateMmPerStroke: z.number(), errorMmPerStroke: z.number(), readings: z.number() })
  .readonly() satisfies z.ZodType<StrokeRate>;

/** How far what was marked on the plate has gone, of the kinds that somebody graded. */
export const markGrades = z.partialRecord(z.enum(PLATE_MARKS), z.enum(GRADES)).readonly();
