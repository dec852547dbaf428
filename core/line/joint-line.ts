import { selectSmallest } from './select';
import { searchShareLine } from './share-search';

/**
 * A joint line over the tooth line: y = alpha + beta x, and on a breasted saw
 * c (1 - ((x - m)/(l/2))^2) over it, c the sagitta over the chord l about m: a parabola,
 * which leaves the circle of the same chord and sagitta by 0.01 mm at c = 20 over 900 (geometry section 5). mm.
 */
export interface JointLine {
  readonly alphaMm: number;
  /** Rise per mm of length; 0 is level with the shop's straight edge. */
  readonly beta: number;
  /** Left out where the line is straight. */
  readonly breast?: Breast;
}

export interface Breast {
  readonly sagittaMm: number;
  readonly middleMm: number;
  readonly chordMm: number;
}

export interface Tip {
  readonly xMm: number;
  readonly yMm: number;
}

/** The crown alone, 1 at the middle and 0 at the ends of the chord. */
export const crownAt = (xMm: number, { middleMm, chordMm }: Omit<Breast, 'sagittaMm'>): number =>
  1 - ((xMm - middleMm) / (chordMm / 2)) ** 2;

export const heightOn = ({ alphaMm, beta, breast }: JointLine, xMm: number): number =>
  alphaMm + beta * xMm + (breast ? breast.sagittaMm * crownAt(xMm, breast) : 0);

/** The straight line that touches it at a place: what the flat of a tooth there lies on. */
export function tangentAt(line: JointLine, xMm: number): JointLine {
  if (!line.breast) return line;
  const { sagittaMm, middleMm, chordMm } = line.breast;
  const beta = line.beta - (2 * sagittaMm * (xMm - middleMm)) / (chordMm / 2) ** 2;
  return { alphaMm: heightOn(line, xMm) - beta * xMm, beta };
}

const meanX = (tips: readonly Tip[]): number => tips.reduce((s, t) => s + t.xMm, 0) / tips.length;

/**
 * Lower convex hull of the tips, heel to toe. Andrew's monotone chain
 * (Andrew 1979), linear on tips sorted by place; strictly convex corners only.
 */
export function lowerHull(tips: readonly Tip[]): Tip[] {
  const hull: Tip[] = [];
  for (const tip of tips) {
    while (hull.length >= 2) {
      const p = hull[hull.length - 2] as Tip;
      const q = hull[hull.length - 1] as Tip;
      const turn = (q.xMm - p.xMm) * (tip.yMm - p.yMm) - (q.yMm - p.yMm) * (tip.xMm - p.xMm);
      if (turn > 0) break;
      hull.pop();
    }
    hull.push(tip);
  }
  return hull;
}

/**
 * The straight line no tip lies under that loses least mean height: the edge
 * of the lower hull above the mean place (geometry section 5). Exact, linear
 * on sorted tips. Throws RangeError on fewer than two tips.
 */
export function lineForAll(tips: readonly Tip[]): JointLine {
  if (tips.length < 2) throw new RangeError('A joint line needs two teeth at least.');
  const hull = lowerHull(tips);
  const centre = meanX(tips);
  for (let i = 1; i < hull.length; i++) {
    const q = hull[i] as Tip;
    if (q.xMm >= centre || i === hull.length - 1) return through(hull[i - 1] as Tip, q);
  }
  const only = hull[0] as Tip;
  return { alphaMm: only.yMm, beta: 0 };
}

/** The level line that leaves at most floor((1 - share) n) teeth under it. */
export function levelLineForShare(tips: readonly Tip[], share: number): JointLine {
  return lineOfSlopeForShare(tips, share, 0);
}

/** For a given slope the intercept is the (k+1)-th smallest of y - beta x (geometry section 5). */
export function lineOfSlopeForShare(tips: readonly Tip[], share: number, beta: number): JointLine {
  const k = teethLeftOut(tips.length, share);
  const offsets = Float64Array.from(tips, (t) => t.yMm - beta * t.xMm).sort();
  return { alphaMm: offsets[k] as number, beta };
}

/** k = floor((1 - q) n), guarded against 0.95 * 20 falling a hair short of 19. */
export function teethLeftOut(teeth: number, share: number): number {
  if (!(share > 0 && share <= 1)) throw new RangeError('The share of teeth must be above 0 and at most 1.');
  return Math.min(teeth - 1, Math.floor((1 - share) * teeth + 1e-9));
}

/**
 * The straight line of greatest mean height with at most k teeth under it:
 * for a slope its intercept is the (k+1)-th smallest of y - beta x, and the slope
 * is searched by branch and bound ({@link searchShareLine}), exact to a nanometre.
 * `maxTilt` bounds |beta|, so that leaving out one end cannot turn the saw over.
 * Of lines equally high the level one is taken. O(n log(range / tolerance)).
 * Throws RangeError on fewer than two tips.
 */
export function lineForShare(tips: readonly Tip[], share: number, maxTilt = 0.05): JointLine {
  if (tips.length < 2) throw new RangeError('A joint line needs two teeth at least.');
  const k = teethLeftOut(tips.length, share);
  if (k === 0) return clampTilt(tips, lineForAll(tips), maxTilt);
  const centre = meanX(tips);
  const found = searchShareLine(
    Float64Array.from(tips, (t) => t.yMm),
    [Float64Array.from(tips, (t) => t.xMm - centre)],
    k,
    [-maxTilt],
    [maxTilt],
  );
  return climb(tips, centre, k, found.slopes[0] as number, maxTilt);
}

/** More corners than this are never between a slope found to a nanometre and the corner it means. */
const MOST_CORNERS = 64;

/**
 * From a slope near the best to the very corner: the (k+1)-th smallest follows one
 * tip's line until it crosses another's, so the best stands where two tips'
 * lines cross. Goes the way it rises, crossing by crossing. O(n) a crossing.
 */
function climb(tips: readonly Tip[], centre: number, k: number, from: number, maxTilt: number): JointLine {
  const values = new Float64Array(tips.length);
  const levelAt = (beta: number): { valueMm: number; tip: Tip } => {
    tips.forEach((t, i) => (values[i] = t.yMm - beta * (t.xMm - centre)));
    const valueMm = selectSmallest(values, tips.length, k);
    const tip = tips.find((t) => t.yMm - beta * (t.xMm - centre) === valueMm) as Tip;
    return { valueMm, tip };
  };
  let beta = from;
  let here = levelAt(beta);
  for (let corner = 0; corner < MOST_CORNERS; corner++) {
    const own = here.tip;
    const rises = Math.sign(centre - own.xMm);
    if (rises === 0) break;
    let next = rises * maxTilt;
    for (const tip of tips) {
      if (tip.xMm === own.xMm) continue;
      const crossing = (tip.yMm - own.yMm) / (tip.xMm - own.xMm);
      if (rises * (crossing - beta) > 0 && rises * (next - crossing) > 0) next = crossing;
    }
    const there = levelAt(next);
    if (next === beta || there.valueMm <= here.valueMm) break;
    beta = next;
    here = there;
  }
  return { alphaMm: here.valueMm - beta * centre, beta };
}

function clampTilt(tips: readonly Tip[], line: JointLine, maxTilt: number): JointLine {
  if (Math.abs(line.beta) <= maxTilt) return line;
  return lineOfSlopeForShare(tips, 1, Math.sign(line.beta) * maxTilt);
}

function through(p: Tip, q: Tip): JointLine {
  const beta = (q.yMm - p.yMm) / (q.xMm - p.xMm);
  return { alphaMm: p.yMm - beta * p.xMm, beta };
}

/** The line raised onto the tallest tooth: depth is counted down from it (geometry section 4). */
export function datumOn(tips: readonly Tip[], line: JointLine): JointLine {
  const over = tips.reduce((most, tip) => Math.max(most, tip.yMm - heightOn(line, tip.xMm)), -Infinity);
  return Number.isFinite(over) ? { ...line, alphaMm: line.alphaMm + over } : line;
}

/** The straight line of that slope through the tallest tooth. */
export const datumLine = (tips: readonly Tip[], beta: number): JointLine => datumOn(tips, { alphaMm: 0, beta });
