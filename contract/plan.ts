import * as z from 'zod';
import { HOWS } from '@odontis/core/work/place-keeping';
import { PULL_FILINGS } from '@odontis/core/pull/pull-tooth';
import { RAKER_TIPS } from '@odontis/core/raker/raker-plan';
import { bandWish } from '@odontis/core/work/families/band/inputs';
import { bladeWish } from '@odontis/core/work/families/circular/inputs';
import { dadoWish } from '@odontis/core/work/families/dado/inputs';
import { workOrder } from '@odontis/core/work/order';
import { WAYS } from '@odontis/core/work/ways';
import { RESULTS } from '@odontis/core/work/deeds';
import { LINE_CHOICES, SET_CHOICES } from '@odontis/core/work/tooth-line/inputs';
import { bounded, text, version } from './fields';

/** Why it was chosen, in the technician's words; left out or empty where nobody said. */
const why = text(500, 'The reason').nullish();

/** What the technician chose; the server works the order out again from it. */
export const linePlanChoice = z.object({
  /** The ticket's version that was planned on. */
  version,
  depthMm: bounded(0, 20, 'The joint depth', 'mm'),
  line: z.enum(LINE_CHOICES),
  rakeDeg: bounded(-45, 15, 'Rake', 'degrees'),
  fleamDeg: bounded(0, 45, 'Fleam', 'degrees'),
  /** To the filing the owner wished, where that is another than it has. */
  convert: z.boolean({ error: 'Say whether it is converted.' }),
  /** What was measured in part stands for the rest of the line. */
  sample: z.boolean({ error: 'Say whether the measured teeth stand for the rest.' }),
  /** New teeth cut at this pitch; left out or null to keep those it has. */
  retoothMm: bounded(0.5, 60, 'The pitch of the new teeth', 'mm').nullish(),
  /** Of a line of cutters: its crown, null as the teeth lie; rakers below them and their tips, null as the shop has them. */
  breastMm: bounded(0, 150, 'The breast', 'mm').nullish(),
  rakerMm: bounded(0.02, 2, 'The depth of the rakers', 'mm').nullish(),
  rakerTip: z.enum(RAKER_TIPS).nullish(),
  /** Of a pull saw; null by its history, the shop's table, and as advised. */
  pullFiling: z.enum(PULL_FILINGS).nullish(),
  backDeg: bounded(5, 60, 'The back', 'degrees').nullish(),
  topDeg: bounded(0, 60, 'The top bevel', 'degrees').nullish(),
  besideMm: bounded(0, 20, 'The depth of the other edge', 'mm').nullish(),
  /** What is done about the set, and this saw's own; left out or null as it is due, by the table. */
  set: z.enum(SET_CHOICES).nullish(),
  setMm: bounded(0.01, 3, 'The set a side', 'mm').nullish(),
  /** Files the Store had corners free of when it was worked out, by name; left out where it knew none. */
  files: z.array(text(60, 'The file')).max(500, 'At most 500 files.').optional(),
  why,
});
export type LinePlanChoice = z.infer<typeof linePlanChoice>;

/** The same of a saw whose teeth go round. */
export const roundPlanChoice = z.object({
  version,
  round: z.discriminatedUnion('family', [bandWish, bladeWish, dadoWish]),
  why,
});
export type RoundPlanChoice = z.infer<typeof roundPlanChoice>;

export type PlanChoice = LinePlanChoice | RoundPlanChoice;
/** Which of the two a request is; its faults are then told as of that one. */
export const isRoundChoice = (body: unknown): boolean => typeof body === 'object' && body !== null && 'round' in body;

/** An order as accepted: never changed again, with everything it was worked out from. */
export const acceptedPlan = z
  .object({
    id: z.int(),
    number: z.int(),
    acceptedBy: z.string(),
    acceptedAt: z.string(),
    order: workOrder,
    /** Which of the ways it is, and which was the least whose cut would do; null where it lies between, or nobody reckoned. */
    way: z.enum(WAYS).nullable(),
    least: z.enum(WAYS).nullable(),
    why: z.string(),
    /** Indices of the stops that are done, and of those that were skipped, with why. */
    done: z.array(z.int()).readonly(),
    skipped: z
      .array(z.object({ stop: z.int(), reason: z.string() }).readonly())
      .readonly()
      .default([]),
    /** Of what was done to the whole saw: whether it came out, and the minutes it really took; null where nobody said. */
    results: z
      .array(z.object({ stop: z.int(), result: z.enum(RESULTS).nullable(), minutes: z.number().nullable() }).readonly())
      .readonly()
      .default([]),
    /** Where somebody stopped for the day, and with what was left to say; and from where on another file was used. */
    stopped: z
      .array(z.object({ stop: z.int(), note: z.string(), by: z.string(), at: z.string() }).readonly())
      .readonly()
      .default([]),
    files: z
      .array(z.object({ stop: z.int(), name: z.string(), by: z.string() }).readonly())
      .readonly()
      .default([]),
    /** How many of them came to be done how. */
    how: z.partialRecord(z.enum(HOWS), z.int()).readonly().default({}),
    /** The longest time away from the vise in the middle of the work, where one stands out. */
    pause: z.object({ afterStop: z.int(), minutes: z.number() }).readonly().nullable(),
  })
  .readonly();
export type AcceptedPlan = z.infer<typeof acceptedPlan>;
