import { BANDS } from './band-frames';

/** Levels below this are nothing. dB of full scale. */
export const NOTHING_DB = -110;

/**
 * How much of a known sound is in a frame: of the bands' power over the room's, as multiples of the sound's own
 * share, the weighted median; bands weigh by how many lines steady them. A burst of broad noise lifts every band; a
 * voice, a tune or a screech a few, and the median does not see them. Power of full scale, may be below nothing.
 */
export function bandGain(
  powers: ArrayLike<number>,
  floor: ArrayLike<number>,
  profile: ArrayLike<number>,
  weights: readonly number[],
): number {
  for (let b = 0; b < BANDS; b++) {
    const gain = ((powers[b] as number) - (floor[b] as number)) / (profile[b] as number);
    // Kept in order as they come: few, so by insertion.
    let at = b;
    while (at > 0 && (SORTED[at - 1] as number) > gain) {
      SORTED[at] = SORTED[at - 1] as number;
      OF[at] = OF[at - 1] as number;
      at--;
    }
    SORTED[at] = gain;
    OF[at] = b;
  }
  let half = 0;
  for (let b = 0; b < BANDS; b++) half += (weights[b] as number) / 2;
  let sum = 0;
  for (let k = 0; k < BANDS; k++) {
    sum += weights[OF[k] as number] as number;
    if (sum >= half) return SORTED[k] as number;
  }
  return SORTED[BANDS - 1] as number;
}
const SORTED = new Float64Array(BANDS);
const OF = new Int8Array(BANDS);

/** What a band's power is worth: the root of its lines, no more than a few. */
export const bandWeights = (lines: readonly number[]): number[] => lines.map((n) => Math.sqrt(Math.min(n, 16)));

export const toDb = (power: number): number => (power <= 10 ** (NOTHING_DB / 10) ? NOTHING_DB : 10 * Math.log10(power));
