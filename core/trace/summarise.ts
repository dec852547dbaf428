import { MM_PER_INCH } from '../units/length';
import type { ToothRole } from '../saw/tooth-pattern';
import { rakerDepths } from '../raker/raker-depth';
import { median } from '../units/median';
import type { Estimate } from '../evidence/estimate';
import type { TracedLine, TracedSummary, TracedTooth } from './traced-line';

/**
 * What a traced line says as a whole, from its teeth: least squares with standard
 * errors (residual variance over n - 2, or n - 3 with a parabola; textbook
 * regression, from memory), angles and depths as medians with 1.2533 times the
 * error of a mean. The scale's own error is added to every length as a share.
 * mm and degrees. Throws RangeError below three standing teeth.
 */
export function summarise(teeth: readonly TracedTooth[], scaleError = 0): TracedSummary {
  const whole = teeth.filter((t) => t.kind === 'tooth');
  const standing = whole.filter((t) => !t.raker);
  if (standing.length < 3) throw new RangeError('A line has three standing teeth at least.');
  const pitch = slope(standing.map((t) => [t.tooth, t.xMm]));
  const withScale = ({ value, error }: Estimate): Estimate => ({ value, error: Math.hypot(error, value * scaleError) });
  const pitchMm = withScale(pitch);
  const perInch = MM_PER_INCH / pitchMm.value;
  const perInchError = (perInch * pitchMm.error) / pitchMm.value;
  const first = standing[0] as TracedTooth;
  const last = standing[standing.length - 1] as TracedTooth;
  const lengthMm = last.xMm - first.xMm;
  const crown = crownOf(standing, lengthMm);
  return {
    teeth: whole.length,
    missing: teeth.filter((t) => t.kind === 'missing').length,
    broken: teeth.filter((t) => t.kind === 'broken').length,
    lengthMm,
    pitchMm,
    teethPerInch: { value: perInch, error: perInchError },
    pointsPerInch: { value: perInch + 1, error: perInchError },
    rakeDeg: medianOf(standing.map((t) => t.rakeDeg)),
    backDeg: medianOf(standing.map((t) => t.backDeg)),
    gulletMm: medianOf(standing.map((t) => t.gulletMm)),
    breastMm: { value: crown.value, error: Math.hypot(crown.error, crown.value * scaleError) },
    rakers: teeth.filter((t) => t.raker).length,
    rakerDepthMm: medianOf(whole.map((t) => t.raker?.depthMm ?? null)),
    unequalMm: crown.scatter,
  };
}

/**
 * The line summed up with every raker measured against its cutters: the nearest
 * ones carried along the line fitted through them all, an arc where it is plainly breasted
 * (geometry section 7). Heights of teeth stand over the straight line through all tips. mm.
 */
export function summedUp(teeth: readonly TracedTooth[], scaleError = 0): Pick<TracedLine, 'teeth' | 'summary'> {
  const summary = summarise(teeth, scaleError);
  if (summary.rakers === 0) return { teeth, summary };
  const standing = teeth.filter((t) => t.kind === 'tooth');
  const roles = standing.map((t): ToothRole => (t.raker ? 'raker' : 'cutter'));
  const cutters = standing.filter((t) => !t.raker);
  const { value: c, error } = summary.breastMm;
  const fit = crownOf(cutters, summary.lengthMm);
  const lineAtMm = c > SURELY * error ? fit.arcAtMm : fit.straightAtMm;
  const depths = new Map(rakerDepths(standing, roles, lineAtMm).map((d) => [d.tooth, d.depthMm]));
  const measured = teeth.map((t): TracedTooth => {
    if (!t.raker) return t;
    const depthMm = depths.get(t.tooth) ?? null;
    const beside = [cutters.findLast((k) => k.tooth < t.tooth), cutters.find((k) => k.tooth > t.tooth)];
    const near = beside.flatMap((k) => (k ? [k.errors.yMm / beside.length] : []));
    const depthErrorMm = depthMm === null ? null : Math.hypot(t.errors.yMm, ...near);
    return { ...t, raker: { ...t.raker, depthMm, depthErrorMm } };
  });
  return { teeth: measured, summary: summarise(measured, scaleError) };
}

/** A breast of so many of its errors is one. */
const SURELY = 3;

function slope(pairs: readonly (readonly [number, number])[]): Estimate {
  const n = pairs.length;
  const mx = pairs.reduce((s, p) => s + p[0], 0) / n;
  const my = pairs.reduce((s, p) => s + p[1], 0) / n;
  const sxx = pairs.reduce((s, p) => s + (p[0] - mx) ** 2, 0);
  const value = pairs.reduce((s, p) => s + (p[0] - mx) * (p[1] - my), 0) / sxx;
  const squares = pairs.reduce((s, p) => s + (p[1] - my - value * (p[0] - mx)) ** 2, 0);
  return { value, error: Math.sqrt(squares / Math.max(1, n - 2) / sxx) };
}

interface Crown extends Estimate {
  readonly scatter: number;
  /** Heights of the fitted parabola and of the fitted straight line, mm. */
  readonly arcAtMm: (xMm: number) => number;
  readonly straightAtMm: (xMm: number) => number;
}

/** Least-squares parabola over the tips: sagitta over the whole length, its error, and the scatter about it. */
function crownOf(standing: readonly TracedTooth[], lengthMm: number): Crown {
  const n = standing.length;
  const half = lengthMm / 2 || 1;
  const mean = standing.reduce((s, t) => s + t.xMm, 0) / n;
  const us = standing.map((t) => (t.xMm - mean) / half);
  const m2 = us.reduce((s, u) => s + u * u, 0) / n;
  const m3 = us.reduce((s, u) => s + u ** 3, 0) / n;
  const my = standing.reduce((s, t) => s + t.yMm, 0) / n;
  const basis = us.map((u) => u * u - (m3 / m2) * u - m2);
  const norm = basis.reduce((s, b) => s + b * b, 0);
  const q = norm > 0 ? standing.reduce((s, t, i) => s + (basis[i] as number) * t.yMm, 0) / norm : 0;
  const p = standing.reduce((s, t, i) => s + (us[i] as number) * t.yMm, 0) / (n * m2);
  const squares = standing.reduce(
    (s, t, i) => s + (t.yMm - my - p * (us[i] as number) - q * (basis[i] as number)) ** 2,
    0,
  );
  const scatter = Math.sqrt(squares / Math.max(1, n - 3));
  const straightAtMm = (xMm: number): number => my + (p * (xMm - mean)) / half;
  const arcAtMm = (xMm: number): number => {
    const u = (xMm - mean) / half;
    return straightAtMm(xMm) + q * (u * u - (m3 / m2) * u - m2);
  };
  return { value: -q, error: norm > 0 ? scatter / Math.sqrt(norm) : 0, scatter, arcAtMm, straightAtMm };
}

/** Median of what was measured, with its error for a normal scatter (sqrt(pi / 2) of the mean's). */
function medianOf(values: readonly (number | null)[]): Estimate | null {
  const known = values.filter((v): v is number => v !== null);
  if (known.length < 2) return null;
  const value = median(known);
  const deviation = 1.4826 * median(known.map((v) => Math.abs(v - value)));
  return { value, error: (Math.sqrt(Math.PI / 2) * deviation) / Math.sqrt(known.length) };
}
