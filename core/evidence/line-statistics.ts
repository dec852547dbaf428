import type { ToothReading } from './tooth-reading';
import { leanOf, standingTeeth } from './tooth-reading';

export interface SideSet {
  readonly count: number;
  readonly meanMm: number;
  /** Sample standard deviation; null with fewer than two readings. */
  readonly spreadMm: number | null;
}

export interface LineStatistics {
  readonly teeth: number;
  readonly missing: number;
  readonly lengthMm: number;
  /** Least-squares pitch of the main stretch, over the places in pitches, mm. */
  readonly pitchMm: number;
  /** Tallest minus lowest standing tip against the best straight line, mm. */
  readonly heightSpreadMm: number;
  /** Fitted parabola's sagitta over the whole line: positive is breasted, negative hollow, mm. */
  readonly crownMm: number;
  readonly worstSpacingMm: number;
  /** False when every tooth stands exactly where the pitch puts it: the places were filled in, not measured. */
  readonly placesMeasured: boolean;
  readonly setLeft: SideSet;
  readonly setRight: SideSet;
}

/** A spacing error below this, mm, is rounding in the sum of pitches, not a saw. */
const FILLED_IN_MM = 1e-6;

/** A line of one pitch: a tooth's place is its number. */
const EVEN = (tooth: number): number => tooth;

/**
 * What a line of readings says at a glance. `placeOf` gives a tooth's place in pitches of the main
 * stretch; a line of one pitch needs none. `groupOf` parts the line where spacing is not judged. Least squares for pitch, straight
 * line and crown (normal equations on centred x). Null below three teeth. O(n).
 */
export function lineStatistics(
  readings: readonly ToothReading[],
  placeOf: (tooth: number) => number = EVEN,
  groupOf: (tooth: number) => number = () => 0,
): LineStatistics | null {
  const standing = standingTeeth(readings);
  const first = standing[0];
  const last = standing[standing.length - 1];
  if (!first || !last || standing.length < 3) return null;
  const lengthMm = last.xMm - first.xMm;
  const pitch = slopeOf(standing.map((r) => [placeOf(r.tooth), r.xMm]));
  const tilt = slopeOf(standing.map((r) => [r.xMm, r.yMm]));
  const off = standing.map((r) => r.yMm - tilt * r.xMm);
  let worst = 0;
  for (let i = 1; i < standing.length; i++) {
    const a = standing[i - 1] as ToothReading;
    const b = standing[i] as ToothReading;
    if (groupOf(a.tooth) !== groupOf(b.tooth)) continue;
    worst = Math.max(worst, Math.abs(b.xMm - a.xMm - (placeOf(b.tooth) - placeOf(a.tooth)) * pitch));
  }
  return {
    teeth: standing.length,
    missing: readings.length - standing.length,
    lengthMm,
    pitchMm: pitch,
    heightSpreadMm: maxOf(off) - minOf(off),
    crownMm: crown(standing, lengthMm),
    worstSpacingMm: worst,
    placesMeasured: worst > FILLED_IN_MM,
    setLeft: sideSet(standing, 'left'),
    setRight: sideSet(standing, 'right'),
  };
}

/** Set of both sides alone, as {@link lineStatistics} tells it. Null below three teeth. O(n). */
export function setOfLine(
  readings: readonly ToothReading[],
): { readonly left: SideSet; readonly right: SideSet } | null {
  const standing = standingTeeth(readings);
  return standing.length < 3 ? null : { left: sideSet(standing, 'left'), right: sideSet(standing, 'right') };
}

/** Sagitta of the least-squares parabola: -q l^2 / 4 for y = .. + q x^2 over chord l. */
function crown(standing: readonly ToothReading[], lengthMm: number): number {
  const n = standing.length;
  const mean = standing.reduce((s, r) => s + r.xMm, 0) / n;
  const half = lengthMm / 2 || 1;
  const xs = standing.map((r) => (r.xMm - mean) / half);
  const m2 = xs.reduce((s, x) => s + x * x, 0) / n;
  const m3 = xs.reduce((s, x) => s + x ** 3, 0) / n;
  // Orthogonal quadratic on 1, x, x^2 - (m3/m2) x - m2
  const basis = xs.map((x) => x * x - (m3 / m2) * x - m2);
  const norm = basis.reduce((s, b) => s + b * b, 0);
  const q = norm === 0 ? 0 : basis.reduce((s, b, i) => s + b * (standing[i] as ToothReading).yMm, 0) / norm;
  return -q;
}

function slopeOf(pairs: readonly (readonly [number, number])[]): number {
  const n = pairs.length;
  const mx = pairs.reduce((s, p) => s + p[0], 0) / n;
  const my = pairs.reduce((s, p) => s + p[1], 0) / n;
  const sxx = pairs.reduce((s, p) => s + (p[0] - mx) ** 2, 0);
  return sxx === 0 ? 0 : pairs.reduce((s, p) => s + (p[0] - mx) * (p[1] - my), 0) / sxx;
}

/** Mean and spread of the set of the teeth that lean to one side, as far as it was read. mm. */
export function sideSet(teeth: readonly ToothReading[], side: 'left' | 'right'): SideSet {
  const values = teeth.flatMap((r) =>
    r.setMm !== null && r.setMm !== undefined && leanOf(r) === side ? [r.setMm] : [],
  );
  return meanAndSpread(values);
}

/** Mean and sample standard deviation of a side's set readings. */
export function meanAndSpread(values: readonly number[]): SideSet {
  const count = values.length;
  const meanMm = count === 0 ? 0 : values.reduce((s, v) => s + v, 0) / count;
  const spreadMm = count < 2 ? null : Math.sqrt(values.reduce((s, v) => s + (v - meanMm) ** 2, 0) / (count - 1));
  return { count, meanMm, spreadMm };
}

const maxOf = (values: readonly number[]): number => values.reduce((m, v) => (v > m ? v : m), -Infinity);
const minOf = (values: readonly number[]): number => values.reduce((m, v) => (v < m ? v : m), Infinity);
