import * as z from 'zod';
import { preparedSteps } from '../preparing';
import { LEANS, TOOTH_KINDS } from '../../evidence/tooth-reading';
import type { Judgement } from '../../judgement/books';
import { PULL_FILINGS } from '../../pull/pull-tooth';
import { RAKER_TIPS } from '../../raker/raker-plan';
import type { LineFamily } from '../../saw/families';
import { FILINGS, LINE_FAMILIES, WOODS } from '../../saw/families';
import { UNCALIBRATED_STROKES } from '../../line/strokes';
import type { SawOf } from '../../saw/saw';
import { CROSSCUT_KINDS, toeZone } from '../../saw/saw';
import { PLATE_MARKS } from '../../saw/plate-marks';
import { DEFAULT_HABITS, workHabits } from '../habits';
import { markGrades, strokeRate } from '../measured-shapes';

/** Set anew, what is there evened out with the stone, or left as it is. */
export const SET_CHOICES = ['renew', 'dress', 'leave'] as const;
export type SetChosen = (typeof SET_CHOICES)[number];

export const LINE_CHOICES = ['free', 'level'] as const;
/** The joint line's slope: with the tips' own fall, or level with the straight edge. */
export type LineChoice = (typeof LINE_CHOICES)[number];

const anglePair = z.object({ rakeDeg: z.number(), fleamDeg: z.number() }).readonly();

/** The saw as the study needs it. Lengths mm. */
export const lineSaw = z
  .object({
    family: z.enum(LINE_FAMILIES),
    /** As it will be filed. */
    filing: z.enum(FILINGS),
    wood: z.enum(WOODS),
    plateThicknessMm: z.number().positive(),
    /** Plate under the back or handle at its narrowest. */
    plateDepthMm: z.number(),
    pitchMm: z.number().positive(),
    /** Teeth by the ticket's length and pitch; left out where only readings were given. */
    teeth: z.int().optional(),
    /** Teeth at the toe unlike the rest. */
    toeZones: z.array(toeZone.readonly()).readonly().optional(),
  })
  .readonly();
export type LineSaw = z.infer<typeof lineSaw>;

const gauged = z.array(z.object({ tooth: z.int(), mm: z.number() }).readonly()).readonly();

/** Cutters pointed one by one, and the rakers between them where there are any. Lengths mm. */
const cuttersAndRakers = z
  .object({
    kind: z.enum(CROSSCUT_KINDS),
    /** One repeat in C and R, and how far into it the line begins. */
    pattern: z.string(),
    offset: z.int().min(0),
    /** Rakers that were measured against their cutters; the others are taken to be as deep as the mean of these. */
    read: z.array(z.int()).readonly(),
    /** Tip to tip, of the rakers measured so, and the gullet each has. */
    widths: gauged,
    gullets: gauged,
    tip: z.enum(RAKER_TIPS),
    tipDeg: z.number(),
    /** Wanted under the cutters; null: by the shop's table for the wood. */
    wantedMm: z.number().nullable(),
    /** Crown of the joint line as chosen, 0 straight; null as it was gauged, or as the teeth lie where it was not. */
    breastMm: z.number().min(0).nullable(),
    /** Crown gauged under a straight edge, over the chord of the cutters; null or left out where it was not. */
    gaugedMm: z.number().min(0).nullish(),
    /** The shop's jointer, from shoe to shoe. */
    shoesMm: z.number(),
  })
  .readonly();
export type CuttersAndRakers = z.infer<typeof cuttersAndRakers>;

/** A pull saw's own: its three edges, and what its history and its gullets tell. */
const pullEdges = z
  .object({
    /** Which edge of a two-edged saw; null of one with teeth on one side. */
    edge: z.enum(FILINGS).nullable(),
    backDeg: z.number(),
    topDeg: z.number(),
    /** Filings of the top bevel alone since all three edges were filed. */
    topOnlySince: z.int().min(0),
    /** Mean depth of the gullets as measured, mm; null where none was. */
    gulletMm: z.number().nullable(),
    /** Chosen otherwise than is due; null as it is due. */
    filing: z.enum(PULL_FILINGS).nullable(),
    /** What a new blade costs, in the shop's money; null where nobody said. */
    newBlade: z.number().nullable(),
  })
  .readonly();
export type PullEdges = z.infer<typeof pullEdges>;

/** A tooth as measured; `sample` where its neighbours' measurements stand for it. */
const lineTooth = z
  .object({
    tooth: z.int().min(1),
    xMm: z.number(),
    yMm: z.number(),
    lean: z.enum(LEANS).nullish(),
    setMm: z.number().nullish(),
    kind: z.enum(TOOTH_KINDS),
    note: z.string().nullish(),
    sample: z.boolean().optional(),
  })
  .readonly();

/** Everything an order for a measured tooth line is worked out from; frozen with the order it gave. */
export const lineInputs = z
  .object({
    saw: lineSaw,
    /** As they will be filed. */
    angles: anglePair,
    /** The filing it has, where that is changed; null where it stays. */
    from: z
      .object({ filing: z.enum(FILINGS), angles: anglePair })
      .readonly()
      .nullable(),
    /**
     * New teeth cut into the plate: what was there and how far it comes down, mm. `readings` are then
     * the teeth as they will be set out. Left out where the teeth stay.
     */
    retooth: z
      .object({
        oldPitchMm: z.number(),
        oldTeeth: z.int(),
        oldHeightMm: z.number(),
        lossMm: z.number(),
        phaseMm: z.number(),
        gulletsDeeperMm: z.number(),
      })
      .readonly()
      .optional(),
    readings: z.array(lineTooth).readonly(),
    /** Keys of the readings the line was seen from. */
    keys: z.array(z.string()).readonly(),
    /** Teeth that were measured; the rest of `readings` stands for them. */
    measured: z.int().min(0),
    habits: workHabits,
    strokeRate,
    /** Names of the files the Store had corners free of; left out where it knows none. */
    filesAtHand: z.array(z.string()).readonly().optional(),
    marks: z.array(z.enum(PLATE_MARKS)).readonly(),
    /** How far of each; left out by orders of before, and where nobody said. */
    grades: markGrades.optional(),
    /** Steps that were done before it was measured; left out where none was. */
    prepared: preparedSteps.optional(),
    etch: z.boolean(),
    /** Whether it works the other way of the grain than it is filed for; left out or null where nobody said. */
    worksOtherGrain: z.boolean().nullish(),
    /** Rake as it was measured before the work, degrees; left out or null where it was not. */
    measuredRakeDeg: z.number().nullish(),
    /** How the plate is straightened, and why, as the shop judges it; left out where it is straight. */
    straighten: z.object({ verdict: z.string(), says: z.string() }).readonly().optional(),
    /** Filings since the set was last renewed here; null where no visit says. */
    filingsSinceSet: z.number().nullable(),
    /** What is done about the set, and this saw's own target, mm a side; left out or null as it is due, by the table. */
    setWish: z
      .object({ choice: z.enum(SET_CHOICES).nullable(), mm: z.number().positive().nullable() })
      .readonly()
      .optional(),
    line: z.enum(LINE_CHOICES),
    /** Left out where teeth are filed through their gullets. */
    cutters: cuttersAndRakers.optional(),
    /** Left out of a saw that cuts on the push. */
    pull: pullEdges.optional(),
    /** Where the shop judges otherwise than the trade's books. */
    judgement: z.custom<Judgement>().optional(),
  })
  .readonly();
export type LineInputs = z.infer<typeof lineInputs>;

/** The saw as the study needs it, of the saw as the shop keeps it. `teeth` by its ticket, where it has one. */
export const lineSawOf = (
  saw: SawOf<LineFamily>,
  visit: Pick<LineSaw, 'filing' | 'wood'>,
  teeth?: number,
): LineSaw => ({
  family: saw.family,
  ...visit,
  plateThicknessMm: saw.plateThicknessMm,
  plateDepthMm: Math.min(saw.plateDepthHeelMm, saw.plateDepthToeMm),
  pitchMm: saw.pitchMm,
  ...(teeth !== undefined && { teeth }),
  ...('toeZones' in saw && saw.toeZones && { toeZones: saw.toeZones }),
});

/**
 * A study's inputs of what is known, all else as where nothing is: ordinary habits and hands, a
 * plate without marks, the filing it has, every tooth given a measured one, a line free to lean.
 */
export const lineInputsOf = (
  known: Pick<LineInputs, 'saw' | 'angles' | 'readings'> & Partial<LineInputs>,
): LineInputs => ({
  from: null,
  keys: [],
  measured: known.readings.length,
  habits: DEFAULT_HABITS,
  strokeRate: UNCALIBRATED_STROKES,
  marks: [],
  etch: false,
  filingsSinceSet: null,
  line: 'free',
  ...known,
});
