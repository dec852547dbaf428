import type { JointLine, Tip } from './joint-line';
import { crownAt, lineForShare, lowerHull, teethLeftOut } from './joint-line';
import { breastRadiusMm } from './sagitta';
import { searchShareLine } from './share-search';

/** A crown of less than this is a straight line to a file. No source. mm. */
const FLAT_MM = 0.02;

/** Radius of the circle it stands for; null for a line that is straight to a file. mm. */
export const radiusOf = ({
  breast,
}: {
  readonly breast?: Omit<NonNullable<JointLine['breast']>, 'middleMm'>;
}): number | null => (breast && breast.sagittaMm >= FLAT_MM ? breastRadiusMm(breast.chordMm, breast.sagittaMm) : null);

function chordOf(tips: readonly Tip[]): { middleMm: number; chordMm: number } {
  const first = tips[0];
  const last = tips[tips.length - 1];
  if (!first || !last || tips.length < 3) throw new RangeError('A breasted line needs three teeth at least.');
  return { middleMm: (first.xMm + last.xMm) / 2, chordMm: last.xMm - first.xMm };
}

const mean = (values: readonly number[]): number => values.reduce((s, v) => s + v, 0) / values.length;

/**
 * The line of a given sagitta that loses least mean height with the share of
 * teeth on it: with the crown taken off every tip it is the straight problem. mm.
 */
export function breastedLine(tips: readonly Tip[], sagittaMm: number, share = 1): JointLine {
  const chord = chordOf(tips);
  if (!(sagittaMm >= 0)) throw new RangeError('A breast is never hollow: its sagitta is not below zero.');
  const flat = tips.map((t) => ({ xMm: t.xMm, yMm: t.yMm - sagittaMm * crownAt(t.xMm, chord) }));
  return { ...lineForShare(flat, share), breast: { sagittaMm, ...chord } };
}

/** What a sagitta gives, and how it changes with it: the straight problem's best mean height and its slope. */
interface SagittaValue {
  readonly valueMm: number;
  readonly perMm: number;
}

/**
 * g(c) = greatest mean height over (alpha, beta) with every tip on or above the
 * line. A linear programme in which c is a parameter: concave, piecewise linear;
 * its slope is what the binding hull edge says. O(n).
 */
function valueAt(tips: readonly Tip[], crowns: readonly number[], sagittaMm: number, centreMm: number): SagittaValue {
  const flat = tips.map((t, i) => ({ xMm: t.xMm, yMm: t.yMm - sagittaMm * (crowns[i] as number), crown: crowns[i] }));
  const hull = lowerHull(flat) as typeof flat;
  const meanCrown = mean(crowns);
  const edge = Math.max(
    1,
    hull.findIndex((q, i) => i > 0 && q.xMm >= centreMm),
  );
  const [p, q] = [hull[edge - 1], hull[edge] ?? hull[edge - 1]];
  if (!p || !q) throw new RangeError('A breasted line needs three teeth at least.');
  const weight = q.xMm === p.xMm ? 0 : (centreMm - p.xMm) / (q.xMm - p.xMm);
  const at = (a: number, b: number): number => (1 - weight) * a + weight * b;
  return {
    valueMm: at(p.yMm, q.yMm) + sagittaMm * meanCrown,
    perMm: meanCrown - at(p.crown as number, q.crown as number),
  };
}

/** Steps of the tangent search; each finds a piece of g not seen before. */
const MOST_STEPS = 200;
/** Two values this near are the same piece of g. mm. */
const SAME_PIECE_MM = 1e-12;

/**
 * All teeth on an arc of free sagitta between `least` and `most`, losing least
 * mean height: a linear programme in three unknowns (geometry section 5),
 * solved through its value in c: concave, so the tangents at two ends meet
 * above the best; where g reaches that meeting it is the best. O(n) a step.
 */
export function freeBreastedLine(tips: readonly Tip[], leastMm: number, mostMm: number): JointLine {
  const chord = chordOf(tips);
  if (!(leastMm >= 0 && mostMm >= leastMm)) throw new RangeError('The sagitta’s bounds must run from 0 upwards.');
  const crowns = tips.map((t) => crownAt(t.xMm, chord));
  const centre = mean(tips.map((t) => t.xMm));
  const at = (c: number): SagittaValue => valueAt(tips, crowns, c, centre);
  let [low, high] = [leastMm, mostMm];
  let [left, right] = [at(low), at(high)];
  if (left.perMm <= 0) return breastedLine(tips, low);
  if (right.perMm >= 0) return breastedLine(tips, high);
  let best = left.valueMm >= right.valueMm ? low : high;
  for (let step = 0; step < MOST_STEPS; step++) {
    const crossing =
      (right.valueMm - left.valueMm + left.perMm * low - right.perMm * high) / (left.perMm - right.perMm);
    // Nearly parallel tangents meet where rounding says: never outside what they stand at the ends of.
    const meet = Math.min(high, Math.max(low, crossing));
    const ceiling = left.valueMm + left.perMm * (meet - low);
    const here = at(meet);
    best = meet;
    if (here.valueMm >= ceiling - SAME_PIECE_MM || here.perMm === 0 || meet === low || meet === high) break;
    if (here.perMm > 0) [low, left] = [meet, here];
    else [high, right] = [meet, here];
  }
  return breastedLine(tips, best);
}

/** Fineness of a free arc that leaves teeth out: a fiftieth of a thou. mm. */
const ARC_TOLERANCE_MM = 5e-4;

/**
 * The same with a share of teeth allowed under the line: slope and sagitta
 * searched together by branch and bound, to half a micrometre of mean height.
 */
export function freeBreastedLineForShare(
  tips: readonly Tip[],
  share: number,
  leastMm: number,
  mostMm: number,
  maxTilt = 0.05,
): JointLine {
  const k = teethLeftOut(tips.length, share);
  if (k === 0) return freeBreastedLine(tips, leastMm, mostMm);
  const chord = chordOf(tips);
  const crowns = tips.map((t) => crownAt(t.xMm, chord));
  const [centre, meanCrown] = [mean(tips.map((t) => t.xMm)), mean(crowns)];
  const found = searchShareLine(
    Float64Array.from(tips, (t) => t.yMm),
    [Float64Array.from(tips, (t) => t.xMm - centre), Float64Array.from(crowns, (q) => q - meanCrown)],
    k,
    [-maxTilt, leastMm],
    [maxTilt, mostMm],
    ARC_TOLERANCE_MM,
  );
  return breastedLine(tips, found.slopes[1] as number, share);
}
