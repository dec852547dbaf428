import type { CornerInHand } from '@odontis/core/work/moments';
import type { Step, WalkStop } from '@odontis/core/work/step';
import type { Pace } from '@odontis/core/work/shop-pace';
import { tableMinutes } from '@odontis/core/work/shop-pace';
import { minutesAtStop } from '@odontis/core/work/step';

/** Where the work stands: the order's steps and stops, and the first stop not done. */
export interface Standing {
  readonly planId: number;
  readonly steps: readonly Step[];
  /** The shop's pace that their minutes are reckoned at; left out where they are the tables'. */
  readonly pace?: Pace | undefined;
  readonly walk: readonly WalkStop[];
  readonly place: number;
  readonly done: ReadonlySet<number>;
  /** The corner of the file in hand, where the Store knows it. */
  readonly corner?: CornerInHand | null;
}

/** Stops that are filed one after the other and can be kept by windows, ear or pace. */
const KEPT_TOGETHER: ReadonlySet<Step['unit']> = new Set(['gullet', 'tooth', 'raker']);

/** From the present stop on, those of its step still to do, as long as nothing done lies between; a step of one kind only. */
export function runOf({ steps, walk, place, done }: Standing): WalkStop[] {
  const first = walk[place];
  const step = first && steps[first.step];
  // A chipper's tooth is read by the dial, each by itself.
  if (!first || !step || !KEPT_TOGETHER.has(step.unit) || step.kind === 'chipper') return [];
  const run: WalkStop[] = [];
  for (const stop of walk.slice(place)) {
    if (stop.step !== first.step || done.has(stop.index)) break;
    run.push(stop);
  }
  return run;
}

/** Gullets of a band's window that are filed one after the other at one stop; null of any other stop. */
export function gulletsOfWindow({ steps, walk, place }: Standing): number | null {
  const stop = walk[place];
  return stop && steps[stop.step]?.unit === 'window' && stop.strokes > 0 ? (stop.to ?? stop.at) - stop.at + 1 : null;
}

/** Strokes to be heard at a stop; null where it makes none that a file's rhythm tells. */
export const strokesHeard = (stop: WalkStop | undefined): number | null =>
  stop && stop.strokes > 0 ? stop.strokes : null;

/** Seconds a stop takes by the plan. */
export const secondsOf = ({ steps, pace }: Pick<Standing, 'steps' | 'pace'>, stop: WalkStop): number =>
  60 * tableMinutes(minutesAtStop(steps[stop.step]), pace);
