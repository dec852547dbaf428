import type { Lean } from '../evidence/tooth-reading';
import type { Reason } from '../reason/reason';

export const STEP_KINDS = [
  'clean',
  'straighten',
  'flatten-set',
  'joint',
  'shape',
  'look',
  'set',
  'sharpen',
  'stone',
  'finish',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

export const HEAVIER = ['even', 'face', 'back'] as const;
/** Which flank of the gullet gets the heavier strokes. */
export type Heavier = (typeof HEAVIER)[number];

/** One place to stop at: a gullet, a tooth, or 0 for the saw as a whole. */
export interface Stop {
  readonly at: number;
  readonly strokes: number;
  readonly heavier: Heavier;
}

/** One pass of work without turning the saw. Numbers are mm and degrees; words are made by the screens. */
export interface PlanStep {
  readonly kind: StepKind;
  readonly unit: 'whole' | 'gullet' | 'tooth';
  readonly standOn: Lean | null;
  readonly tipTowards: 'toe' | 'heel' | 'across' | null;
  /** Depth, set or excess aimed at, mm; null where the eye decides. */
  readonly targetMm: number | null;
  readonly passes: number;
  readonly minutes: number;
  readonly stops: readonly Stop[];
  readonly cautions: readonly string[];
  readonly reasons: readonly Reason[];
}

/** Every stop of a plan in bench order, with the step it belongs to. */
export interface PlanStop extends Stop {
  readonly index: number;
  readonly step: number;
}

export function walkPlan(steps: readonly PlanStep[]): PlanStop[] {
  const walk: PlanStop[] = [];
  steps.forEach((step, number) => {
    for (const stop of step.stops) walk.push({ ...stop, index: walk.length, step: number });
  });
  return walk;
}

/** The one stop of a step done to the whole saw. */
export const WHOLE_SAW_STOP: readonly Stop[] = [{ at: 0, strokes: 0, heavier: 'even' }];
