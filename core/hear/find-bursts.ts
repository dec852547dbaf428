import { FRAME_S } from './band-frames';

/** A stretch that is loud enough, frames from and to (the first no longer in it). */
export interface Burst {
  readonly from: number;
  readonly to: number;
}

/** A dip shorter than this is none: the cut of a file shakes. s */
export const HOLD_S = 0.07;
/** It ends where it is so far under the threshold that it began over. dB */
export const HYSTERESIS_DB = 2;
const HOLD = Math.round(HOLD_S / FRAME_S);

/** Where a row of levels, dB, stays over a threshold; ends with some dB under it for longer than a dip. */
export function burstsOf(levelsDb: ArrayLike<number>, overDb: number): Burst[] {
  const bursts: Burst[] = [];
  let [from, last] = [-1, -1];
  for (let i = 0; i < levelsDb.length; i++) {
    const level = levelsDb[i] as number;
    if (from < 0) {
      if (level > overDb) [from, last] = [i, i];
      continue;
    }
    if (level > overDb - HYSTERESIS_DB) last = i;
    else if (i - last > HOLD) {
      bursts.push({ from, to: last + 1 });
      from = -1;
    }
  }
  if (from >= 0) bursts.push({ from, to: last + 1 });
  return bursts;
}
