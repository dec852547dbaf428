import type { ToothReading } from './tooth-reading';
import { standingTeeth } from './tooth-reading';

/** Teeth at the toe that stand otherwise apart than the rest of the line. */
export interface ToeFound {
  readonly teeth: number;
  /** Pitch where they begin and at the last tooth, mm; alike where it does not change along them. */
  readonly pitchFromMm: number;
  readonly pitchToMm: number;
  /** Pitch of the line before them, mm. */
  readonly restPitchMm: number;
}

/** Fewer teeth than this are a slip or two, not a stretch. */
const LEAST_TEETH = 4;
/** A toe nearer in pitch to the rest than this is one uneven line. Share, no source. */
const LEAST_DIFFERENCE = 0.15;
/** The two stretches must leave no more than this of the scatter one pitch leaves. No source. */
const SCATTER_LEFT = 0.35;
/** Past this share of the teeth it is the line that is graded, not its toe. */
const MOST_SHARE = 0.5;

/**
 * Starter teeth, or a graded toe, in a measured line; null where it has one pitch. The spacings are
 * parted where one level before and a straight run after leave the least squares; a stretch counts
 * when it differs plainly and the parting explains most of the scatter. Gaps of missing teeth count
 * their pitches. Change-point by least squares: from memory of any text on piecewise regression. O(n).
 */
export function findToe(readings: readonly ToothReading[]): ToeFound | null {
  const teeth = standingTeeth(readings);
  const spacing = teeth.slice(1).map((r, i) => {
    const before = teeth[i] as ToothReading;
    return (r.xMm - before.xMm) / (r.tooth - before.tooth);
  });
  const n = spacing.length;
  if (n < 3 * LEAST_TEETH) return null;
  const sums = new RunningSums(spacing);
  const whole = sums.level(0, n);
  let best: { at: number; left: number } | null = null;
  for (let at = Math.ceil(n * (1 - MOST_SHARE)); at <= n - LEAST_TEETH; at++) {
    const left = sums.level(0, at).squares + sums.sloped(at, n).squares;
    if (!best || left < best.left) best = { at, left };
  }
  if (!best || best.left > SCATTER_LEFT * whole.squares) return null;
  const [rest, run, level] = [sums.level(0, best.at), sums.sloped(best.at, n), sums.level(best.at, n)];
  const restPitchMm = rest.from;
  if (Math.max(Math.abs(run.from - restPitchMm), Math.abs(run.to - restPitchMm)) < LEAST_DIFFERENCE * restPitchMm)
    return null;
  // A run no steeper than its own scatter is one pitch.
  const even = Math.abs(run.to - run.from) < LEAST_DIFFERENCE * level.from;
  const [pitchFromMm, pitchToMm] = even ? [level.from, level.from] : [run.from, run.to];
  if (!(pitchFromMm > 0 && pitchToMm > 0)) return null;
  // The spacing to a zone's first tooth is still the rest's: it begins at the tooth before its first own spacing.
  const first = teeth[best.at] as ToothReading;
  const last = teeth[n] as ToothReading;
  return { teeth: last.tooth - first.tooth + 1, pitchFromMm, pitchToMm, restPitchMm };
}

interface Fitted {
  readonly from: number;
  readonly to: number;
  /** Squares it leaves. */
  readonly squares: number;
}

/**
 * Least squares over any stretch of a row of values from sums kept once: n, sum v, sum i v, sum v^2.
 * Values are taken off the first, so that the sums do not eat the digits. O(1) a stretch.
 */
class RunningSums {
  private readonly v: Float64Array;
  private readonly iv: Float64Array;
  private readonly vv: Float64Array;
  private readonly base: number;

  constructor(values: readonly number[]) {
    this.base = values[0] ?? 0;
    this.v = new Float64Array(values.length + 1);
    this.iv = new Float64Array(values.length + 1);
    this.vv = new Float64Array(values.length + 1);
    values.forEach((value, i) => {
      const off = value - this.base;
      this.v[i + 1] = (this.v[i] as number) + off;
      this.iv[i + 1] = (this.iv[i] as number) + i * off;
      this.vv[i + 1] = (this.vv[i] as number) + off * off;
    });
  }

  level(from: number, to: number): Fitted {
    return this.fitted(from, to, false);
  }
  sloped(from: number, to: number): Fitted {
    return this.fitted(from, to, true);
  }

  private fitted(from: number, to: number, sloped: boolean): Fitted {
    const n = to - from;
    const of = (sums: Float64Array): number => (sums[to] as number) - (sums[from] as number);
    const middle = (from + to - 1) / 2;
    const mean = of(this.v) / n;
    // Places 0 to n - 1 scatter by n (n^2 - 1) / 12 about their middle.
    const across = (n * (n * n - 1)) / 12;
    const slope = sloped && across > 0 ? (of(this.iv) - middle * of(this.v)) / across : 0;
    const squares = Math.max(0, of(this.vv) - n * mean * mean - slope * slope * across);
    const half = (n - 1) / 2;
    return { from: this.base + mean - slope * half, to: this.base + mean + slope * half, squares };
  }
}
