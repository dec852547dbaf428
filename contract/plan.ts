import { z } from 'zod';
import type { Plan } from '@odontis/core/plan/make-plan';
import type { PlanInputs } from '@odontis/core/plan/plan-inputs';
import { LINE_CHOICES } from '@odontis/core/plan/plan-inputs';
import { bounded, version } from './fields';

/** What the technician chose; the server works the plan out again from it. */
export const planChoice = z.object({
  /** The ticket's version that was planned on. */
  version,
  depthMm: bounded(0, 20, 'The joint depth', 'mm'),
  line: z.enum(LINE_CHOICES),
  rakeDeg: bounded(-45, 15, 'Rake', 'degrees'),
  fleamDeg: bounded(0, 45, 'Fleam', 'degrees'),
});
export type PlanChoice = z.infer<typeof planChoice>;

/** A plan as accepted: never changed again, with everything it was worked out from. */
export interface AcceptedPlan {
  readonly id: number;
  readonly number: number;
  readonly acceptedBy: string;
  readonly acceptedAt: string;
  readonly inputs: PlanInputs;
  readonly plan: Plan;
  /** Indices of the stops that are done. */
  readonly done: readonly number[];
}
