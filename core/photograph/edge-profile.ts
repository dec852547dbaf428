import { levenbergMarquardt } from 'ml-levenberg-marquardt';
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

/** How a tooth that leans out stands off its wall, seen from over its point: rising from both sides to the tip. mm. */
export interface BumpShape {
  /** From where it begins to the tip, and from the tip to where it ends, along the line. */
  readonly before: number;
  readonly after: number;
}

/** A bump's height at `along` from its tip, as a share of the tip's, its point rounded by the picture's blur (normal, deviation `blur`). */
export function bumpAt(along: number, { before, after }: BumpShape, blur: number): number {
  // Three corners of a polygon, each rounded: a ramp through a normal blur.
  return (
    (ramp(along + before, blur) - ramp(along, blur)) / before - (ramp(along, blur) - ramp(along - after, blur)) / after
  );
}

/** max(0, x) blurred: x F(x / s) + s f(x / s), F and f the normal distribution and its density. */
function ramp(x: number, s: number): number {
  const u = x / s;
  if (u < -6) return 0;
  if (u > 6) return x;
  return x * normalShare(u) + s * Math.exp(-0.5 * u * u) * 0.3989422804014327;
}

/** The normal distribution (Abramowitz and Stegun 26.2.17, to 7.5e-8, from memory). */
function normalShare(u: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(u));
  const tail =
    0.3989422804014327 *
    Math.exp(-0.5 * u * u) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return u > 0 ? 1 - tail : tail;
}

/** One bump as it was fitted. mm. */
export interface FittedBump {
  readonly x: number;
  readonly heightMm: number;
  readonly errorMm: number;
}

/** The common shape of a line's bumps, fitted to the mean of them all; their `offs` stand over their wall at `xs`, mm. */
export function bumpShape(
  bumps: readonly { readonly xs: readonly number[]; readonly offs: readonly number[]; readonly x: number }[],
  pitchMm: number,
  blurMm: number,
): BumpShape {
  // The mean bump, in classes of its own fineness.
  const step = pitchMm / 40;
  const sums = new Map<number, { sum: number; n: number }>();
  for (const { xs, offs, x } of bumps)
    xs.forEach((at, i) => {
      const k = Math.round((at - x) / step);
      const own = sums.get(k) ?? { sum: 0, n: 0 };
      sums.set(k, { sum: own.sum + (offs[i] as number), n: own.n + 1 });
    });
  const x = [...sums.keys()].sort((a, b) => a - b);
  const y = x.map((k) => {
    const { sum, n } = sums.get(k) as { sum: number; n: number };
    return sum / n;
  });
  const most = Math.max(...y, 1e-6);
  const fit = levenbergMarquardt(
    { x: x.map((k) => k * step), y },
    ([height, before, after, shift]) =>
      (at) =>
        (height as number) *
        bumpAt(at - (shift as number), { before: before as number, after: after as number }, blurMm),
    {
      initialValues: [most, 0.25 * pitchMm, 0.15 * pitchMm, 0],
      minValues: [0, 0.02 * pitchMm, 0.02 * pitchMm, -0.3 * pitchMm],
      maxValues: [4 * most, 0.9 * pitchMm, 0.9 * pitchMm, 0.3 * pitchMm],
      gradientDifference: 1e-4,
      centralDifference: true,
      damping: 1e-2,
      maxIterations: 60,
      errorTolerance: 1e-10,
    },
  );
  return { before: fit.parameterValues[1] as number, after: fit.parameterValues[2] as number };
}

/** Rounds of place and height in turn. */
const ROUNDS = 6;
/** Neighbouring columns share the blur: so many stand for one. */
const ALIKE = 2.5;

/** One bump's place and height by least squares, the shape given. */
export function fitBump(
  { xs, offs, x: start }: { readonly xs: readonly number[]; readonly offs: readonly number[]; readonly x: number },
  shape: BumpShape,
  blurMm: number,
): FittedBump {
  let x = start;
  let height = 0;
  const h = 0.01;
  for (let round = 0; round < ROUNDS; round++) {
    let [aa, ad, dd, ao, dO] = [0, 0, 0, 0, 0];
    xs.forEach((at, i) => {
      const a = bumpAt(at - x, shape, blurMm);
      // How the model moves with its place.
      const d = (bumpAt(at - x - h, shape, blurMm) - bumpAt(at - x + h, shape, blurMm)) / (2 * h);
      const off = offs[i] as number;
      aa += a * a;
      ad += a * d;
      dd += d * d;
      ao += a * off;
      dO += d * off;
    });
    const size = aa * dd - ad * ad;
    if (!(size > 1e-12)) break;
    height = (ao * dd - dO * ad) / size;
    const moved = (dO * aa - ao * ad) / size;
    if (!(height > 1e-4)) break;
    const most = 0.3 * (shape.before + shape.after);
    x = Math.min(start + most, Math.max(start - most, x + Math.max(-0.1, Math.min(0.1, moved / height))));
  }
  let [squares, sizes] = [0, 0];
  xs.forEach((at, i) => {
    const a = bumpAt(at - x, shape, blurMm);
    squares += ((offs[i] as number) - height * a) ** 2;
    sizes += a * a;
  });
  const scatter = Math.sqrt(squares / Math.max(1, xs.length - 2));
  return { x, heightMm: Math.max(0, height), errorMm: sizes > 0 ? scatter * Math.sqrt(ALIKE / sizes) : Infinity };
}
