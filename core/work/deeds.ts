import { minutesAtStop, walkOf } from './step';
import type { Step, StepKind } from './step';

/** How work on the whole saw went, where that is a question: a plate straightened, rust off, a back re-seated. */
export const RESULTS = ['came-out', 'did-not'] as const;
export type Result = (typeof RESULTS)[number];

/** Steps of which it is asked whether they came out. */
export const WITH_RESULT: ReadonlySet<StepKind> = new Set(['straighten', 'clean', 'tighten', 'grinder', 'home']);

/** What was pressed of an order at the vise. Stops by their place in the walk. */
export interface Pressed {
  readonly done: readonly number[];
  readonly skipped: readonly { readonly stop: number; readonly reason: string }[];
  readonly results: readonly {
    readonly stop: number;
    readonly result: Result | null;
    readonly minutes: number | null;
  }[];
}

/** What became of a step: how many of its stops were done and skipped, of how many. */
export interface StepDeed {
  readonly step: Step;
  readonly index: number;
  readonly stops: number;
  readonly done: number;
  readonly skipped: number;
  /** Why stops were skipped, each reason once. */
  readonly reasons: readonly string[];
  /** Of a step with a result, what was said last; null where nobody said. */
  readonly result: Result | null;
  /** Minutes as they were told; null where they were not. */
  readonly minutes: number | null;
}

/**
 * What was done of an order, step by step: presses at the vise and nothing else. A step without stops is done with the
 * order's last. O(stops).
 */
export function deedsOf(order: { readonly steps: readonly Step[] }, { done, skipped, results }: Pressed): StepDeed[] {
  const walk = walkOf(order.steps);
  const [isDone, why] = [new Set(done), new Map(skipped.map((one) => [one.stop, one.reason]))];
  const said = new Map(results.map((one) => [one.stop, one]));
  const deeds = order.steps.map((step, index) => ({
    ...{ step, index, stops: step.stops.length, done: 0, skipped: 0 },
    ...{ reasons: [] as string[], result: null as Result | null, minutes: null as number | null },
  }));
  for (const { index, step } of walk) {
    const deed = deeds[step];
    if (!deed) continue;
    const reason = why.get(index);
    if (reason !== undefined) {
      deed.skipped++;
      if (reason !== '' && !deed.reasons.includes(reason)) deed.reasons.push(reason);
    } else if (isDone.has(index)) deed.done++;
    const told = said.get(index);
    if (told?.result) deed.result = told.result;
    if (told && told.minutes !== null) deed.minutes = (deed.minutes ?? 0) + told.minutes;
  }
  return deeds;
}

/** How far an order got: nothing pressed, some of it, or every stop done or skipped. */
export type Got = 'nothing' | 'part' | 'all';
export function howFar(deeds: readonly StepDeed[]): Got {
  const stops = deeds.reduce((sum, deed) => sum + deed.stops, 0);
  const gone = deeds.reduce((sum, deed) => sum + deed.done + deed.skipped, 0);
  return gone === 0 ? 'nothing' : gone < stops ? 'part' : 'all';
}

/** Whether every stop of every step of these kinds was done, and there is one. */
export function isDone(deeds: readonly StepDeed[], ...kinds: StepKind[]): boolean {
  const own = deeds.filter((deed) => kinds.includes(deed.step.kind));
  return own.length > 0 && own.every((deed) => deed.done === deed.stops);
}

/** Whether any stop of a step of these kinds was done. */
export const isBegun = (deeds: readonly StepDeed[], ...kinds: StepKind[]): boolean =>
  deeds.some((deed) => kinds.includes(deed.step.kind) && deed.done > 0);

/** Minutes of an order that were worked, by the stops that were done. */
export const minutesDone = (deeds: readonly StepDeed[]): number =>
  deeds.reduce((sum, { step, done }) => sum + done * minutesAtStop(step), 0);
