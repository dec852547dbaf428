import type { FiledTooth } from '../file/flank-angles';
import { toothFor } from '../file/flank-angles';
import type { ToothRole } from '../saw/tooth-pattern';
import { groupsOf } from '../saw/tooth-pattern';
import type { NominalLine } from '../saw/zones';
import type { ToothReading } from '../evidence/tooth-reading';
import { standingTeeth } from '../evidence/tooth-reading';
import type { JointLine } from './joint-line';
import { heightOn, tangentAt } from './joint-line';

/** A flat narrower than this nobody sees: half a thou. Common practice, no source. mm */
export const LEAST_SEEN_FLAT_MM = 0.0127;

/** What a line means each tooth to be: its place, and what is filed in the gullet after it. */
export interface LineShape {
  /** Nominal place of a tooth, by its number, mm; only differences count. */
  placeMm(tooth: number): number;
  /** Tooth a file leaves in the gullet after this tooth; 0 is the gullet before the first. */
  filedIn(gullet: number): FiledTooth;
}

/** A line of one pitch and one tooth. mm. */
export const evenShape = (pitchMm: number, tooth: FiledTooth): LineShape => ({
  placeMm: (number) => number * pitchMm,
  filedIn: () => tooth,
});

/**
 * A line of zones: every gullet filed to the rake of the tooth before it, the gullet before the
 * first tooth as the first. A tooth beyond the nominal line throws RangeError. mm, degrees.
 */
export function zonedShape(
  nominal: NominalLine,
  fleamDeg: number,
  toothOf: (rakeDeg: number, fleamDeg: number) => FiledTooth = toothFor,
): LineShape {
  const filed = Array.from(nominal.rakeDeg, (rakeDeg) => toothOf(rakeDeg, fleamDeg));
  const within = <T>(value: T | undefined): T => {
    if (value === undefined) throw new RangeError('A tooth stands beyond the line’s zones.');
    return value;
  };
  return {
    placeMm: (tooth) => within(nominal.xMm[tooth - 1]),
    filedIn: (gullet) => within(filed[Math.max(0, gullet - 1)]),
  };
}

/**
 * The standing teeth of a line in arrays, with the intercepts of their flanks
 * (geometry section 4). One entry a standing tooth, heel first.
 */
export interface PreparedLine {
  readonly teeth: Int32Array;
  readonly xMm: Float64Array;
  readonly yMm: Float64Array;
  /** Where the line means each to stand, mm: only differences count. */
  readonly nominalMm: Float64Array;
  /** tan A of its face, filed in the gullet after it. */
  readonly tanFace: Float64Array;
  /** tan B of its back, filed in the gullet before it. */
  readonly tanBack: Float64Array;
  /** u: face intercept, x + y tan A over the present face, mm. */
  readonly faceMm: Float64Array;
  /** v of the gullet before: back intercept, x - y tan B over the present back, mm. */
  readonly backMm: Float64Array;
  /** A face is hooked somewhere: deeper is then not always as even. */
  readonly hooked: boolean;
  /** What each is there for; null where all are cutters. */
  readonly roles: readonly ToothRole[] | null;
  /** Group of each, -1 of a raker: spacing is judged inside a group alone. Null where there is one. */
  readonly groups: Int32Array | null;
  /** Teeth that are to reach the line. */
  readonly cutters: number;
}

/**
 * Tip readings into intercepts. A tip measured at (x, y) with flanks at the
 * target angles has u = x + y tan A and v = x - y tan B at every level. `roles`, one a tooth of
 * the line from the first, tells cutters from rakers; left out, all are cutters. O(n).
 * Throws RangeError where a standing tooth has no role.
 */
export function prepareLine(
  readings: readonly ToothReading[],
  shape: LineShape,
  roles: readonly ToothRole[] | null = null,
): PreparedLine {
  const standing = standingTeeth(readings);
  // A missing cutter does not part its group: the spacing over it is judged as two pitches.
  const grouped = roles && groupsOf(roles);
  const own = roles && standing.map((r) => roleOf(roles, r.tooth));
  const tanFace = Float64Array.from(standing, (r) => shape.filedIn(r.tooth).tanFace);
  const tanBack = Float64Array.from(standing, (r) => shape.filedIn(r.tooth - 1).tanBack);
  return {
    teeth: Int32Array.from(standing, (r) => r.tooth),
    xMm: Float64Array.from(standing, (r) => r.xMm),
    yMm: Float64Array.from(standing, (r) => r.yMm),
    nominalMm: Float64Array.from(standing, (r) => shape.placeMm(r.tooth)),
    tanFace,
    tanBack,
    faceMm: Float64Array.from(standing, (r, i) => r.xMm + r.yMm * (tanFace[i] as number)),
    backMm: Float64Array.from(standing, (r, i) => r.xMm - r.yMm * (tanBack[i] as number)),
    hooked: tanFace.some((tan) => tan < 0),
    roles: own,
    groups: grouped && Int32Array.from(standing, (r) => grouped[r.tooth - 1] as number),
    cutters: own ? own.filter((role) => role === 'cutter').length : standing.length,
  };
}

function roleOf(roles: readonly ToothRole[], tooth: number): ToothRole {
  const role = roles[tooth - 1];
  if (!role) throw new RangeError(`Tooth ${tooth} stands beyond the roles of the line.`);
  return role;
}

/**
 * Face intercept of a measured flank: the least x + y tan A over its points at
 * or below the line (geometry section 4). Infinity when none is below. mm.
 */
export function faceIntercept(
  points: readonly (readonly [number, number])[],
  tanFace: number,
  levelMm: number,
): number {
  return points.reduce((least, [x, y]) => (y <= levelMm ? Math.min(least, x + y * tanFace) : least), Infinity);
}

/** Back intercept: the greatest x - y tan B over its points at or below the line. mm. */
export function backIntercept(
  points: readonly (readonly [number, number])[],
  tanBack: number,
  levelMm: number,
): number {
  return points.reduce((most, [x, y]) => (y <= levelMm ? Math.max(most, x - y * tanBack) : most), -Infinity);
}

/** Where each tooth's point may end. `on` is 1 where the tooth reaches the line; `reached` counts cutters. */
export interface Flats {
  readonly fromMm: Float64Array;
  readonly toMm: Float64Array;
  readonly on: Uint8Array;
  readonly reached: number;
}

/** A tip this far under the line still shows a bright spot: rounding, not judgement. mm. */
export const ON_LINE_MM = 1e-9;

/**
 * The flat each tooth carries on the line, exactly on an inclined one:
 * a = (v + alpha tan B)/(1 - beta tan B), b = (u - alpha tan A)/(1 + beta tan A);
 * on a breasted one on the tangent at its own tip. A tooth under the line, and every
 * raker, has no flat: an interval of no width at its own tip. O(n).
 */
export function flatsOn(line: JointLine, prepared: PreparedLine): Flats {
  const n = prepared.xMm.length;
  const { xMm, yMm, faceMm, backMm, tanFace, tanBack, roles } = prepared;
  const fromMm = new Float64Array(n);
  const toMm = new Float64Array(n);
  const on = new Uint8Array(n);
  let reached = 0;
  for (let i = 0; i < n; i++) {
    const x = xMm[i] as number;
    if ((yMm[i] as number) < heightOn(line, x) - ON_LINE_MM || roles?.[i] === 'raker') {
      fromMm[i] = toMm[i] = x;
      continue;
    }
    const [face, back] = [tanFace[i] as number, tanBack[i] as number];
    const { alphaMm, beta } = tangentAt(line, x);
    const backScale = 1 - beta * back;
    const faceScale = 1 + beta * face;
    if (!(backScale > 0 && faceScale > 0)) throw new RangeError('The joint line is steeper than the teeth.');
    const a = ((backMm[i] as number) + alphaMm * back) / backScale;
    const b = ((faceMm[i] as number) - alphaMm * face) / faceScale;
    // A tip on the line but for rounding has no flat: it stays where it is, or deeper would be less even by a nanometre.
    const none = a > b;
    fromMm[i] = none ? x : a;
    toMm[i] = none ? x : b;
    on[i] = 1;
    reached++;
  }
  return { fromMm, toMm, on, reached };
}
