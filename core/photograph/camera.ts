import type { Place } from './homography';

/**
 * A camera over a bench: x right, y down, z away from it, mm. A point p of the bench is at R p + t before the lens;
 * u = x / z and v = y / z are bent by 1 + k1 r^2 + k2 r^4 (Brown, Photogrammetric Engineering 37, 1971, from memory)
 * and come down at f u + cx, f v + cy of the picture, px.
 */
export interface Camera {
  /** Turn about its own axis, radians: Rodrigues' vector. */
  readonly turn: readonly [number, number, number];
  readonly at: readonly [number, number, number];
  readonly focalPx: number;
  readonly k1: number;
  readonly k2: number;
  readonly cx: number;
  readonly cy: number;
}

/** Rotation by Rodrigues' formula, row by row. */
export function rotation([a, b, c]: Camera['turn']): number[] {
  const angle = Math.hypot(a, b, c);
  if (angle < 1e-12) return [1, 0, 0, 0, 1, 0, 0, 0, 1];
  const [x, y, z] = [a / angle, b / angle, c / angle];
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const rest = 1 - cos;
  return [
    cos + x * x * rest,
    x * y * rest - z * sin,
    x * z * rest + y * sin,
    y * x * rest + z * sin,
    cos + y * y * rest,
    y * z * rest - x * sin,
    z * x * rest - y * sin,
    z * y * rest + x * sin,
    cos + z * z * rest,
  ];
}

/** The vector of a rotation: its inverse. */
export function turnOf(r: readonly number[]): [number, number, number] {
  const at = (i: number): number => r[i] as number;
  const angle = Math.acos(Math.max(-1, Math.min(1, (at(0) + at(4) + at(8) - 1) / 2)));
  if (angle < 1e-9) return [0, 0, 0];
  if (Math.PI - angle < 1e-4) {
    // Half a turn: the axis stands in the columns of R + 1.
    const column = [0, 4, 8].reduce((best, i) => (at(i) > at(best) ? i : best), 0) / 4;
    const axis = [0, 1, 2].map((row) => at(3 * row + column) + (row === column ? 1 : 0));
    const size = Math.hypot(...axis);
    return axis.map((v) => (v / size) * angle) as [number, number, number];
  }
  const k = angle / (2 * Math.sin(angle));
  return [k * (at(7) - at(5)), k * (at(2) - at(6)), k * (at(3) - at(1))];
}

/** A camera ready to take many places: where a point of the bench comes down in the picture, px. */
export function projector(camera: Camera): (x: number, y: number, z: number) => Place {
  const r = rotation(camera.turn) as [number, number, number, number, number, number, number, number, number];
  const [tx, ty, tz] = camera.at;
  const { focalPx, k1, k2, cx, cy } = camera;
  return (x, y, z) => {
    const depth = r[6] * x + r[7] * y + r[8] * z + tz;
    const u = (r[0] * x + r[1] * y + r[2] * z + tx) / depth;
    const v = (r[3] * x + r[4] * y + r[5] * z + ty) / depth;
    const r2 = u * u + v * v;
    const bend = focalPx * (1 + r2 * (k1 + r2 * k2));
    return [cx + bend * u, cy + bend * v];
  };
}

/** Angle between the lens's axis and the upright of the bench, degrees. */
export const tiltDeg = (camera: Camera): number =>
  (Math.acos(Math.min(1, Math.abs(rotation(camera.turn)[8] as number))) * 180) / Math.PI;

/** Where the lens is, mm of the bench: -R' t. */
export function lensAt({ turn, at }: Camera): readonly [number, number, number] {
  const r = rotation(turn);
  const along = (k: 0 | 1 | 2): number =>
    -((r[k] as number) * at[0] + (r[3 + k] as number) * at[1] + (r[6 + k] as number) * at[2]);
  return [along(0), along(1), along(2)];
}

/** How far the lens is over the bench, mm. */
export const heightMm = (camera: Camera): number => Math.abs(lensAt(camera)[2]);
