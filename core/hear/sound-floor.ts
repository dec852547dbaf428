import { BANDS } from './band-frames';

/** What a band holds in its quieter fifth of the time is the room. */
const QUANTILE = 0.2;
/** The floor follows by so many dB a frame, times the quantile up and the rest down. */
const STEP_DB = 0.3;
/** The first frames are taken more quickly, so that a floor stands after half a second. */
const HASTE = 8;
const HASTY_FRAMES = 50;
const LEAST = 1e-12;

/** The room's own power in every band, followed frame by frame: a running quantile by small equal steps. */
export interface SoundFloor {
  readonly powers: Float32Array;
  readonly take: (powers: Float32Array) => void;
}

export function soundFloor(): SoundFloor {
  const db = new Float64Array(BANDS);
  const powers = new Float32Array(BANDS);
  let seen = 0;
  return {
    powers,
    take: (now) => {
      const step = STEP_DB * (seen < HASTY_FRAMES ? HASTE : 1);
      for (let b = 0; b < BANDS; b++) {
        const value = 10 * Math.log10((now[b] as number) + LEAST);
        if (seen === 0) db[b] = value;
        else db[b] = (db[b] as number) + (value > (db[b] as number) ? step * QUANTILE : -step * (1 - QUANTILE));
        powers[b] = 10 ** ((db[b] as number) / 10);
      }
      seen++;
    },
  };
}
