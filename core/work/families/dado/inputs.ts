import * as z from 'zod';
import { preparedSteps } from '../../preparing';
import { SPREAD_VERDICTS } from '../../../circular/equalise';
import { PLATE_MARKS } from '../../../saw/plate-marks';
import { setPart } from '../../../saw/saw';
import { markGrades, strokeRate } from '../../measured-shapes';
import { workHabits } from '../../habits';

/** What a person chooses of a set; null by what was read. */
export const dadoWish = z
  .object({
    family: z.literal('dado'),
    /** The groove its owner wants cut, mm; null where nobody said. */
    wantedMm: z.number().min(1).max(60).nullable(),
    /** How far the highest tooth of the outer blades, and of the chippers, is brought down, mm. Left out by orders of before. */
    outersDownMm: z.number().min(0).max(20).nullable().default(null),
    chippersDownMm: z.number().min(0).max(20).nullable().default(null),
  })
  .readonly();
export type DadoWish = z.infer<typeof dadoWish>;

const read = z.object({ tooth: z.int().min(1), offMm: z.number() }).readonly();

/** Everything a set's order is worked out from. Lengths mm, heights on one dial for all parts. */
export const dadoInputs = z
  .object({
    diameterMm: z.number(),
    markedLimitRpm: z.number().nullable(),
    parts: z.array(setPart.readonly()).readonly(),
    /** By dial, of every part in its order; none of a shim, or where nobody read it. */
    heights: z.array(z.array(read).readonly()).readonly(),
    /** What is marked of every part, in its order. */
    marks: z.array(z.array(z.enum(PLATE_MARKS)).readonly()).readonly(),
    /** How far of each; left out by orders of before, and where nobody said. */
    grades: markGrades.optional(),
    /** Steps that were done before it was measured; left out where none was. */
    prepared: preparedSteps.optional(),
    keys: z.array(z.string()).readonly(),
    strokeRate,
    habits: workHabits,
    wish: dadoWish,
  })
  .readonly();
export type DadoInputs = z.infer<typeof dadoInputs>;

const piece = z
  .object({ fromMm: z.number(), toMm: z.number(), heightMm: z.number().nullable(), part: z.string().nullable() })
  .readonly();
const stack = z.object({ parts: z.array(z.string()).readonly(), widthMm: z.number(), uncutMm: z.number() }).readonly();

/** What the set will be when the order is done. */
export const dadoForecast = z
  .object({
    /** Height the outer blades are jointed to, and the chippers under it, on the dial; null where they were not read. */
    scorersAtMm: z.number().nullable(),
    chippersAtMm: z.number().nullable(),
    spreadBeforeMm: z.number().nullable(),
    spreadAfterMm: z.number().nullable(),
    /** How the spread is judged now and foretold. */
    verdictBefore: z.enum(SPREAD_VERDICTS).nullable(),
    verdictAfter: z.enum(SPREAD_VERDICTS).nullable(),
    /** Parts whose teeth all stand far off the others of their kind: of another set. */
    strangers: z
      .array(z.object({ part: z.string(), byMm: z.number() }).readonly())
      .readonly()
      .default([]),
    /** Chippers out of use: marked, neither worked nor stacked. */
    leftOut: z.array(z.string()).readonly(),
    /** Teeth left short: part and tooth. */
    leftShort: z.array(z.object({ part: z.string(), tooth: z.int() }).readonly()).readonly(),
    /** The floor it cuts now and when done, every part on the arbor. */
    floorBefore: z.array(piece).readonly(),
    floorAfter: z.array(piece).readonly(),
    /** The stack for the wanted groove, the nearest first; every part where none was wanted. */
    stacks: z.array(stack).readonly(),
    /** How far each chipper is turned on the arbor, degrees from tooth 1 of the first outer blade. */
    turnedDeg: z.array(z.object({ part: z.string(), deg: z.number() }).readonly()).readonly(),
    set: z.object({ perSideMm: z.number(), reset: z.boolean() }).readonly(),
    kerfMm: z.number(),
    refused: z.string().optional(),
  })
  .readonly();

/** A set's own part of an order. */
export const dadoOrdered = z
  .object({ family: z.literal('dado'), inputs: dadoInputs, forecast: dadoForecast })
  .readonly();
export type DadoOrdered = z.infer<typeof dadoOrdered>;
