import type { FiledTooth } from '../file/flank-angles';
import { toothFor, toothHeightMm } from '../file/flank-angles';
import type { AnglePair } from '../file/angle-pair';
import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import { MM_PER_INCH } from '../units/length';

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
  readonly verdict: 'convert' | 'keep';
  readonly reason: Reason;
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

/** Less of the new tooth's height than this standing over the old gullets is too small a tooth. No source. */
export const LEAST_HEIGHT_SHARE = 0.6;
/** At this many points and finer a rip filing does for everything; at COARSE and coarser saws are kept apart. */
export const FINE_POINTS = 10;
export const COARSE_POINTS = 7;

/**
 * Rip to crosscut or back at the same pitch: what it costs, what height is
 * left, whether to (trade section 2). At 7 points and coarser separate saws
 * are kept; where too little tooth would be left the present filing stays.
 * Degrees and mm. Common practice for the limits, no source.
 */
export function convertTeeth(from: AnglePair, to: AnglePair, pitchMm: number, perSharpeningMm: number): Conversion {
  const [old, wanted] = [toothFor(from.rakeDeg, from.fleamDeg), toothFor(to.rakeDeg, to.fleamDeg)];
  const oldHeight = toothHeightMm(pitchMm, old);
  const newHeightMm = toothHeightMm(pitchMm, wanted);
  const lossMm = conversionLossMm(old, wanted, pitchMm);
  const heightLeftMm = oldHeight - lossMm;
  const points = MM_PER_INCH / pitchMm + 1;
  const tooSmall = heightLeftMm < LEAST_HEIGHT_SHARE * newHeightMm;
  const coarse = points <= COARSE_POINTS + 1e-9;
  const verdict = tooSmall || coarse ? 'keep' : 'convert';
  return {
    lossMm,
    heightLeftMm,
    newHeightMm,
    gulletsDeeperMm: Math.max(0, newHeightMm - heightLeftMm),
    sharpenings: lossMm / perSharpeningMm,
    verdict,
    reason: because(
      verdict === 'convert' ? 'Convert it' : 'Keep the filing it has',
      'loss = old height × angles gained ÷ (T of the new tooth + angles given up), in tangents',
      [
        input('points to the inch', points, 'count'),
        input('old tooth height', oldHeight, 'mm'),
        input('tips come down', lossMm, 'mm'),
        input('height left', heightLeftMm, 'mm'),
        input('least share of the new height', LEAST_HEIGHT_SHARE, 'share'),
      ],
      COMMON_PRACTICE,
      tooSmall
        ? 'The teeth would end too small.'
        : coarse
          ? `At ${COARSE_POINTS} points and coarser separate rip and crosscut saws are kept.`
          : points >= FINE_POINTS
            ? `At ${FINE_POINTS} points and finer a rip filing does for everything.`
            : 'Between, the owner is asked.',
    ),
  };
}
