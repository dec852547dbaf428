import * as z from 'zod';
import type { Judgement } from '../../../judgement/books';
import { preparedSteps } from '../../preparing';
import { WOODS } from '../../../saw/families';
import { PLATE_MARKS } from '../../../saw/plate-marks';
import { BAND_SETS } from '../../../saw/saw';
import { markGrades, setOfSides } from '../../measured-shapes';
import { workHabits } from '../../habits';

/** What a person chooses of a band before the order; null by the shop's rules and habits. */
export const bandWish = z
  .object({
    family: z.literal('band'),
    /** Set anew or left. */
    set: z.enum(['renew', 'leave']).nullable(),
    /** This saw's own set a side, in place of the table's; null or left out by the table. mm. */
    setMm: z.number().min(0.01).max(3).nullish(),
    /** Jointed lightly, or not at all. */
    joint: z.boolean().nullable(),
    strokes: z.int().min(1).max(20).nullable(),
  })
  .readonly();
export type BandWish = z.infer<typeof bandWish>;

/** Everything a band's order is worked out from. Lengths mm, angles degrees. */
export const bandInputs = z
  .object({
    saw: z
      .object({
        lengthMm: z.number(),
        widthMm: z.number(),
        plateThicknessMm: z.number(),
        set: z.enum(BAND_SETS),
        wood: z.enum(WOODS),
      })
      .readonly(),
    teeth: z.int().min(2),
    /** Counted, and not only reckoned from length and pitch. */
    counted: z.boolean(),
    /** Both sides as sampled, the weld's own place left out; null where nobody read any. */
    set: setOfSides.nullable(),
    /** Heights under the straight edge as sampled; null where nobody read any. */
    heights: z
      .object({
        count: z.int(),
        spreadMm: z.number(),
        /** Too short to be jointed to: tooth and how far under the rest. */
        short: z.array(z.object({ tooth: z.int(), byMm: z.number() }).readonly()).readonly(),
      })
      .readonly()
      .nullable(),
    /** Mean depth of the gullets as measured; null where none was. */
    gulletMm: z.number().nullable(),
    jawMm: z.number(),
    filingsSinceSet: z.number().nullable(),
    marks: z.array(z.enum(PLATE_MARKS)).readonly(),
    /** How far of each; left out by orders of before, and where nobody said. */
    grades: markGrades.optional(),
    /** Steps that were done before it was measured; left out where none was. */
    prepared: preparedSteps.optional(),
    keys: z.array(z.string()).readonly(),
    habits: workHabits,
    wish: bandWish,
    /** Where the shop judges otherwise than the trade's books. */
    judgement: z.custom<Judgement>().optional(),
  })
  .readonly();
export type BandInputs = z.infer<typeof bandInputs>;

/** What the band will be when the order is done. */
export const bandForecast = z
  .object({
    teeth: z.int(),
    windows: z.int(),
    /** Teeth of a whole window. */
    each: z.int(),
    set: z.object({ perSideMm: z.number(), reset: z.boolean() }).readonly(),
    jointed: z.boolean(),
    kerfMm: z.number(),
    /** How the pattern of set is put right at the weld; empty where the count fits. */
    atWeld: z.string(),
    filingsTheSetLasts: z.tuple([z.number(), z.number()]).readonly(),
  })
  .readonly();

/** A band's own part of an order. */
export const bandOrdered = z
  .object({ family: z.literal('band'), inputs: bandInputs, forecast: bandForecast })
  .readonly();
export type BandOrdered = z.infer<typeof bandOrdered>;
