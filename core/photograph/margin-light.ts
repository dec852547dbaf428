import { quantileSorted } from 'simple-statistics';
import type { GreyPicture } from '../trace/grey-picture';

/** The line is looked at in stretches so long, mm. */
const STRETCH_MM = 10;
/** A row of plain paper, lit or shaded, goes so far in grey from its darker pixels to its brighter ones; a row of teeth further. */
const PLAIN_GREY = 40;
/** Rows under the marks that say how bright the paper is, and over the points how bright it is there; mm. */
const LOOK_MM = 1;
/** Stretches this dark are few enough to be one dark thing that lies there. */
const FEW = 0.05;

/**
 * Paper just over the points as a share of that under the marks beside it, in the darkest stretch of the line: small
 * where a shadow lies along the teeth. `grid` has the marks' end at its top and the points under it. 1 where no paper
 * is seen.
 */
export function marginLight({ widthPx, heightPx, grey }: GreyPicture, mmPerPx: number): number {
  const stretch = Math.max(4, Math.round(STRETCH_MM / mmPerPx));
  const look = Math.max(2, Math.round(LOOK_MM / mmPerPx));
  const shares: number[] = [];
  const row = new Uint8Array(stretch);
  for (let from = 0; from + stretch <= widthPx; from += stretch) {
    const paper: number[] = [];
    for (let j = 0; j < heightPx; j++) {
      row.set(grey.subarray(j * widthPx + from, j * widthPx + from + stretch));
      row.sort();
      const at = (share: number): number => row[Math.floor(share * (stretch - 1))] as number;
      if (at(0.95) - at(0.05) > PLAIN_GREY) break;
      paper.push(at(0.5));
    }
    if (paper.length < 2 * look || paper.length === heightPx) continue;
    const mean = (of: readonly number[]): number => of.reduce((s, v) => s + v, 0) / of.length;
    shares.push(mean(paper.slice(-look)) / Math.max(1, mean(paper.slice(0, look))));
  }
  return shares.length > 0
    ? Math.min(
        1,
        quantileSorted(
          shares.sort((a, b) => a - b),
          FEW,
        ),
      )
    : 1;
}
