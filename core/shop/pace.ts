import { addReading, fitRate, NO_READINGS } from '../calibration/proportional-fit';
import type { Pace } from '../work/shop-pace';

/** Before a filer has a past, the tables' minutes stand, give or take a fifth. No source. */
const NO_PAST = { rate: 1, error: 0.2 };

/** A saw done: minutes it was reckoned at and minutes it took. */
export interface PastTime {
  readonly reckonedMinutes: number;
  readonly takenMinutes: number;
}

/**
 * A filer's own rhythm from past times: minutes taken over the tables', fitted through the origin so that long saws,
 * where a slip of the clock matters least, weigh most. It moves a place kept at a pace, never a price.
 * Example: reckoned 10, 20; taken 12, 24 -> 1.2 exactly.
 */
export function paceOf(past: readonly PastTime[]): Pace {
  const usable = past.filter((one) => one.reckonedMinutes > 0 && one.takenMinutes > 0);
  const sums = usable.reduce((all, one) => addReading(all, one.reckonedMinutes, one.takenMinutes), NO_READINGS);
  const fit = fitRate(sums, NO_PAST);
  return { factor: fit.rate, error: fit.error, saws: usable.length };
}

/** A stop done at the vise: when, and the minutes the plan gave it. */
export interface StopDone {
  readonly atMs: number;
  readonly plannedMinutes: number;
  /** The moment is no measure: it was marked by a rhythm, or entered afterwards. */
  readonly untimed?: boolean;
}

/** A gap longer than this times the stop's own plan, and than the least, is the telephone or the night. */
const PAUSE_TIMES = 4;
const LEAST_PAUSE_MINUTES = 5;

/**
 * Minutes worked between stops, pauses left out on both sides: a stop that came
 * after a pause counts neither in what was taken nor in what was reckoned.
 */
export function timeAtVise(stops: readonly StopDone[]): PastTime {
  // What was pressed at one moment, a window of gullets, is one stretch of work.
  const inOrder: StopDone[] = [];
  for (const stop of [...stops].sort((a, b) => a.atMs - b.atMs)) {
    const last = inOrder[inOrder.length - 1];
    if (last?.atMs === stop.atMs)
      inOrder[inOrder.length - 1] = { ...last, plannedMinutes: last.plannedMinutes + stop.plannedMinutes };
    else inOrder.push(stop);
  }
  let [reckonedMinutes, takenMinutes] = [0, 0];
  inOrder.forEach((stop, i) => {
    const before = inOrder[i - 1];
    if (!before || before.untimed || stop.untimed) return;
    const gap = (stop.atMs - before.atMs) / 60_000;
    if (gap > Math.max(LEAST_PAUSE_MINUTES, PAUSE_TIMES * stop.plannedMinutes)) return;
    takenMinutes += gap;
    reckonedMinutes += stop.plannedMinutes;
  });
  return { reckonedMinutes, takenMinutes };
}
