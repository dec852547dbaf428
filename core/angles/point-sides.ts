import type { Cut } from '../saw/families';
import type { Lean } from '../evidence/tooth-reading';
import type { Estimate } from '../evidence/estimate';
import type { PointSide } from '../evidence/angle-finding';
import type { AngleReading } from '../evidence/reading';
import { standing } from '../evidence/estimates';

import { gulletAngles } from './gullet-angles';

/** A tooth's lean; `assumed` where nobody recorded it and it is taken to alternate. */
export interface ToothLean {
  readonly lean: Lean | null;
  readonly assumed: boolean;
}

/** Whether a tooth leans to the side its point is on. */
export type SidesVerdict = 'agrees' | 'disagrees' | 'no-point' | 'not-known';

export interface ToothSides extends ToothLean {
  readonly tooth: number;
  readonly point: PointSide | null;
  readonly by: 'eye' | 'turns' | null;
  /** The eye saw one side, the gullets' turns say another: one of the two was misread. */
  readonly toldTwoWays: boolean;
  readonly verdict: SidesVerdict;
}

/** Two turns nearer than this many of their errors are alike: a level edge, as far as can be told. */
const ALIKE_ERRORS = 2;

/**
 * Point side and lean side of every tooth. The point is where somebody saw it, else out
 * of the turns of the two gullets beside the tooth: its face stands in its own, its back
 * in the one behind it, and the height varies over the plate by
 * dy/dz = (m_face - m_back) / T, so that the point is on the right where the face's
 * turn is the greater (geometry section 3; the other way about on a pull saw, whose x
 * runs backwards). Cutters filed `alone` have a back that mirrors their face, and
 * need their own bevel only. Later readings of a tooth stand in for earlier ones.
 * `lean` null: a tooth without a side, a raker or one left straight. O(n).
 */
export function pointSides(
  teeth: number,
  readings: readonly AngleReading[],
  leanAt: (tooth: number) => ToothLean,
  cuts: Cut,
  alone: boolean,
): ToothSides[] {
  const seen = new Map<number, PointSide>();
  const faces = new Map<number, Estimate>();
  const backs = new Map<number, Estimate>();
  const behind = cuts === 'pull' ? -1 : 1;
  for (const { place: tooth, value: finding } of standing(readings)) {
    if (finding.way === 'eye') seen.set(tooth, finding.point);
    else {
      const { faceTurnDeg, backTurnDeg } = gulletAngles(finding, cuts);
      if (faceTurnDeg) faces.set(tooth, faceTurnDeg);
      if (alone && faceTurnDeg) backs.set(tooth, { value: -faceTurnDeg.value, error: faceTurnDeg.error });
      if (!alone && backTurnDeg) backs.set(tooth + behind, backTurnDeg);
    }
  }
  return Array.from({ length: teeth }, (_, i): ToothSides => {
    const tooth = i + 1;
    const turned = fromTurns(faces.get(tooth), backs.get(tooth), behind);
    const eye = seen.get(tooth) ?? null;
    const point = eye ?? turned;
    const { lean, assumed } = leanAt(tooth);
    return {
      tooth,
      point,
      by: eye !== null ? 'eye' : turned !== null ? 'turns' : null,
      toldTwoWays: eye !== null && turned !== null && eye !== turned,
      lean,
      assumed,
      verdict: verdictOf(point, lean),
    };
  });
}

function fromTurns(face: Estimate | undefined, back: Estimate | undefined, behind: number): PointSide | null {
  if (!face || !back) return null;
  const rise = behind * (face.value - back.value);
  if (Math.abs(rise) <= ALIKE_ERRORS * Math.hypot(face.error, back.error)) return 'none';
  return rise > 0 ? 'right' : 'left';
}

function verdictOf(point: PointSide | null, lean: Lean | null): SidesVerdict {
  if (point === null || lean === null) return 'not-known';
  if (point === 'none') return 'no-point';
  return point === lean ? 'agrees' : 'disagrees';
}

/** What all the teeth together say of points and leans. */
export interface SidesSummary {
  readonly known: number;
  readonly disagree: readonly ToothSides[];
  readonly toldTwoWays: readonly number[];
  /** More teeth against their points than with them: set the wrong way round, or read from the other end. */
  readonly wrongWayRound: boolean;
}

export function summariseSides(sides: readonly ToothSides[]): SidesSummary {
  const disagree = sides.filter((s) => s.verdict === 'disagrees');
  const agree = sides.filter((s) => s.verdict === 'agrees').length;
  return {
    known: sides.filter((s) => s.point !== null).length,
    disagree,
    toldTwoWays: sides.filter((s) => s.toldTwoWays).map((s) => s.tooth),
    wrongWayRound: disagree.length > agree && disagree.length >= FEWEST_WRONG,
  };
}

/** Fewer teeth than this the wrong way are single slips. */
const FEWEST_WRONG = 4;

/** Points alternating from a tooth on, for every tooth that nobody has looked at yet; teeth without a side are passed over. */
export function alternateFrom(
  from: number,
  point: Lean,
  sides: readonly ToothSides[],
): { readonly tooth: number; readonly point: Lean }[] {
  const found: { tooth: number; point: Lean }[] = [];
  let next: Lean = point;
  for (const one of sides.slice(from - 1)) {
    if (one.lean === null) continue;
    if (one.by !== 'eye') found.push({ tooth: one.tooth, point: next });
    next = next === 'left' ? 'right' : 'left';
  }
  return found;
}
