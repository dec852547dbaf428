import type { PictureView } from './grey-picture';

// Over 250 lines: one search, coarse to fine, over one measure of how steep a picture is.

/**
 * Where the tooth line lies in a picture: a band of pixels around a curve
 *
 *     y(x) = c0 + c1 u + c2 u^2,   u = (x - width / 2) / (width / 2)
 *
 * found by what only a tooth line has: many steep flanks, one beside the other, in
 * a narrow strip. Own method: the places where grey changes sharply along x are
 * counted in rows, sheared by every angle asked for; where they crowd is the line.
 */
export interface ToothBand {
  /** c0, c1, c2 in pixels of the view. */
  readonly curve: readonly [number, number, number];
  /** Half the width of the strip that holds the flanks, px. */
  readonly halfPx: number;
  /** Flanks in the strip over those in a strip as wide anywhere else: how plain the find is. */
  readonly plainness: number;
}

export const onCurve = (band: Pick<ToothBand, 'curve'>, widthPx: number, x: number): number => {
  const u = (2 * x) / widthPx - 1;
  return band.curve[0] + band.curve[1] * u + band.curve[2] * u * u;
};

/**
 * The search looks at no more columns than this, a pixel of it the mean of two; where
 * the teeth are too fine for that, at so many more.
 */
export const COARSE_COLUMNS = [3000, 12_000] as const;
/** Steepest lie of a saw on the glass, and the steps of the search, coarse then fine, degrees. */
const MOST_SKEW_DEG = 7;
const SKEW_STEPS_DEG = [0.5, 0.125] as const;
/** A flank changes the grey by this share of the picture's own range, and never by less than this many levels. */
const FLANK_SHARE = 0.22;
const FLANK_LEVELS = 14;
/** Places a line of a few teeth must show at the least. */
const FEWEST_PLACES = 40;
/** The search for the angle and the fit of the curve look at no more places than this. */
const SEARCHED_PLACES = 3000;
const FITTED_PLACES = 6000;

interface Coarse {
  readonly width: number;
  readonly height: number;
  readonly step: number;
  readonly grey: Uint8Array;
}

function coarsen(view: PictureView, mostColumns: number): Coarse {
  const step = Math.max(1, Math.ceil(view.widthPx / mostColumns));
  const [width, height] = [Math.floor(view.widthPx / step), Math.floor(view.heightPx / step)];
  const grey = new Uint8Array(width * height);
  const { acrossStep: a, downStep: d, origin } = view;
  const other = Math.floor(step / 2) * (a + d);
  for (let j = 0; j < height; j++) {
    let from = origin + j * step * d;
    for (let i = 0; i < width; i++, from += step * a) {
      grey[j * width + i] =
        step === 1
          ? (view.grey[from] as number)
          : ((view.grey[from] as number) + (view.grey[from + other] as number)) >> 1;
    }
  }
  return { width, height, step, grey };
}

/** Pixels enough to know a picture's range. */
const RANGE_PIXELS = 60_000;

/** Grey levels between the darkest and the brightest hundredth of the picture. */
function greyRange(coarse: Coarse): number {
  const counts = new Uint32Array(256);
  const step = Math.max(1, Math.floor(coarse.grey.length / RANGE_PIXELS));
  let seen = 0;
  for (let i = 0; i < coarse.grey.length; i += step, seen++) {
    const value = coarse.grey[i] as number;
    counts[value] = (counts[value] as number) + 1;
  }
  const share = seen / 100;
  const reach = (from: number, step: number): number => {
    let sum = 0;
    let level = from;
    while (sum + (counts[level] as number) < share) {
      sum += counts[level] as number;
      level += step;
    }
    return level;
  };
  return reach(255, -1) - reach(0, 1);
}

/** Places (x, y in coarse pixels) where grey changes sharply along a row. */
function steepPlaces(coarse: Coarse, threshold: number): { xs: Float32Array; ys: Float32Array; count: number } {
  const { width, height, grey } = coarse;
  let count = 0;
  const places = new Uint32Array(Math.min(grey.length, 4_000_000));
  for (let j = 0; j < height; j++) {
    const row = j * width;
    for (let i = 1; i < width - 2 && count < places.length; i++) {
      const change = (grey[row + i + 1] as number) - (grey[row + i - 1] as number);
      if (change > threshold || change < -threshold) places[count++] = row + i;
    }
  }
  const [xs, ys] = [new Float32Array(count), new Float32Array(count)];
  for (let k = 0; k < count; k++) {
    xs[k] = (places[k] as number) % width;
    ys[k] = Math.floor((places[k] as number) / width);
  }
  return { xs, ys, count };
}

/** Null where no strip of the picture is crowded with flanks. */
export function findToothBand(view: PictureView, mostColumns: number): ToothBand | null {
  if (view.widthPx < 40 || view.heightPx < 12) return null;
  const coarse = coarsen(view, mostColumns);
  const threshold = Math.max(FLANK_LEVELS, FLANK_SHARE * greyRange(coarse));
  const { xs, ys, count } = steepPlaces(coarse, threshold);
  if (count < FEWEST_PLACES) return null;
  const middle = coarse.width / 2;
  let best = { score: -1, slope: 0, row: 0, angle: 0 };
  const rows = new Float64Array(coarse.height);
  const stride = Math.max(1, Math.ceil(count / SEARCHED_PLACES));
  const crowdedAt = (angle: number): void => {
    const slope = Math.tan((angle * Math.PI) / 180);
    rows.fill(0);
    for (let k = 0; k < count; k += stride) {
      const row = Math.round((ys[k] as number) - slope * ((xs[k] as number) - middle));
      if (row >= 0 && row < rows.length) rows[row] = (rows[row] as number) + 1;
    }
    const smooth = runningMean(rows, 2);
    let peak = 0;
    for (let j = 1; j < smooth.length; j++) if ((smooth[j] as number) > (smooth[peak] as number)) peak = j;
    if ((smooth[peak] as number) > best.score) best = { score: smooth[peak] as number, slope, row: peak, angle };
  };
  const [wide, fine] = SKEW_STEPS_DEG;
  for (let angle = -MOST_SKEW_DEG; angle <= MOST_SKEW_DEG; angle += wide) crowdedAt(angle);
  const near = best.angle;
  for (let angle = near - wide + fine; angle < near + wide; angle += fine) crowdedAt(angle);
  return refine(coarse, xs, ys, count, [best.row, best.slope * middle, 0]);
}

function runningMean(values: Float64Array, reach: number): Float64Array {
  const out = new Float64Array(values.length);
  let sum = 0;
  for (let i = -reach; i < values.length; i++) {
    sum += i + reach < values.length ? (values[i + reach] as number) : 0;
    if (i - reach - 1 >= 0) sum -= values[i - reach - 1] as number;
    if (i >= 0) out[i] = sum / (2 * reach + 1);
  }
  return out;
}

/** Robust least squares of the curve on the places near it, the window drawn in round by round. */
function refine(
  coarse: Coarse,
  xs: Float32Array,
  ys: Float32Array,
  count: number,
  start: [number, number, number],
): ToothBand | null {
  let curve = start;
  // A breasted line leaves its chord by some hundredths of its length.
  let window = Math.max(8, 0.03 * coarse.width);
  let spread = window;
  for (let round = 0; round < 10; round++) {
    const fit = fitCurve(coarse, xs, ys, count, curve, window);
    if (!fit) return null;
    curve = fit.curve;
    spread = fit.spread;
    // Flanks evenly filled over a strip of half-width h scatter by h / sqrt 3.
    window = Math.max(3, Math.min(window, 2.2 * spread * Math.sqrt(3)));
  }
  const halfPx = Math.max(2, spread * Math.sqrt(3));
  const stride = Math.max(1, Math.ceil(count / FITTED_PLACES));
  const within = (from: number, to: number): number => {
    const [c0, c1, c2] = curve;
    let sum = 0;
    for (let k = 0; k < count; k += stride) {
      const u = (2 * (xs[k] as number)) / coarse.width - 1;
      const off = Math.abs((ys[k] as number) - c0 - c1 * u - c2 * u * u);
      if (off >= from && off < to) sum++;
    }
    return sum * stride;
  };
  const inside = within(0, 1.3 * halfPx);
  const elsewhere = within(1.8 * halfPx, Infinity);
  const restRows = Math.max(1, coarse.height - 3.6 * halfPx);
  return {
    curve: [curve[0] * coarse.step, curve[1] * coarse.step, curve[2] * coarse.step],
    halfPx: (halfPx + 1) * coarse.step,
    plainness: inside / (2.6 * halfPx) / ((elsewhere + 1) / restRows),
  };
}

function fitCurve(
  coarse: Coarse,
  xs: Float32Array,
  ys: Float32Array,
  count: number,
  curve: [number, number, number],
  window: number,
): { curve: [number, number, number]; spread: number } | null {
  let n = 0;
  let s1 = 0;
  let s2 = 0;
  let s3 = 0;
  let s4 = 0;
  let t0 = 0;
  let t1 = 0;
  let t2 = 0;
  let squares = 0;
  const [c0, c1, c2] = curve;
  const stride = Math.max(1, Math.ceil(count / FITTED_PLACES));
  for (let k = 0; k < count; k += stride) {
    const u = (2 * (xs[k] as number)) / coarse.width - 1;
    const off = (ys[k] as number) - c0 - c1 * u - c2 * u * u;
    if (Math.abs(off) > window) continue;
    const u2 = u * u;
    n++;
    s1 += u;
    s2 += u2;
    s3 += u2 * u;
    s4 += u2 * u2;
    t0 += off;
    t1 += off * u;
    t2 += off * u2;
    squares += off * off;
  }
  if (n < FEWEST_PLACES) return null;
  const change = solve3([n, s1, s2, s3, s4], [t0, t1, t2]);
  if (!change) return null;
  return {
    curve: [curve[0] + change[0], curve[1] + change[1], curve[2] + change[2]],
    spread: Math.sqrt(squares / n),
  };
}

/** Normal equations of a parabola, by Cramer's rule. Null where the places lie in one column. */
function solve3(
  [n, a, b, c, d]: readonly [number, number, number, number, number],
  [p, q, r]: readonly [number, number, number],
): [number, number, number] | null {
  const det = n * (b * d - c * c) - a * (a * d - b * c) + b * (a * c - b * b);
  if (!(Math.abs(det) > 1e-9 * n * n * n)) return null;
  return [
    (p * (b * d - c * c) - a * (q * d - c * r) + b * (q * c - b * r)) / det,
    (n * (q * d - c * r) - p * (a * d - b * c) + b * (a * r - q * b)) / det,
    (n * (b * r - q * c) - a * (a * r - q * b) + p * (a * c - b * b)) / det,
  ];
}
