import type { PictureView } from './grey-picture';
import type { Corner } from './corner';
import type { LineLevels } from './line-levels';
import { plateThreshold } from './line-levels';

/** Rows of a flank that say its angle begin here: the point is rounded by work. Share of the depth. */
export const FROM_DEPTH = 0.14;
/** Fewer places than this on a flank make no line. */
export const FEWEST_PLACES = 4;

export interface FlankWish {
  readonly tip: Corner;
  /** Rows of the tip and of the gullet's bottom. */
  readonly tipY: number;
  readonly gulletY: number;
  /** Column in the gullet from which the flank is looked for, and the way to it. */
  readonly gulletX: number;
  readonly way: 1 | -1;
  readonly mostPx: number;
  readonly levels: LineLevels;
  readonly brighter: boolean;
  /** Of a round blade: backs end well over the gullets. */
  readonly backsEnd: boolean;
}

/** Rows that the line is drawn from. */
const ROUGH_ROWS = 24;
/** A short part of a flank is drawn from so many of them at the least. */
const FEWEST_ROUGH = 8;

/** A flank to a pixel: x = atX + lean (y - atY). */
export interface RoughFlank {
  readonly atX: number;
  readonly atY: number;
  readonly lean: number;
}

/** Rooms for the places of one rough line and their pairs. */
const ROUGH_X = new Float64Array(2 * ROUGH_ROWS);
const ROUGH_Y = new Float64Array(2 * ROUGH_ROWS);
const SLOPES = new Float64Array(2 * ROUGH_ROWS * ROUGH_ROWS);

/** From the open gullet along the rows until plate is met: whole pixels, overhangs and all. */
export function roughFlank(view: PictureView, wish: FlankWish, toDepth: number): RoughFlank | null {
  const { tipY, gulletY, gulletX, way, levels, brighter } = wish;
  const { grey, acrossStep, widthPx } = view;
  const depth = gulletY - tipY;
  let found = 0;
  const step = Math.max(1, Math.min(depth / ROUGH_ROWS, ((toDepth - FROM_DEPTH) * depth) / FEWEST_ROUGH));
  const threshold = plateThreshold(levels, widthPx, gulletX);
  for (let y = tipY + FROM_DEPTH * depth; y < tipY + (toDepth + 0.05) * depth; y += step) {
    const j = Math.floor(y);
    if (j < 0 || j >= view.heightPx) continue;
    const row = view.origin + j * view.downStep;
    for (let n = 0; n <= wish.mostPx; n++) {
      const i = Math.floor(gulletX + way * n);
      if (i < 0 || i >= widthPx) break;
      const value = grey[row + i * acrossStep] as number;
      if (brighter ? value > threshold : value < threshold) {
        // Dust in the gullet is thin: the plate goes on.
        const further = grey[row + Math.min(Math.max(i + 2 * way, 0), widthPx - 1) * acrossStep] as number;
        if (!(brighter ? further > threshold : further < threshold)) continue;
        if (n > 0) {
          ROUGH_X[found] = i + (way === 1 ? 0 : 1);
          ROUGH_Y[found++] = j + 0.5;
        }
        break;
      }
    }
  }
  return found < FEWEST_PLACES ? null : medianLine(found);
}

/** Line through the places found by the median of their pairwise slopes (Theil and Sen): a third of them may be wrong. */
function medianLine(count: number): RoughFlank {
  const far = Math.max(1, Math.floor(count / 4));
  let pairs = 0;
  let atY = 0;
  for (let i = 0; i < count; i++) {
    const x = ROUGH_X[i] as number;
    const y = ROUGH_Y[i] as number;
    atY += y / count;
    for (let k = i + far; k < count; k++) SLOPES[pairs++] = ((ROUGH_X[k] as number) - x) / ((ROUGH_Y[k] as number) - y);
  }
  const lean = medianOfFirst(pairs);
  for (let i = 0; i < count; i++) SLOPES[i] = (ROUGH_X[i] as number) - lean * ((ROUGH_Y[i] as number) - atY);
  return { lean, atY, atX: medianOfFirst(count) };
}

const medianOfFirst = (count: number): number => SLOPES.subarray(0, count).sort()[count >> 1] as number;
