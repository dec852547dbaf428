import * as z from 'zod';
import { PULL_FILINGS } from '../pull/pull-tooth';
import { RAKER_TIPS } from '../raker/raker-plan';
import { reason } from '../reason/reason-shape';
import { family } from '../saw/saw';
import { bandOrdered } from './families/band/inputs';
import { bladeOrdered } from './families/circular/inputs';
import { dadoOrdered } from './families/dado/inputs';
import { pace } from './shop-pace';
import { lineInputs } from './tooth-line/inputs';
import { step } from './step';

/** The form orders are written in today; `readOrder` reads every older one. */
export const ORDER_VERSION = 1;

/** What is done with the saw, in one word. */
export const WORKS = ['sharpen', 'tune', 'convert', 'retooth', 'by-hand', 'top-bevels'] as const;

/** Where one tooth's tip should end, mm. */
export const target = z.object({ tooth: z.int().min(1), xMm: z.number(), yMm: z.number() }).readonly();

/** What the technician chose of what the study offered. */
export const lineChoice = z
  .object({
    depthMm: z.number().min(0),
    /** File it to what the owner wished, where that is another filing. */
    convert: z.boolean(),
    /** A line measured in part stands for the rest of the saw. */
    sample: z.boolean(),
    /** New teeth at this pitch, mm; left out where the teeth stay. */
    retoothMm: z.number().optional(),
  })
  .readonly();
export type LineOrderChoice = z.infer<typeof lineChoice>;

/** A tooth's two flanks as filed: the joint's base of a pitch is `spread` times the height. */
const tooth = z
  .object({
    faceDeg: z.number(),
    backDeg: z.number(),
    tanFace: z.number(),
    tanBack: z.number(),
    spread: z.number(),
  })
  .readonly();
const sharpenings = z.object({ likely: z.number(), least: z.number(), most: z.number() }).readonly();

/** What the saw will be when the order is done. */
export const forecast = z
  .object({
    cut: z.object({ reachedShare: z.number(), worstSpacingMm: z.number(), metalMm3: z.number(), kerfMm: z.number() }),
    set: z.object({ perSideMm: z.number(), reset: z.boolean() }),
    /** Ordinary sharpenings: what this costs and what is left, as far apart as they are known. */
    life: z.object({ spent: sharpenings, left: sharpenings }),
    tooth: z.object({
      filed: tooth,
      heightMm: z.number(),
      pitchMm: z.number(),
      /** Turn of the file about its own axis that gives the rake. */
      rollDeg: z.number(),
    }),
    line: z.object({
      alphaMm: z.number(),
      beta: z.number(),
      /** Its crown; left out where it is straight. */
      breast: z.object({ sagittaMm: z.number(), middleMm: z.number(), chordMm: z.number() }).readonly().optional(),
    }),
    /** Of a saw of cutters and rakers: what the rakers come to. */
    rakers: z
      .object({
        wantedMm: z.number(),
        tip: z.enum(RAKER_TIPS),
        /** Left as they are, the lowest first, by how much too low. */
        tooLow: z.array(z.object({ tooth: z.int(), byMm: z.number() }).readonly()).readonly(),
        /** The last at either end, which hardly cut. */
        endRakers: z.array(z.int()).readonly(),
        /** Nobody measured them: filed to the gauge, not by a number. */
        unread: z.array(z.int()).readonly(),
      })
      .readonly()
      .optional(),
    /** Of a pull saw: which filing this is, the tooth's height before it over a new one's, full filings left. */
    pull: z
      .object({ filing: z.enum(PULL_FILINGS), heightShare: z.number(), fullLeft: z.int() })
      .readonly()
      .optional(),
    file: z.object({ id: z.string(), name: z.string() }),
    /** Filings this set lasts, fewest and most. */
    filingsTheSetLasts: z.tuple([z.number(), z.number()]).readonly(),
  })
  .readonly();
export type Forecast = z.infer<typeof forecast>;

/** The other edge of a two-edged saw, worked under the same order. */
export const besideLine = z
  .object({ inputs: lineInputs, depthMm: z.number().min(0), targets: z.array(target).readonly(), forecast })
  .readonly();
export type BesideLine = z.infer<typeof besideLine>;

/** What an order of a band, a blade or a set was worked out from, and what it comes to. */
export const roundOrdered = z.discriminatedUnion('family', [bandOrdered, bladeOrdered, dadoOrdered]);
export type RoundOrdered = z.infer<typeof roundOrdered>;

/**
 * What is to be done to one saw, whatever its family: what it was worked out from, what was
 * chosen, the steps in bench order, and what they come to. Once accepted it never changes;
 * bench, check, papers and statistics read it and no family. Lengths mm, times minutes.
 */
export const workOrder = z
  .object({
    version: z.literal(ORDER_VERSION),
    family,
    work: z.enum(WORKS),
    /** Null of a saw worked by hand: nothing was measured that an order could come from. */
    inputs: lineInputs.nullable(),
    choice: lineChoice.nullable(),
    steps: z.array(step).readonly(),
    targets: z.array(target).readonly(),
    forecast: forecast.nullable(),
    /** Of a saw whose teeth go round, its own inputs and forecast; left out of any other. */
    round: roundOrdered.optional(),
    /** Left out where there is one line of teeth, or only one is worked. */
    beside: besideLine.optional(),
    minutes: z.number().min(0),
    /** The shop's own pace that every step's minutes are reckoned at; left out where they are the tables'. */
    pace: pace.optional(),
    /** One standard error of the minutes, where a sample stands for part of the saw. */
    minutesError: z.number().min(0),
    strokes: z.int().min(0),
    price: z.object({ amount: z.number(), currency: z.string(), reason }).nullable(),
    reasons: z.array(reason).readonly(),
  })
  .readonly();
export type WorkOrder = z.infer<typeof workOrder>;
/** An order worked out from a measured line. */
export type LineOrder = WorkOrder & {
  readonly inputs: NonNullable<WorkOrder['inputs']>;
  readonly choice: NonNullable<WorkOrder['choice']>;
  readonly forecast: Forecast;
};
export const isLineOrder = (order: WorkOrder): order is LineOrder => order.forecast !== null && order.inputs !== null;
