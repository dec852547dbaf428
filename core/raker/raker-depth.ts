import type { Tip } from '../line/joint-line';
import type { ToothRole } from '../saw/tooth-pattern';

/** How one raker stands against the cutters beside it. */
export interface RakerDepth {
  /** Index of the raker among the standing teeth, and its number. */
  readonly index: number;
  readonly tooth: number;
  /** Height of its cutters, carried along the joint line, less the raker's tip: positive is below them. mm. */
  readonly depthMm: number;
  /** It has a cutter on one side only, or on none: the joint line carried that one's height to it. */
  readonly atEnd: boolean;
}

/**
 * Depth of every raker (geometry section 7): how far its tip stands under the cutters
 * beside it, carried along the joint line h(x), straight or crowned. With cutters p and q
 * on either side and e their rise over h,
 *
 *     depth = h(x) + e(p) + (x - p) / (q - p) (e(q) - e(p)) - tip
 *
 * which on a straight line is the chord through the two cutters, and on an arc of radius
 * R the chord and its crown a b / 2R (s² / 2R where both are s away). With one neighbour,
 * as at either end, that cutter's own rise over the line is carried to the raker; with
 * none the line itself stands in. mm in x and y. O(n). Throws RangeError without a role
 * for every tip. Example: level cutters at 0, a raker at -0.3 between them -> 0.3.
 */
export function rakerDepths(
  tips: readonly (Tip & { readonly tooth: number })[],
  roles: readonly ToothRole[],
  heightAtMm: (xMm: number) => number,
): RakerDepth[] {
  if (tips.length !== roles.length) throw new RangeError('Every tooth needs its role.');
  const before = nearestCutters(roles, 1);
  const after = nearestCutters(roles, -1);
  const rise = (tip: Tip): number => tip.yMm - heightAtMm(tip.xMm);
  return tips.flatMap((tip, index): RakerDepth[] => {
    if (roles[index] !== 'raker') return [];
    const p = tips[before[index] as number];
    const q = tips[after[index] as number];
    const one = p ?? q;
    const share = p && q ? (tip.xMm - p.xMm) / (q.xMm - p.xMm) : 0;
    const cuttersRise = p && q ? rise(p) + share * (rise(q) - rise(p)) : one ? rise(one) : 0;
    return [{ index, tooth: tip.tooth, depthMm: cuttersRise - rise(tip), atEnd: !(p && q) }];
  });
}

/** Index of the nearest cutter before (step 1) or after (step -1) each place; -1 where there is none. */
function nearestCutters(roles: readonly ToothRole[], step: 1 | -1): Int32Array {
  const nearest = new Int32Array(roles.length).fill(-1);
  let last = -1;
  for (let k = 0; k < roles.length; k++) {
    const i = step === 1 ? k : roles.length - 1 - k;
    nearest[i] = last;
    if (roles[i] === 'cutter') last = i;
  }
  return nearest;
}
