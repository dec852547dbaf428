import { selectSmallest } from './select';

/**
 * The search behind a joint line that may leave k teeth under it: greatest
 * f(b) = (k+1)-th smallest of y_i - sum_j b_j d_ij over a box of slopes b.
 * Branch and bound: over a box with half-widths w around c no tip's value is
 * above y_i - c d_i + w |d_i|, and an order statistic grows with its values, so
 * the (k+1)-th smallest of those is a ceiling for the whole box. Boxes whose
 * ceiling is no higher than the best value found are dropped; halved otherwise.
 * Exact to `toleranceMm`; O(n) a box.
 */
export interface ShareSearch {
  readonly valueMm: number;
  readonly slopes: readonly number[];
  /** Boxes looked into: for the bench. */
  readonly boxes: number;
}

/** Boxes after which the best found so far is given: a guard, met by no saw seen yet. */
const MOST_BOXES = 60_000;

interface Box {
  readonly centre: readonly number[];
  readonly half: readonly number[];
  readonly ceiling: number;
}

/** `directions[j]` holds d_ij, already centred so that the mean of the line is its value at b. mm. */
export function searchShareLine(
  yMm: Float64Array,
  directions: readonly Float64Array[],
  k: number,
  low: readonly number[],
  high: readonly number[],
  toleranceMm = 1e-9,
): ShareSearch {
  const n = yMm.length;
  const scratch = new Float64Array(n);
  const spans = directions.map((d) => d.map(Math.abs));
  const at = (slopes: readonly number[], half: readonly number[] | null): number => {
    for (let i = 0; i < n; i++) {
      let v = yMm[i] as number;
      for (let j = 0; j < directions.length; j++) {
        v -= (slopes[j] as number) * ((directions[j] as Float64Array)[i] as number);
        if (half) v += (half[j] as number) * ((spans[j] as Float64Array)[i] as number);
      }
      scratch[i] = v;
    }
    return selectSmallest(scratch, n, k);
  };
  // Level, or the nearest the box allows, is tried first and wins ties.
  let slopes = low.map((l, j) => Math.min(Math.max(0, l), high[j] as number));
  let best = at(slopes, null);
  let boxes = 0;
  const widest = spans.map((d) => d.reduce((m, v) => Math.max(m, v), 0));
  const open = (centre: readonly number[], half: readonly number[]): Box => ({
    centre,
    half,
    ceiling: at(centre, half),
  });
  const stack: Box[] = [
    open(
      low.map((l, j) => (l + (high[j] as number)) / 2),
      low.map((l, j) => ((high[j] as number) - l) / 2),
    ),
  ];
  for (let box = stack.pop(); box && boxes < MOST_BOXES; box = stack.pop()) {
    boxes++;
    if (box.ceiling <= best + toleranceMm) continue;
    const value = at(box.centre, null);
    if (value > best + toleranceMm) {
      best = value;
      slopes = [...box.centre];
    }
    // Halve where the box reaches furthest in mm.
    const reach = box.half.map((w, j) => w * (widest[j] as number));
    const j = reach.indexOf(Math.max(...reach));
    const step = (box.half[j] as number) / 2;
    const half = box.half.map((w, m) => (m === j ? step : w));
    const children = [-step, step].map((move) =>
      open(
        (box as Box).centre.map((c, m) => (m === j ? c + move : c)),
        half,
      ),
    );
    children.sort((p, q) => p.ceiling - q.ceiling);
    stack.push(...children.filter((child) => child.ceiling > best + toleranceMm));
  }
  return { valueMm: best, slopes, boxes };
}
