import type { Lean } from '../evidence/tooth-reading';
import { degrees } from '../units/radians';
import type { GulletPlanes } from './filed-gullet';
import type { HalfSpace } from './plane';
import { metalAngleDeg } from './plane';
import type { Vector3 } from '../file/slope-planes';

/** Angles of a filed tooth as they are drawn from the side, the top and the end. Degrees. */
export interface ToothViews {
  /** Side: face and back off upright. */
  readonly side: { readonly faceDeg: number; readonly backDeg: number };
  /** Top: face and back off square across the plate, signed by dx/dz. */
  readonly top: { readonly faceDeg: number; readonly backDeg: number };
  /** End: the ridge off level, seen along the saw; positive rises to the right. */
  readonly end: { readonly ridgeDeg: number };
}

/** A tooth as the solid between its face and its back. */
export interface FiledToothSolid {
  readonly views: ToothViews;
  /** Where it is highest, on the plate's left or right face; null for a level chisel edge. */
  readonly point: Lean | null;
  /** The highest place, mm in the saw's frame. */
  readonly tip: Vector3;
  /** Fall of the ridge over the plate, mm, not negative. */
  readonly dropMm: number;
  readonly edges: EdgeAngles;
}

/** Angles of the metal at the tooth's edges: the smaller, the keener and the weaker. Degrees. */
export interface EdgeAngles {
  /** Between face and back, along the ridge. */
  readonly ridgeDeg: number;
  /** Between face and the side of the plate the point is on: the edge that scores the wall. */
  readonly faceSideDeg: number;
  /** Between back and that side. */
  readonly backSideDeg: number;
}

/** A ridge this level across the plate is a chisel: a tenth of a micrometre. mm. */
const LEVEL_MM = 1e-4;

/**
 * The tooth between the gullet on its toe side (which filed its face) and the
 * one on its heel side (which filed its back), for any section, roll, fleam and
 * slope of the two, alike or not. Ridge and views by intersecting the planes.
 * Throws RangeError where the two planes do not meet in a tooth's point.
 */
export function toothBetween(after: GulletPlanes, before: GulletPlanes, plateThicknessMm: number): FiledToothSolid {
  const { face } = after;
  const { back } = before;
  const left = ridgeAt(face, back, -plateThicknessMm / 2);
  const right = ridgeAt(face, back, plateThicknessMm / 2);
  const rise = right[1] - left[1];
  const point = Math.abs(rise) <= LEVEL_MM ? null : rise > 0 ? 'right' : 'left';
  const side: Vector3 = point === 'left' ? [0, 0, -1] : [0, 0, 1];
  return {
    views: {
      side: { faceDeg: offUpright(face.normal, 1), backDeg: offUpright(back.normal, -1) },
      top: { faceDeg: offSquare(face.normal), backDeg: offSquare(back.normal) },
      end: { ridgeDeg: degrees(Math.atan(rise / plateThicknessMm)) },
    },
    point,
    tip: rise > 0 ? right : left,
    dropMm: Math.abs(rise),
    edges: {
      ridgeDeg: metalAngleDeg(face.normal, back.normal),
      faceSideDeg: metalAngleDeg(face.normal, side),
      backSideDeg: metalAngleDeg(back.normal, side),
    },
  };
}

/** Where two flanks meet at one place across the plate, two equations in x and y; and the determinant they have. */
function meetAt(face: HalfSpace, back: HalfSpace, zMm: number): { at: Vector3; determinant: number } {
  const [fx, fy, fz] = face.normal;
  const [bx, by, bz] = back.normal;
  const determinant = fx * by - fy * bx;
  const f = face.offsetMm - fz * zMm;
  const b = back.offsetMm - bz * zMm;
  return { at: [(f * by - fy * b) / determinant, (fx * b - f * bx) / determinant, zMm], determinant };
}

/** Planes nearer to parallel than this meet nowhere a tooth could be. Sine of the angle between them. */
const PARALLEL = 1e-12;

function ridgeAt(face: HalfSpace, back: HalfSpace, zMm: number): Vector3 {
  const { at, determinant } = meetAt(face, back, zMm);
  if (!(determinant > PARALLEL)) throw new RangeError('The two flanks never meet: no tooth has a point.');
  return at;
}

/** Lean of a flank off upright in side view: positive leans away from the tooth's own middle, downwards. */
const offUpright = ([nx, ny]: Vector3, towards: 1 | -1): number => degrees(Math.atan((towards * ny) / nx));

/** Turn of a flank off square in plan: dx/dz of its trace, as an angle. */
const offSquare = ([nx, , nz]: Vector3): number => degrees(Math.atan(-nz / nx));

/** The gullet's bottom: where its two planes meet, at the left and the right face of the plate. mm. */
export function gulletBottom(planes: GulletPlanes, plateThicknessMm: number): { left: Vector3; right: Vector3 } {
  const at = (zMm: number): Vector3 => {
    const meeting = meetAt(planes.face, planes.back, zMm);
    if (Math.abs(meeting.determinant) < PARALLEL) throw new RangeError('A flat file leaves no gullet.');
    return meeting.at;
  };
  return { left: at(-plateThicknessMm / 2), right: at(plateThicknessMm / 2) };
}
