import type { HalfSpace } from './plane';
import type { SlopedHold, Vector3 } from '../file/slope-planes';
import { filePlanes } from '../file/slope-planes';

/** A file held in a gullet, its corner's axis through (xMm, yMm) in the middle of the plate. */
export interface FiledGullet {
  readonly hold: SlopedHold;
  readonly xMm: number;
  readonly yMm: number;
}

/**
 * What one file leaves in a gullet: the half-space of the tooth on the heel
 * side (its face) and of the tooth on the toe side (its back), and the gullet's
 * bottom, a line along the file's axis.
 *
 *     heel side          toe side
 *      metal  \          /  metal
 *              \  file  /
 *               \      /
 *                \____/   <- corner, at (x, y)
 */
export interface GulletPlanes {
  /** Metal of the heel-side tooth: its face. */
  readonly face: HalfSpace;
  /** Metal of the toe-side tooth: its back. */
  readonly back: HalfSpace;
  readonly axis: Vector3;
}

/**
 * Slope 0 tells the two ways of pointing apart by nothing: a hold of tip -1 is
 * the mirror image in z of one of tip +1 when filed from the other side. Which
 * side the handle is on is part of the hold: `standOn` left is z running to +.
 */
export function gulletPlanes({ hold, xMm, yMm }: FiledGullet): GulletPlanes {
  const { axis, faceNormal, backNormal } = filePlanes(hold);
  // filePlanes gives normals out of the file's body; out of the metal is the other way about.
  const metal = (outOfFile: Vector3): HalfSpace => {
    const normal: Vector3 = [-outOfFile[0], -outOfFile[1], -outOfFile[2]];
    return { normal, offsetMm: normal[0] * xMm + normal[1] * yMm };
  };
  return { face: metal(faceNormal), back: metal(backNormal), axis };
}

/** The same gullet filed from the other side of the saw: its mirror image in the plane of the plate. */
export function mirrored(planes: GulletPlanes): GulletPlanes {
  const flip = ([x, y, z]: Vector3): Vector3 => [x, y, -z];
  return {
    face: { ...planes.face, normal: flip(planes.face.normal) },
    back: { ...planes.back, normal: flip(planes.back.normal) },
    axis: flip(planes.axis),
  };
}
