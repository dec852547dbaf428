import type { FiledTooth } from '../file/flank-angles';
import type { ToothReading } from '../evidence/tooth-reading';
import { standingTeeth } from '../evidence/tooth-reading';
import type { JointLine } from './joint-line';
import { heightOn } from './joint-line';

/**
 * The standing teeth of a line in arrays, with the intercepts of their flanks
 * (geometry section 4). One entry a standing tooth, heel first.
 */
export interface PreparedLine {
  readonly teeth: Int32Array;
  readonly xMm: Float64Array;
  readonly yMm: Float64Array;
  /** u: face intercept, x + y tan A over the present face, mm. */
  readonly faceMm: Float64Array;
  /** v of the gullet before: back intercept, x - y tan B over the present back, mm. */
  readonly backMm: Float64Array;
  readonly tooth: FiledTooth;
}

/**
 * Tip readings into intercepts. A tip measured at (x, y) with flanks at the
 * target angles has u = x + y tan A and v = x - y tan B at every level. O(n).
 */
export function prepareLine(readings: readonly ToothReading[], tooth: FiledTooth): PreparedLine {
  const standing = standingTeeth(readings);
  return {
    teeth: Int32Array.from(standing, (r) => r.tooth),
    xMm: Float64Array.from(standing, (r) => r.xMm),
    yMm: Float64Array.from(standing, (r) => r.yMm),
    faceMm: Float64Array.from(standing, (r) => r.xMm + r.yMm * tooth.tanFace),
    backMm: Float64Array.from(standing, (r) => r.xMm - r.yMm * tooth.tanBack),
    tooth,
  };
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

/** Where each tooth's point may end. `on` is 1 where the tooth reaches the line. */
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
 * a = (v + alpha tan B)/(1 - beta tan B), b = (u - alpha tan A)/(1 + beta tan A).
 * A tooth under the line has no flat: an interval of no width at its own tip. O(n).
 */
export function flatsOn(line: JointLine, prepared: PreparedLine): Flats {
  const n = prepared.xMm.length;
  const { tanFace, tanBack } = prepared.tooth;
  const fromMm = new Float64Array(n);
  const toMm = new Float64Array(n);
  const on = new Uint8Array(n);
  const backScale = 1 - line.beta * tanBack;
  const faceScale = 1 + line.beta * tanFace;
  if (!(backScale > 0) || !(faceScale > 0)) throw new RangeError('The joint line is steeper than the teeth.');
  let reached = 0;
  for (let i = 0; i < n; i++) {
    const x = prepared.xMm[i] as number;
    if ((prepared.yMm[i] as number) >= heightOn(line, x) - ON_LINE_MM) {
      const a = ((prepared.backMm[i] as number) + line.alphaMm * tanBack) / backScale;
      const b = ((prepared.faceMm[i] as number) - line.alphaMm * tanFace) / faceScale;
      fromMm[i] = a;
      toMm[i] = Math.max(a, b);
      on[i] = 1;
      reached++;
    } else {
      fromMm[i] = x;
      toMm[i] = x;
    }
  }
  return { fromMm, toMm, on, reached };
}
