import * as z from 'zod';
import type { Result } from './deeds';
import type { StepKind } from './step';
import { WHOLE_SAW_MINUTES } from './times';

/** What is done to a saw before it is measured: heights of a wavy or dirty plate mean nothing. */
export const PREPARINGS = ['clean', 'straighten', 'reseat', 'tighten', 'handle-off'] as const;
export type Preparing = (typeof PREPARINGS)[number];

/** The step of an order that each does beforehand; left out where no order has one. */
const STEP_OF: Partial<Record<Preparing, StepKind>> = {
  clean: 'clean',
  straighten: 'straighten',
  reseat: 'straighten',
  tighten: 'tighten',
};

/** Steps that may be done before an order is made. */
export const PREPARED_STEPS = ['clean', 'straighten', 'tighten'] as const satisfies readonly StepKind[];
export const preparedSteps = z.array(z.enum(PREPARED_STEPS)).readonly();
export type PreparedStep = (typeof PREPARED_STEPS)[number];

/** Something that was prepared: whether it came out, and the minutes it took; null where nobody said. */
export interface Prepared {
  readonly kind: Preparing;
  readonly result: Result;
  readonly minutes: number | null;
}

/** Steps that an order need not have any more: done before, whether they came out or not. What did not come out is another question, and no step. */
export function stepsPrepared(prepared: readonly Prepared[]): PreparedStep[] {
  const done = new Set(prepared.map(({ kind }) => STEP_OF[kind]));
  return PREPARED_STEPS.filter((step) => done.has(step));
}

/** What was tried last and did not come out. */
export const stillWrong = (prepared: readonly Prepared[]): Preparing[] =>
  PREPARINGS.filter((kind) => prepared.findLast((one) => one.kind === kind)?.result === 'did-not');

/** Minutes that went into preparing, as they were told, else the tables'. */
export const preparingMinutes = (prepared: readonly Prepared[]): number =>
  prepared.reduce((sum, { kind, minutes }) => sum + (minutes ?? USUAL[kind]), 0);
const USUAL: Readonly<Record<Preparing, number>> = {
  clean: WHOLE_SAW_MINUTES.clean,
  straighten: WHOLE_SAW_MINUTES.straighten,
  reseat: WHOLE_SAW_MINUTES.straighten,
  tighten: 4,
  'handle-off': 3,
};
