import type { FiledTooth } from '../file/flank-angles';
import { toothFor, toothHeightMm } from '../file/flank-angles';
import type { AnglePair } from '../file/angle-pair';

/** What filing the same pitch to other angles does to the teeth. */
export interface Conversion {
  /** How far the tips come down, mm. */
  readonly lossMm: number;
  /** Tooth height left over the present gullets before they are filed deeper, mm. */
  readonly heightLeftMm: number;
  /** Height of the new tooth at its full depth, mm. */
  readonly newHeightMm: number;
  /** How far the gullets go into the plate for it, mm; none where the new tooth is the lower. */
  readonly gulletsDeeperMm: number;
  readonly sharpenings: number;
}

/**
 * Metal between an old tooth's flanks with room for a new one (geometry section
 * 4): over the old flanks from the tip down to depth d the intercepts are
 *
 *     a = tan A' - tan A > 0: u = min (x + y tan A') = -d a, met at the depth d
 *     a < 0: met at the new tip itself, l below the old: u = -l a; the back likewise
 *
 * With l T' = v - u the new tip comes down by
 *
 *     l = d (a+ + b+) / (T' + a- + b-),   x+ and x- the positive and negative parts
 *
 * `share` of the old height is freshly shaped: 1 down to the gullet, a third for
 * a touch-up. mm. Example: crosscut 25/15 to upright rip, pitch 1 -> 0.2217.
 */
export function conversionLossMm(from: FiledTooth, to: FiledTooth, pitchMm: number, share = 1): number {
  const depth = share * toothHeightMm(pitchMm, from);
  const [a, b] = [to.tanFace - from.tanFace, to.tanBack - from.tanBack];
  const gains = Math.max(0, a) + Math.max(0, b);
  const losses = Math.max(0, -a) + Math.max(0, -b);
  return (depth * gains) / (to.spread + losses);
}

/**
 * Rip to crosscut or back at the same pitch: what it costs and what height is left. Whether it is
 * worth it the shop's book of filings says. Degrees and mm.
 */
export function convertTeeth(from: AnglePair, to: AnglePair, pitchMm: number, perSharpeningMm: number): Conversion {
  const [old, wanted] = [toothFor(from.rakeDeg, from.fleamDeg), toothFor(to.rakeDeg, to.fleamDeg)];
  const newHeightMm = toothHeightMm(pitchMm, wanted);
  const lossMm = conversionLossMm(old, wanted, pitchMm);
  const heightLeftMm = toothHeightMm(pitchMm, old) - lossMm;
  return {
    lossMm,
    heightLeftMm,
    newHeightMm,
    gulletsDeeperMm: Math.max(0, newHeightMm - heightLeftMm),
    sharpenings: lossMm / perSharpeningMm,
  };
}
