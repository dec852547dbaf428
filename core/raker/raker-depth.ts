import type { JointLine, Tip } from '../line/joint-line';
import { heightOn } from '../line/joint-line';
import type { ToothRole } from '../saw/tooth-pattern';

/** How one raker stands against the cutters beside it. */
export interface RakerDepth {
  /** Index of the raker among the standing teeth, and its number. */
  readonly index: number;
  readonly tooth: number;
  /** Line through the neighbouring cutters less the raker's tip: positive is below them. mm. */
  readonly depthMm: number;
  /** One of its neighbours is missing at the end of the line: the joint line stood in. */
  readonly atEnd: boolean;
}

/**
 * Depth of every raker (geometry section 7): the line through the tips of the
 * nearest cutter on either side less the raker's tip. With one neighbour, that
 * cutter and the joint line's slope. On a breasted saw of radius R the arc
 * stands over the chord of neighbours a before and b after by a b / 2R (s² / 2R
 * where both are s away): that much is added, as the cutters score on the arc. mm. O(n).
 */
export function rakerDepths(
  tips: readonly (Tip & { readonly tooth: number })[],
  roles: readonly ToothRole[],
  line: JointLine,
  radiusMm: number | null = null,
): RakerDepth[] {
  if (tips.length !== roles.length) throw new RangeError('Every tooth needs its role.');
  const before = nearestCutters(roles, 1);
  const after = nearestCutters(roles, -1);
  const found: RakerDepth[] = [];
  tips.forEach((tip, index) => {
    if (roles[index] !== 'raker') return;
    const p = tips[before[index] as number];
    const q = tips[after[index] as number];
    let over: number;
    if (p && q) {
      const share = (tip.xMm - p.xMm) / (q.xMm - p.xMm);
      const crown = radiusMm === null ? 0 : ((tip.xMm - p.xMm) * (q.xMm - tip.xMm)) / (2 * radiusMm);
      over = p.yMm + share * (q.yMm - p.yMm) + crown;
    } else {
      const one = p ?? q;
      over = one ? one.yMm + line.beta * (tip.xMm - one.xMm) : heightOn(line, tip.xMm);
    }
    found.push({ index, tooth: tip.tooth, depthMm: over - tip.yMm, atEnd: !(p && q) });
  });
  return found;
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
