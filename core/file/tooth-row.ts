import { tanDeg } from '../units/radians';
import type { Vector3 } from './slope-planes';

/** The flanks of one gullet: the face that stands in it and the back across it. Degrees; turns signed by dx/dz. */
export interface GulletFlanks {
  readonly rakeDeg: number;
  readonly backDeg: number;
  readonly faceTurnDeg: number;
  readonly backTurnDeg: number;
}

/** The bevel across the top of a tooth, where it was filed so: a pull saw's. */
export interface TopBevel {
  /** Off level, falling from the tip to the back, degrees. */
  readonly topDeg: number;
  /** The tip over the gullet's bottom in the middle of the plate, mm. */
  readonly tipHeightMm: number;
}

/** Where a tooth comes out of one face of the plate, mm in the saw's frame. */
export interface ToothSection {
  readonly backFoot: Vector3;
  /** Where the top bevel ends on the back; the tip itself on a tooth without one. */
  readonly bevelEnd: Vector3;
  readonly tip: Vector3;
  readonly faceFoot: Vector3;
}

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
 * A top bevel falls by its angle e from the tip, of height h in the middle, to the back. It is filed
 * with the file turned as for the back, which keeps the point on its side (no source):
 *
 *     top    y = h + (x - i p - h tan r - z tan m_back) tan e
 *     tip    y(z) = h + z tan e (tan m_face - tan m_back) / (1 - tan e tan r)
 *     end    y = (h (1 - tan e tan r) - p tan e) / (1 - tan e tan B), the same over the plate
 *
 * Shapes: n + 1 gullets in, n teeth out; mm and degrees. Throws RangeError where a face
 * and a back never meet over the plate, or a bevel takes the whole tooth.
 */
export function toothRow(
  gullets: readonly GulletFlanks[],
  pitchMm: number,
  plateMm: number,
  top: TopBevel | null = null,
): ToothCorners[] {
  return gullets.slice(1).map((own, i) => {
    const behind = gullets[i] as GulletFlanks;
    const [lean, rear] = [tanDeg(own.rakeDeg), tanDeg(behind.backDeg)];
    const [mf, mb] = [tanDeg(own.faceTurnDeg), tanDeg(behind.backTurnDeg)];
    const at = (z: number): ToothSection => {
      const y = (pitchMm + z * (mf - mb)) / (rear - lean);
      if (!(rear > lean && y > 0))
        throw new RangeError('The two flanks never meet over the plate: no tooth has a point.');
      const [back, face] = [i * pitchMm + z * mb, (i + 1) * pitchMm + z * mf];
      const section = (tipY: number, endY: number): ToothSection => ({
        backFoot: [back, 0, z],
        bevelEnd: [back + endY * rear, endY, z],
        tip: [face + tipY * lean, tipY, z],
        faceFoot: [face, 0, z],
      });
      if (!top) return section(y, y);
      const [fall, h] = [tanDeg(top.topDeg), top.tipHeightMm];
      const tipY = h + (z * fall * (mf - mb)) / (1 - fall * lean);
      const endY = (h * (1 - fall * lean) - pitchMm * fall) / (1 - fall * rear);
      if (!(fall * rear < 1 && endY > 0)) throw new RangeError('The top bevel leaves no tooth.');
      // Where it does not reach down to the flanks' ridge on this face of the plate, that ridge is left.
      if (tipY >= y) return section(y, y);
      return section(tipY, endY);
    };
    return { left: at(-plateMm / 2), right: at(plateMm / 2) };
  });
}

/** Fall of the ridge over the plate and the side its point is on; null for a level edge. mm. */
export function ridgeOf({ left, right }: ToothCorners): {
  readonly dropMm: number;
  readonly point: 'left' | 'right' | null;
} {
  const rise = right.tip[1] - left.tip[1];
  return { dropMm: Math.abs(rise), point: Math.abs(rise) < LEVEL_MM ? null : rise > 0 ? 'right' : 'left' };
}

/** A ridge this level across the plate is a chisel: a tenth of a micrometre. mm. */
const LEVEL_MM = 1e-4;
