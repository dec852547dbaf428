import type { PastTime } from '@odontis/core/shop/pace';
import type { How } from '@odontis/core/work/place-keeping';
import { isTimed } from '@odontis/core/work/place-keeping';
import { timeAtVise } from '@odontis/core/shop/pace';
import { readOrder } from '@odontis/core/work/read-order';
import { tableMinutes } from '@odontis/core/work/shop-pace';
import { minutesAtStop, walkOf } from '@odontis/core/work/step';

/** A plan walked at the vise: its order as kept, the stops that were pressed done, and when. */
export interface Walked {
  readonly body: unknown;
  readonly stops: number[];
  readonly at: number[];
  readonly how: How[];
}

export function timeOf({ body, stops, at, how }: Walked): PastTime {
  const { steps, pace } = readOrder(body);
  const walk = walkOf(steps);
  // Against the tables: a pace learned from minutes at that pace would be none.
  const minutes = (stop: number): number => tableMinutes(minutesAtStop(steps[walk[stop]?.step ?? -1]), pace);
  return timeAtVise(
    stops.map((stop, i) => ({
      atMs: at[i] as number,
      plannedMinutes: minutes(stop),
      untimed: !isTimed(how[i] as How),
    })),
  );
}
