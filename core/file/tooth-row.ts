import { tanDeg } from '../units/radians';
import type { Vector3 } from './slope-planes';

/** The flanks of one gullet: the face that stands in it and the back across it. Degrees; turns signed by dx/dz. */
export interface GulletFlanks {
  readonly rakeDeg: number;
  readonly backDeg: number;
  readonly faceTurnDeg: number;
  readonly backTurnDeg: number;
}

/** One side of the plate of a tooth: foot of its back, its ridge, foot of its face. mm in the saw's frame. */
export type ToothSection = readonly [Vector3, Vector3, Vector3];

/** A tooth as the two sections where it comes out of the plate's left and right face. */
export interface ToothCorners {
  readonly left: ToothSection;
  readonly right: ToothSection;
}

/**
 * A row of pointed teeth between their gullets, to be drawn from any side: tooth i has its
 * back in gullet i - 1 and its face in gullet i, so n + 1 gullets make n teeth. In the
 * middle of the plate gullet i lies at x = i p, y = 0, and
 *
 *     face   x = i p + y tan r + z tan m_face        (rake r: x grows with height)
 *     back   x = (i - 1) p + y tan B + z tan m_back
 *     ridge  y(z) = (p + z (tan m_face - tan m_back)) / (tan B - tan r)
 *
 * Shapes: n + 1 gullets in, n teeth out; mm and degrees. Throws RangeError where a face
 * and a back never meet over the plate.
 */
export function toothRow(gullets: readonly GulletFlanks[], pitchMm: number, plateMm: number): ToothCorners[] {
  return gullets.slice(1).map((own, i) => {
    const behind = gullets[i] as GulletFlanks;
    const [lean, rear] = [tanDeg(own.rakeDeg), tanDeg(behind.backDeg)];
    const [mf, mb] = [tanDeg(own.faceTurnDeg), tanDeg(behind.backTurnDeg)];
    const at = (z: number): ToothSection => {
      const y = (pitchMm + z * (mf - mb)) / (rear - lean);
      if (!(rear > lean && y > 0))
        throw new RangeError('The two flanks never meet over the plate: no tooth has a point.');
      const [back, face] = [i * pitchMm + z * mb, (i + 1) * pitchMm + z * mf];
      return [
        [back, 0, z],
        [back + y * rear, y, z],
        [face, 0, z],
      ];
    };
    return { left: at(-plateMm / 2), right: at(plateMm / 2) };
  });
}

/** Fall of the ridge over the plate and the side its point is on; null for a level edge. mm. */
export function ridgeOf({ left, right }: ToothCorners): {
  readonly dropMm: number;
  readonly point: 'left' | 'right' | null;
} {
  const rise = right[1][1] - left[1][1];
  return { dropMm: Math.abs(rise), point: Math.abs(rise) < LEVEL_MM ? null : rise > 0 ? 'right' : 'left' };
}

/** A ridge this level across the plate is a chisel: a tenth of a micrometre. mm. */
const LEVEL_MM = 1e-4;
