import type { BenchEvent } from '@odontis/contract/bench';
import type { AcceptedPlan } from '@odontis/contract/plan';
import type { How } from '@odontis/core/work/place-keeping';
import type { Step, WalkStop } from '@odontis/core/work/step';
import { minutesAtStop } from '@odontis/core/work/step';

/** Where the technician is: stops done or skipped as the server knows, with the presses still on their way. */
export function doneStops(kept: readonly number[], unsent: readonly BenchEvent[]): Set<number> {
  const done = new Set(kept);
  for (const event of unsent) {
    if (event.action === 'stopped' || event.action === 'file') continue;
    if (event.action === 'back') done.delete(event.stop);
    else done.add(event.stop);
  }
  return done;
}

/** Stops that are behind: done, or skipped. */
export const goneOf = ({ done, skipped }: Pick<AcceptedPlan, 'done' | 'skipped'>): number[] => [
  ...done,
  ...skipped.map((one) => one.stop),
];

/** The first stop not done from `from` on, else the first of all; the number of stops when all are done. */
export function placeOf(stops: number, done: ReadonlySet<number>, from = 0): number {
  for (let at = from; at < stops; at++) if (!done.has(at)) return at;
  for (let at = 0; at < from; at++) if (!done.has(at)) return at;
  return stops;
}

/** The present step's gullets or teeth, done and to do. */
export function workOf(
  walk: readonly WalkStop[],
  done: ReadonlySet<number>,
  step: number,
): { done: Set<number>; todo: Set<number> } {
  const work = { done: new Set<number>(), todo: new Set<number>() };
  for (const stop of walk) {
    if (stop.step !== step) continue;
    // A window is every tooth in it.
    const into = done.has(stop.index) ? work.done : work.todo;
    for (let at = stop.at; at <= (stop.to ?? stop.at); at++) into.add(at);
  }
  return work;
}

/** Minutes of bench work still to do, each step's time shared over its stops. */
export function minutesLeft(steps: readonly Step[], walk: readonly WalkStop[], done: ReadonlySet<number>): number {
  return walk.reduce((sum, stop) => (done.has(stop.index) ? sum : sum + minutesAtStop(steps[stop.step])), 0);
}

const HOW_SAYS = [
  ['gullet', 'one by one'],
  ['window', 'by windows'],
  ['ear', 'by ear'],
  ['pace', 'at a pace'],
  ['card', 'off the card'],
] as const;

/** How the stops came to be done, in a sentence; null where each was pressed at its own. */
export function howSays(how: Readonly<Partial<Record<How, number>>>): string | null {
  const parts = HOW_SAYS.flatMap(([one, says]) => (how[one] ? [`${how[one]} ${says}`] : []));
  return parts.length > (how.gullet ? 1 : 0) ? `Stops done: ${parts.join(', ')}.` : null;
}
