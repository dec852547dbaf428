import type { GreyPicture } from '../trace/grey-picture';
import { median } from '../units/median';

/** Both walls of a plate seen on edge, column by column: rows of the grid, NaN where one is not seen. */
export interface Walls {
  readonly upper: Float64Array;
  readonly lower: Float64Array;
}

/** Steel and paper differ by this much, grey levels. */
const LEAST_CONTRAST = 25;
/** Rows on either side of an edge that its place is drawn from, of a plate so many rows thick at the least; half of them are its own. */
const MOST_REACH_PX = 4;
const LEAST_REACH_PX = 2;

/**
 * The two edges of what lies across a picture from side to side, paper over and under it: where its grey passes half
 * way, the place drawn from the area under the step. `platePx` is about how thick it should be. Null where no plate
 * is seen in most columns.
 */
export function wallsOf({ widthPx, heightPx, grey }: GreyPicture, platePx: number): Walls | null {
  const reach = Math.max(LEAST_REACH_PX, Math.min(MOST_REACH_PX, Math.floor(platePx / 2)));
  const at = (i: number, j: number): number => grey[j * widthPx + i] as number;
  const ends: number[] = [];
  const depths: number[] = [];
  for (let i = 0; i < widthPx; i += 7) {
    const paper = (at(i, 1) + at(i, heightPx - 2)) / 2;
    let most = 0;
    for (let j = 0; j < heightPx; j++) {
      const off = at(i, j) - paper;
      if (Math.abs(off) > Math.abs(most)) most = off;
    }
    ends.push(paper);
    depths.push(most);
  }
  const contrast = median(depths);
  if (Math.abs(contrast) < LEAST_CONTRAST) return null;
  const sign = Math.sign(contrast);
  const [upper, lower] = [new Float64Array(widthPx).fill(NaN), new Float64Array(widthPx).fill(NaN)];
  let seen = 0;
  for (let i = 0; i < widthPx; i++) {
    const edgeFrom = (start: number, step: 1 | -1): number => {
      // Paper beside this very column: light is uneven.
      let paper = at(i, start);
      for (let j = start; j >= 0 && j < heightPx; j += step) {
        const here = at(i, j);
        if (sign * (here - paper) < 0.3 * Math.abs(contrast)) {
          paper += 0.1 * (here - paper);
          continue;
        }
        const [before, beyond] = [j - step * reach, j + step * (reach + 1)];
        if (before < 0 || before >= heightPx || beyond < 0 || beyond >= heightPx) return NaN;
        // The middle of a thin plate is all the steel there is.
        const steel = (at(i, j + step * (reach - 1)) + at(i, j + step * reach)) / 2;
        if (sign * (steel - paper) < 0.6 * Math.abs(contrast)) continue;
        // The area of paper between the first of these rows and the last is the edge's way from the first.
        let area = 0;
        for (let k = -reach; k <= reach; k++) area += (at(i, j + step * k) - steel) / (paper - steel);
        const from = step === 1 ? j - reach : j + 1 + reach;
        return from + step * area;
      }
      return NaN;
    };
    upper[i] = edgeFrom(1, 1);
    lower[i] = edgeFrom(heightPx - 2, -1);
    if ((lower[i] as number) - (upper[i] as number) > 2) seen++;
  }
  return seen > 0.6 * widthPx ? { upper, lower } : null;
}
