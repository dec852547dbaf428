import * as z from 'zod';
import { reason } from '../reason/reason-shape';
import { LEANS } from '../evidence/tooth-reading';
import { SHARPENING_ERROR_MM, SHARPENING_MM } from '../life/sharpening-metal';
import type { LineOrder, WorkOrder } from './order';
import { ORDER_VERSION, target, workOrder } from './order';
import { step } from './step';
import { lineInputs } from './tooth-line/inputs';

/** An order as kept, of whatever form, in today's. Throws ZodError on what is no order. O(n). */
export function readOrder(kept: unknown): WorkOrder {
  const { version } = head.parse(kept);
  return version === 0 ? fromFirstForm(firstForm.parse(kept)) : workOrder.parse(kept);
}

const head = z.object({ version: z.int().min(0).max(ORDER_VERSION) });

const oldStep = step
  .unwrap()
  .omit({ side: true, tool: true, says: true })
  .extend({ standOn: z.enum(LEANS).nullable() });
const oldInputs = lineInputs.unwrap().omit({
  from: true,
  keys: true,
  measured: true,
  etch: true,
  filingsSinceSet: true,
  judgement: true,
});
const filed = z.object({
  faceDeg: z.number(),
  backDeg: z.number(),
  tanFace: z.number(),
  tanBack: z.number(),
  spread: z.number(),
});

/**
 * The first form, before there was a version: the plan of a hand or back saw beside its inputs.
 * The migration that keeps orders wrapped each in `{ version: 0, inputs, plan }`, unchanged.
 */
const firstForm = z.object({
  inputs: oldInputs,
  plan: z.object({
    depthMm: z.number(),
    work: z.enum(['sharpen', 'tune']),
    rollDeg: z.number(),
    tooth: filed,
    toothHeightMm: z.number(),
    pitchMm: z.number(),
    lineAlphaMm: z.number(),
    lineBeta: z.number(),
    reachedShare: z.number(),
    worstSpacingMm: z.number(),
    metalMm3: z.number(),
    sharpeningsSpent: z.number(),
    sharpeningsLeft: z.number(),
    setPerSideMm: z.number(),
    kerfMm: z.number(),
    reset: z.boolean(),
    fileId: z.string(),
    fileName: z.string(),
    minutes: z.number(),
    strokes: z.int(),
    steps: z.array(oldStep),
    targets: z.array(target),
    reasons: z.array(reason),
  }),
});

/** The first form gave lives as one number: how far apart they are known is the same for all. */
const spread = (likely: number, round: (n: number) => number): { likely: number; least: number; most: number } => ({
  likely,
  least: round((likely * SHARPENING_MM) / (SHARPENING_MM + 2 * SHARPENING_ERROR_MM)),
  most: round((likely * SHARPENING_MM) / (SHARPENING_MM - 2 * SHARPENING_ERROR_MM)),
});

/** The first form knew but this of how long a set lasts: three or four filings, fewer where it was left. */
const filingsASetLasts = (renewed: boolean): readonly [number, number] => (renewed ? [3, 4] : [1, 2]);

function fromFirstForm({ inputs, plan }: z.infer<typeof firstForm>): LineOrder {
  return {
    version: ORDER_VERSION,
    family: inputs.saw.family,
    work: plan.work,
    inputs: {
      ...inputs,
      from: null,
      keys: [],
      measured: inputs.readings.length,
      etch: false,
      filingsSinceSet: null,
    },
    choice: { depthMm: plan.depthMm, convert: false, sample: false },
    steps: plan.steps.map(({ standOn, ...rest }) => ({ ...rest, side: standOn, tool: null })),
    targets: plan.targets,
    forecast: {
      cut: {
        reachedShare: plan.reachedShare,
        worstSpacingMm: plan.worstSpacingMm,
        metalMm3: plan.metalMm3,
        kerfMm: plan.kerfMm,
      },
      set: { perSideMm: plan.setPerSideMm, reset: plan.reset },
      life: { spent: spread(plan.sharpeningsSpent, (n) => n), left: spread(plan.sharpeningsLeft, Math.floor) },
      tooth: { filed: plan.tooth, heightMm: plan.toothHeightMm, pitchMm: plan.pitchMm, rollDeg: plan.rollDeg },
      line: { alphaMm: plan.lineAlphaMm, beta: plan.lineBeta },
      file: { id: plan.fileId, name: plan.fileName },
      filingsTheSetLasts: filingsASetLasts(plan.reset),
    },
    minutes: plan.minutes,
    minutesError: 0,
    strokes: plan.strokes,
    price: null,
    reasons: plan.reasons,
  };
}
