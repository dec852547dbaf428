import { atanDeg, degrees, tanDeg } from '../units/radians';
import type { Estimate } from '../evidence/estimate';

/** The file that would have left a silhouette, if one file held level filed both flanks. */
export interface SilhouetteFleam {
  /** Fleam without a sign; 0 where the flanks stand no wider than the file's section. */
  readonly fleamDeg: number;
  /** The other fleam that leaves the same side view, where a hooked face has two. */
  readonly orDeg: number | null;
  /** From and to: within two standard errors. */
  readonly fromDeg: number;
  readonly toDeg: number;
  readonly rollDeg: number;
  /** The flanks stand closer than the file's section by more than their error: another file, or filed more than once. */
  readonly otherFile: boolean;
}

/**
 * Fleam out of a tooth's silhouette. A file of section S at roll a and fleam f leaves
 * tan A = tan a / cos f and tan B = tan(S - a) / cos f (geometry section 2), so
 * with c = cos f, and a + b = S:
 *
 *     tan A tan B c^2 + (tan A + tan B) cot S c - 1 = 0
 *     c = 2 / (k T + sqrt(k^2 T^2 + 4 tan A tan B)),   k = cot S,  T = tan A + tan B
 *
 * The side view tells little of a small fleam: c is nearly 1 and flat there, which the
 * range says. A hooked face (A below 0) may have been left by two fleams, the other
 * root with the minus sign: the smaller is given, hooked teeth being filed nearly square,
 * and the other beside it. Level gullets only. Degrees. Throws RangeError for flanks that
 * do not meet. Example: A 16.47, B 47.81 under a 60 degree file -> 25.0.
 */
export function silhouetteFleam(rake: Estimate, back: Estimate, sectionDeg: number): SilhouetteFleam {
  const cosineAt = (root: 1 | -1, rakeDeg = rake.value, backDeg = back.value): number => {
    const [face, rear] = [tanDeg(-rakeDeg), tanDeg(backDeg)];
    if (!(face + rear > 0)) throw new RangeError('The two flanks never meet: no tooth has a point.');
    const kT = (face + rear) / tanDeg(sectionDeg);
    return 2 / (kT + root * Math.sqrt(Math.max(0, kT * kT + 4 * face * rear)));
  };
  const hooked = rake.value > 0;
  const smaller = hooked && cosineAt(-1) <= 1 ? -1 : 1;
  const cosine = cosineAt(smaller);
  const by = (r: number, b: number): number =>
    (cosineAt(smaller, rake.value + r, back.value + b) - cosineAt(smaller, rake.value - r, back.value - b)) /
    (2 * STEP_DEG);
  const error = Math.hypot(by(STEP_DEG, 0) * rake.error, by(0, STEP_DEG) * back.error);
  const fleamOf = (c: number): number => degrees(Math.acos(Math.min(1, Math.max(0, c))));
  return {
    fleamDeg: fleamOf(cosine),
    orDeg: smaller === -1 ? fleamOf(cosineAt(1)) : null,
    fromDeg: fleamOf(cosine + 2 * error),
    toDeg: fleamOf(cosine - 2 * error),
    rollDeg: atanDeg(tanDeg(-rake.value) * Math.min(1, cosine)),
    otherFile: cosine - 2 * error > 1,
  };
}

/** Step of the differences that carry the errors through, degrees. */
const STEP_DEG = 0.01;
