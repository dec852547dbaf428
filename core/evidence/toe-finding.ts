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
  const whole = fitted(spacing, 0, n, false);
  let best: { at: number; left: number } | null = null;
  for (let at = Math.ceil(n * (1 - MOST_SHARE)); at <= n - LEAST_TEETH; at++) {
    const left = fitted(spacing, 0, at, false).squares + fitted(spacing, at, n, true).squares;
    if (!best || left < best.left) best = { at, left };
  }
  if (!best || best.left > SCATTER_LEFT * whole.squares) return null;
  const [rest, run] = [fitted(spacing, 0, best.at, false), fitted(spacing, best.at, n, true)];
  const level = fitted(spacing, best.at, n, false);
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

/** Level or straight run of least squares through values from .. to, its ends and the squares it leaves. O(n). */
function fitted(values: readonly number[], from: number, to: number, sloped: boolean) {
  const n = to - from;
  const own = values.slice(from, to);
  const mean = own.reduce((s, v) => s + v, 0) / n;
  const middle = (n - 1) / 2;
  const across = own.reduce((s, _, i) => s + (i - middle) ** 2, 0);
  const slope = sloped && across > 0 ? own.reduce((s, v, i) => s + (i - middle) * (v - mean), 0) / across : 0;
  const squares = own.reduce((s, v, i) => s + (v - mean - slope * (i - middle)) ** 2, 0);
  return { from: mean - slope * middle, to: mean + slope * middle, squares };
}
