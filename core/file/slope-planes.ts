import { atanDeg, cosDeg, radians, tanDeg } from '../units/radians';

/** A direction or normal in the saw's frame: x along, y up, z right. */
export type Vector3 = readonly [number, number, number];

export interface SlopedHold {
  readonly rollDeg: number;
  readonly fleamDeg: number;
  /** Dip of the handle below level, degrees, not negative. */
  readonly slopeDeg: number;
  readonly sectionDeg: number;
  /** +1: the file's tip points to the toe; -1: to the heel. */
  readonly tip: 1 | -1;
}

export interface SlopedTooth {
  readonly faceDeg: number;
  readonly backDeg: number;
  readonly spread: number;
  readonly planFleamFaceDeg: number;
  readonly planFleamBackDeg: number;
  /** Ridge drop per mm of plate thickness; negative: the point has changed sides. */
  readonly dropPerMm: number;
}

/**
 * The two planes a sloped file cuts, as outward normals of the file's body,
 * and its axis. Built from the axis and a level section direction, nothing
 * else: the axis runs from handle to tip, fleam is its turn in plan, slope its
 * rise; roll is measured from the section's upright.
 *
 *        section, looking along the file
 *            face-cutting side  \   /  back-cutting side
 *                              a \ / section - a
 */
export function filePlanes(hold: SlopedHold): { axis: Vector3; faceNormal: Vector3; backNormal: Vector3 } {
  const f = radians(hold.fleamDeg);
  const g = radians(hold.slopeDeg);
  // Tip to the toe (+1): filed from the left, z runs -> +. Tip to the heel: from the right, z runs -> -.
  const across = hold.tip;
  const axis: Vector3 = [hold.tip * Math.sin(f) * Math.cos(g), Math.sin(g), across * Math.cos(f) * Math.cos(g)];
  // Level direction square to the axis, pointing to the toe; and the section's up.
  const level: Vector3 = [Math.cos(f), 0, -Math.sin(f) * hold.tip * across];
  const raw = cross(axis, level);
  const up: Vector3 = raw[1] < 0 ? [-raw[0], -raw[1], -raw[2]] : raw;
  const a = radians(hold.rollDeg);
  const b = radians(hold.sectionDeg - hold.rollDeg);
  return {
    axis,
    // The side that cuts the face of the tooth to the heel runs up and to the heel: direction up cos a - level sin a.
    faceNormal: combine(level, -Math.cos(a), up, -Math.sin(a)),
    backNormal: combine(level, Math.cos(b), up, -Math.sin(b)),
  };
}

/**
 * What a sloped file leaves, by intersecting its planes with the side view and
 * the horizontal, and alternate gullets with each other (geometry section 2,
 * "Slope"). The closed forms are this function's tests.
 */
export function slopedTooth(hold: SlopedHold): SlopedTooth {
  if (hold.slopeDeg < 0 || hold.fleamDeg < 0) throw new RangeError('Slope and fleam must not be negative.');
  const { faceNormal: nf, backNormal: nb } = filePlanes(hold);
  // Trace in side view (z = 0): n_x x + n_y y = 0. Face runs x = -y tan A, back x = + y tan B.
  const tanFace = nf[1] / nf[0];
  const tanBack = -nb[1] / nb[0];
  const spread = tanFace + tanBack;
  if (!(spread > 0)) throw new RangeError('The two flanks never meet: no tooth has a point.');
  // Trace in plan (y = 0): dx/dz = -n_z / n_x, signed to the same side as the file's axis.
  const planFace = -nf[2] / nf[0];
  const planBack = -nb[2] / nb[0];
  // Tooth i: face from this gullet, back from the mirrored one before it (m -> -m): dy/dz = (mf + mb) / T.
  return {
    faceDeg: atanDeg(tanFace),
    backDeg: atanDeg(tanBack),
    spread,
    planFleamFaceDeg: atanDeg(planFace),
    planFleamBackDeg: atanDeg(planBack),
    dropPerMm: (planFace + planBack) / spread,
  };
}

/** The closed forms of geometry section 2, kept beside the planes as their independent statement. */
export function slopedToothClosedForm(hold: SlopedHold): SlopedTooth {
  const s = hold.tip;
  const f = hold.fleamDeg;
  const g = hold.slopeDeg;
  const ta = tanDeg(hold.rollDeg);
  const tb = tanDeg(hold.sectionDeg - hold.rollDeg);
  const turn = s * Math.sin(radians(f)) * Math.sin(radians(g));
  const tanFace = (ta * cosDeg(g)) / (cosDeg(f) - turn * ta);
  const tanBack = (tb * cosDeg(g)) / (cosDeg(f) + turn * tb);
  const spread = tanFace + tanBack;
  const lift = (s * tanDeg(g)) / cosDeg(f);
  return {
    faceDeg: atanDeg(tanFace),
    backDeg: atanDeg(tanBack),
    spread,
    planFleamFaceDeg: atanDeg(tanDeg(f) + lift * tanFace),
    planFleamBackDeg: atanDeg(tanDeg(f) - lift * tanBack),
    dropPerMm: (2 * tanDeg(f) + lift * (tanFace - tanBack)) / spread,
  };
}

function cross(p: Vector3, q: Vector3): Vector3 {
  return [p[1] * q[2] - p[2] * q[1], p[2] * q[0] - p[0] * q[2], p[0] * q[1] - p[1] * q[0]];
}

function combine(p: Vector3, k: number, q: Vector3, m: number): Vector3 {
  return [p[0] * k + q[0] * m, p[1] * k + q[1] * m, p[2] * k + q[2] * m];
}
