import * as z from 'zod';
import type { Reason } from '../reason/reason';
import { because, COMMON_PRACTICE, input } from '../reason/reason';
import type { WorkHabits } from './habits';
import type { Step } from './step';

/** How a shop's own minutes stand to the tables', and how sure that is. */
export const pace = z
  .object({
    factor: z.number().positive(),
    /** Standard error of the factor. */
    error: z.number().min(0),
    /** Past saws it comes from. */
    saws: z.int(),
  })
  .readonly();
export type Pace = z.infer<typeof pace>;

/** Steps whose minutes are this shop's, and by how much they differ from the tables'. */
export interface Paced {
  readonly steps: readonly Step[];
  /** Left out where the shop has none of its own: the minutes are the tables'. */
  readonly pace?: Pace;
}

/** Steps that are still to be done: what was done before the saw was measured is none of its order. */
export const notPrepared = (steps: readonly Step[], prepared: readonly Step['kind'][] | undefined): readonly Step[] =>
  prepared ? steps.filter((step) => !prepared.includes(step.kind)) : steps;

/**
 * The tables' minutes of every step at the shop's own pace, where it has learned one: whoever stands at the counter or
 * at the vise, a saw costs the same. Example: 10 minutes in a shop that takes 1.2 times as long are 12. O(steps).
 */
export function atShopPace(steps: readonly Step[], { learned }: WorkHabits): Paced {
  const own = learned?.minutes;
  if (!own) return { steps };
  return { steps: steps.map((one) => ({ ...one, minutes: one.minutes * own.factor })), pace: own };
}

/** The minutes of an order by the tables, from its own: what a shop's pace is learned against. */
export const tableMinutes = (minutes: number, own: Pace | undefined): number => minutes / (own?.factor ?? 1);

/** Why the minutes are what they are; null where they are the tables'. */
export const paceReason = (own: Pace | undefined): Reason | null =>
  own
    ? because(
        'The shop’s pace',
        'minutes taken at the vise ÷ the tables’ minutes, over this shop’s past saws',
        [
          input('pace', own.factor, 'share'),
          input('its error', own.error, 'share'),
          input('past saws it comes from', own.saws, 'count'),
        ],
        COMMON_PRACTICE,
        'It is the shop’s, not that of who stands here: a saw costs the same whoever takes it in or files it.',
      )
    : null;
