import { MOST_LOOKS } from './flank-looks';
import type { RoughFlank } from './rough-flank';
import { FEWEST_PLACES } from './rough-flank';

/**
 * A flank of a tooth as a straight line in a view: x = atX + lean (y - atY), so
 * `lean` is the tangent of its angle off the picture's upright.
 */
export interface FlankLine {
  readonly atX: number;
  readonly atY: number;
  readonly lean: number;
  /** Standard errors of `atX`, px, and of `lean`; they are not correlated, as `atY` is the mean of the places fitted. */
  readonly atXError: number;
  readonly leanError: number;
  /** Scatter of the edge about the line, square to it, px. */
  readonly roughPx: number;
  readonly places: number;
  /** Grey just outside and just inside the edge. */
  readonly outside: number;
  readonly inside: number;
  /** Width of the edge as the deviation of the blur, px. */
  readonly blurPx: number;
  /** Ends of what was fitted, rows of the view. */
  readonly fromY: number;
  readonly toY: number;
}

export const flankX = (flank: FlankLine, y: number): number => flank.atX + flank.lean * (y - flank.atY);

/** Places a pixel apart along an edge share the blur: so many stand for one at the least, and a correlation says no more than this. */
const LEAST_ALIKE = 2.4;
const MOST_ALIKE = 0.85;
/** A place this many scatters off the line is dust, not flank. */
const OUTLIER = 2.8;

/** Room for the places' distances from the line, used anew for each flank. */
const RESIDUALS = new Float64Array(MOST_LOOKS);

/** Places of an edge: so far out of the rough line, px square to it, at these rows; the first `count` of each. */
export interface Offsets {
  readonly offs: Float64Array;
  readonly ys: Float64Array;
  readonly count: number;
}

type Seen = Pick<FlankLine, 'inside' | 'outside' | 'blurPx' | 'fromY' | 'toY'>;

/** Least squares of the offsets on the place along the edge, those far off the line left out; three rounds. */
export function fitOffsets(line: RoughFlank, way: 1 | -1, { offs, ys, count }: Offsets, seen: Seen): FlankLine | null {
  const size = Math.hypot(1, line.lean);
  const residuals = RESIDUALS.fill(0);
  let limit = Infinity;
  let result: FlankLine | null = null;
  for (let round = 0; round < 3; round++) {
    let n = 0;
    let my = 0;
    let mo = 0;
    for (let i = 0; i < count; i++) {
      if ((residuals[i] as number) > limit) continue;
      n++;
      my += ys[i] as number;
      mo += offs[i] as number;
    }
    if (n < FEWEST_PLACES) return result;
    my /= n;
    mo /= n;
    let syy = 0;
    let syo = 0;
    for (let i = 0; i < count; i++) {
      if ((residuals[i] as number) > limit) continue;
      const off = (ys[i] as number) - my;
      syy += off * off;
      syo += off * ((offs[i] as number) - mo);
    }
    const slope = syy > 0 ? syo / syy : 0;
    let squares = 0;
    let neighbours = 0;
    let last = 0;
    for (let i = 0; i < count; i++) {
      const used = (residuals[i] as number) <= limit;
      const r = (offs[i] as number) - mo - slope * ((ys[i] as number) - my);
      residuals[i] = Math.abs(r);
      if (!used) continue;
      squares += r * r;
      neighbours += last * r;
      last = r;
    }
    const rough = Math.sqrt(squares / Math.max(1, n - 2));
    const variance = Math.max(rough, LEAST_ROUGH) ** 2 * alikeness(squares, neighbours);
    // An offset square to the edge moves it sideways by offset * size, against `way`.
    const move = -way * size;
    result = {
      inside: seen.inside,
      outside: seen.outside,
      blurPx: seen.blurPx,
      fromY: seen.fromY,
      toY: seen.toY,
      atX: line.atX + line.lean * (my - line.atY) + move * mo,
      atY: my,
      lean: line.lean + move * slope,
      atXError: size * Math.hypot(Math.sqrt(variance / n), PIXEL_BIAS / 2),
      leanError:
        syy > 0 ? size * Math.hypot(Math.sqrt(variance / syy), PIXEL_BIAS / Math.sqrt((12 * syy) / n)) : Infinity,
      roughPx: rough,
      places: n,
    };
    if (round < 2) limit = Math.max(OUTLIER * 1.4826 * medianSize(residuals, count), LEAST_LIMIT_PX);
  }
  return result;
}

/**
 * How many places along an edge stand for one: offsets that follow one another with correlation r at one step, and
 * r to the n at n, make a mean's variance (1 + r) / (1 - r) times that of as many of their own (first-order
 * autoregression: Priestley, Spectral Analysis and Time Series, 1981, from memory).
 */
function alikeness(squares: number, neighbours: number): number {
  const r = squares > 0 ? Math.min(neighbours / squares, MOST_ALIKE) : 0;
  return Math.max(LEAST_ALIKE, (1 + r) / (1 - r));
}

/** No place nearer than this to the line is called dust, px. */
const LEAST_LIMIT_PX = 0.15;
/** Sizes are counted in classes so wide, up to so many: finer than any limit drawn from them needs. px. */
const CLASS_PX = 0.02;
const CLASSES = 250;

const COUNTS = new Uint16Array(CLASSES);

/** Median of the first so many sizes, to a class. */
function medianSize(sizes: Float64Array, count: number): number {
  const counts = COUNTS.fill(0);
  for (let i = 0; i < count; i++) {
    const at = Math.min(CLASSES - 1, Math.floor((sizes[i] as number) / CLASS_PX));
    counts[at] = (counts[at] as number) + 1;
  }
  let at = 0;
  let sum = 0;
  while ((sum += counts[at] as number) <= count >> 1) at++;
  return (at + 0.5) * CLASS_PX;
}

/** What the pixels' grid may bend an edge by from one end of a flank to the other, px: no number of places takes it away. No source. */
export const PIXEL_BIAS = 0.045;

/** No edge is known better than this at one place, px: eight bits and the lens allow no more. */
const LEAST_ROUGH = 0.03;
