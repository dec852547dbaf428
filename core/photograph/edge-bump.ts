import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { tabledBell, tabledErf } from '../trace/normal-tables';

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
  return (x * (1 + tabledErf(u / Math.SQRT2))) / 2 + (s * tabledBell(u)) / Math.sqrt(2 * Math.PI);
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
