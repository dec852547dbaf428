import * as z from 'zod';
import { preparedSteps } from '../../preparing';
import { DIAL_KINDS } from '../../../circular/dial-harmonics';
import type { Judgement } from '../../../judgement/books';
import { ALL_FILINGS, WOODS } from '../../../saw/families';
import { PLATE_MARKS } from '../../../saw/plate-marks';
import { TIPS } from '../../../saw/saw';
import { markGrades, setOfSides, strokeRate } from '../../measured-shapes';
import { workHabits } from '../../habits';

const dial = z.object({ tooth: z.int().min(1), offMm: z.number(), kind: z.enum(DIAL_KINDS) }).readonly();

/** What a file says of a tooth that looks burnt, beside a sound one. */
export const FILE_TESTS = ['alike', 'softer', 'harder'] as const;

/** What a person chooses of a blade before the order; null by what was read, the shop's rules and habits. */
export const bladeWish = z
  .object({
    family: z.literal('circular'),
    /** How far the highest scoring tooth is jointed down, mm. */
    depthMm: z.number().min(0).max(20).nullable(),
    set: z.enum(['renew', 'leave']).nullable(),
    /** This saw's own set a side, in place of the table's; null or left out by the table. mm. */
    setMm: z.number().min(0.01).max(3).nullish(),
    /** A tooth that looks burnt, tried with a file. */
    burnt: z.enum(FILE_TESTS).nullable(),
    /** Of a carbide-tipped blade: what the grinder is asked for. */
    asked: z.string().max(500),
  })
  .readonly();
export type BladeWish = z.infer<typeof bladeWish>;

/** Everything a blade's order is worked out from. Lengths mm, angles degrees. */
export const bladeInputs = z
  .object({
    saw: z
      .object({
        diameterMm: z.number(),
        plateThicknessMm: z.number(),
        filing: z.enum(ALL_FILINGS),
        tipped: z.enum(TIPS),
        markedLimitRpm: z.number().nullable(),
        wood: z.enum(WOODS),
      })
      .readonly(),
    teeth: z.int().min(2),
    /** Read round the rim, and again with the blade turned half round on its arbor. */
    dial: z.array(dial).readonly(),
    again: z.array(dial).readonly(),
    /** Teeth that plane, by the pattern that was told; none where none was. */
    rakers: z.array(z.int()).readonly(),
    /** How far it was turned between the two, degrees. */
    turnedDeg: z.number(),
    hookDeg: z.number().nullable(),
    bevelDeg: z.number().nullable(),
    gulletMm: z.number().nullable(),
    set: setOfSides.nullable(),
    filingsSinceSet: z.number().nullable(),
    marks: z.array(z.enum(PLATE_MARKS)).readonly(),
    /** How far of each; left out by orders of before, and where nobody said. */
    grades: markGrades.optional(),
    /** Steps that were done before it was measured; left out where none was. */
    prepared: preparedSteps.optional(),
    keys: z.array(z.string()).readonly(),
    strokeRate,
    habits: workHabits,
    wish: bladeWish,
    judgement: z.custom<Judgement>().optional(),
  })
  .readonly();
export type BladeInputs = z.infer<typeof bladeInputs>;

/** What the blade will be when the order is done. */
export const bladeForecast = z
  .object({
    teeth: z.int(),
    /** Jointed so far from the highest scoring tooth, 0 where it was not read; and what that reaches. */
    jointMm: z.number(),
    reachedShare: z.number(),
    metalMm3: z.number(),
    diameterMm: z.number(),
    spreadBeforeMm: z.number().nullable(),
    spreadAfterMm: z.number().nullable(),
    leftShort: z.array(z.int()).readonly(),
    rakers: z.int(),
    rakersTooLow: z.array(z.int()).readonly(),
    set: z.object({ perSideMm: z.number(), reset: z.boolean() }).readonly(),
    kerfMm: z.number(),
    filingsTheSetLasts: z.tuple([z.number(), z.number()]).readonly(),
    /** How far off its centre: the blade's own, and the arbor's where it was read twice. */
    bladeMm: z.number().nullable(),
    arborMm: z.number().nullable(),
    /** Why it is not worked here; left out where it is. */
    refused: z.string().optional(),
  })
  .readonly();

/** A blade's own part of an order. */
export const bladeOrdered = z
  .object({ family: z.literal('circular'), inputs: bladeInputs, forecast: bladeForecast })
  .readonly();
export type BladeOrdered = z.infer<typeof bladeOrdered>;
