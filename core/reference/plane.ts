import type { Vector3 } from '../file/slope-planes';

/** Points p with normal . p <= offsetMm are metal: a half-space of the saw's frame (x along, y up, z right). */
export interface HalfSpace {
  readonly normal: Vector3;
  readonly offsetMm: number;
}

export const dot = (p: Vector3, q: Vector3): number => p[0] * q[0] + p[1] * q[1] + p[2] * q[2];
export const length = (p: Vector3): number => Math.sqrt(dot(p, p));

/**
 * Angle of the metal between two faces of a body, from their outward normals:
 * 180 degrees less the angle between the normals. Degrees. Example: the two
 * faces of a 60-degree wedge have normals 120 degrees apart -> 60.
 */
export function metalAngleDeg(p: Vector3, q: Vector3): number {
  const cosine = dot(p, q) / (length(p) * length(q));
  return 180 - (Math.acos(Math.min(1, Math.max(-1, cosine))) * 180) / Math.PI;
}
