/** A straight line y = alphaMm + beta x over the tooth line. */
export interface JointLine {
  readonly alphaMm: number;
  /** Rise per mm of length; 0 is level with the shop's straight edge. */
  readonly beta: number;
}

export interface Tip {
  readonly xMm: number;
  readonly yMm: number;
}

export const heightOn = (line: JointLine, xMm: number): number => line.alphaMm + line.beta * xMm;

/** Ties of two tips on one line: rounding of sums of a few hundred mm. mm. */
const TIE_MM = 1e-10;

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
 * The straight line of greatest mean height with at most k teeth under it.
 * Walks the k-level of the dual arrangement (each tip a line y - beta x over
 * beta) vertex by vertex; the best mean height is at a vertex or at the bound.
 * `maxTilt` bounds |beta|, so that leaving out one end cannot turn the saw over.
 * O(n) a vertex. Throws RangeError on fewer than two tips.
 */
export function lineForShare(tips: readonly Tip[], share: number, maxTilt = 0.05): JointLine {
  if (tips.length < 2) throw new RangeError('A joint line needs two teeth at least.');
  const k = teethLeftOut(tips.length, share);
  if (k === 0) return clampTilt(tips, lineForAll(tips), maxTilt);
  const centre = meanX(tips);
  const at = (i: number, beta: number): number => {
    const t = tips[i] as Tip;
    return t.yMm - beta * (t.xMm - centre);
  };
  let beta = -maxTilt;
  let current = levelAt(tips, centre, beta, k);
  let best = { value: at(current, beta), beta };
  const consider = (value: number, slope: number): void => {
    const flatter = Math.abs(value - best.value) <= TIE_MM && Math.abs(slope) < Math.abs(best.beta);
    if (value > best.value + TIE_MM || flatter) best = { value, beta: slope };
  };
  for (let guard = 0; guard < tips.length * tips.length; guard++) {
    const own = tips[current] as Tip;
    let next = maxTilt;
    for (const tip of tips) {
      if (tip.xMm === own.xMm) continue;
      const crossing = (tip.yMm - own.yMm) / (tip.xMm - own.xMm);
      if (crossing > beta + 1e-15 && crossing < next) next = crossing;
    }
    consider(at(current, next), next);
    if (next >= maxTilt) break;
    beta = next;
    current = levelAt(tips, centre, beta, k);
  }
  consider(at(levelAt(tips, centre, 0, k), 0), 0);
  return { alphaMm: best.value - best.beta * centre, beta: best.beta };
}

/** Index of the line on the k-level just after beta: among ties, larger x falls first. */
function levelAt(tips: readonly Tip[], centre: number, beta: number, k: number): number {
  const order = tips.map((t, i) => ({ i, x: t.xMm, v: t.yMm - beta * (t.xMm - centre) }));
  const values = Float64Array.from(order, (o) => o.v).sort();
  const level = values[k] as number;
  const under = order.filter((o) => o.v < level - TIE_MM).length;
  const tied = order.filter((o) => Math.abs(o.v - level) <= TIE_MM).sort((p, q) => q.x - p.x);
  return (tied[Math.min(k - under, tied.length - 1)] as { i: number }).i;
}

function clampTilt(tips: readonly Tip[], line: JointLine, maxTilt: number): JointLine {
  if (Math.abs(line.beta) <= maxTilt) return line;
  return lineOfSlopeForShare(tips, 1, Math.sign(line.beta) * maxTilt);
}

function through(p: Tip, q: Tip): JointLine {
  const beta = (q.yMm - p.yMm) / (q.xMm - p.xMm);
  return { alphaMm: p.yMm - beta * p.xMm, beta };
}

/** The parallel line through the tallest tooth: depth is counted down from it (geometry section 4). */
export function datumLine(tips: readonly Tip[], beta: number): JointLine {
  let alphaMm = -Infinity;
  for (const tip of tips) alphaMm = Math.max(alphaMm, tip.yMm - beta * tip.xMm);
  return { alphaMm, beta };
}
