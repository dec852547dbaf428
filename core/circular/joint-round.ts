import { tanDeg } from '../units/radians';

/** Relief behind the tip of a steel blade's tooth, degrees. Common practice, no source. */
export const USUAL_RELIEF_DEG = 15;

/**
 * Width of the flat a tooth shows when it was jointed down by d, measured round the rim: its back falls
 * away by the relief c, its face leans under by the hook h, so f = d (cot c - tan h). mm; degrees.
 * RangeError where back and face leave no tooth. Example: d 0.1, c 15, h 20 -> 0.337.
 */
export function flatRoundMm(depthMm: number, hookDeg: number, reliefDeg = USUAL_RELIEF_DEG): number {
  const widening = 1 / tanDeg(reliefDeg) - tanDeg(hookDeg);
  if (!(widening > 0)) throw new RangeError('Hook and relief leave no tooth.');
  return Math.max(0, depthMm) * widening;
}

/** Sawdust takes up this many times the wood it was. Common practice, no source. */
export const LOOSENED = 3;

/**
 * Wood a gullet holds, mm^2 of side view: half of pitch times depth, over how loose the dust lies. A tooth's
 * bite times the depth of the cut must stay under it. Example: p 20, g 9 -> 30 mm^2: 0.6 mm a tooth in 50 mm wood.
 */
export const chipRoomMm2 = (pitchMm: number, gulletMm: number): number => (pitchMm * gulletMm) / 2 / LOOSENED;

/** What jointing a rim down to a height does. mm. */
export interface JointRound {
  /** Scoring teeth that show a flat, as a share of those worth keeping. */
  readonly reachedShare: number;
  readonly reached: readonly number[];
  /** Steel off, mm^3. */
  readonly metalMm3: number;
  readonly flats: ReadonlyMap<number, number>;
}

/** Every scoring tooth over a height brought down to it by a stone held against the rim. O(n). */
export function jointRound(
  scorers: readonly { readonly tooth: number; readonly offMm: number }[],
  targetMm: number,
  { hookDeg, plateThicknessMm }: { readonly hookDeg: number; readonly plateThicknessMm: number },
): JointRound {
  const flats = new Map<number, number>();
  let metalMm3 = 0;
  for (const { tooth, offMm } of scorers) {
    const depthMm = offMm - targetMm;
    if (depthMm < -NOTHING_MM) continue;
    const flat = flatRoundMm(depthMm, hookDeg);
    flats.set(tooth, flat);
    metalMm3 += (flat * Math.max(0, depthMm) * plateThicknessMm) / 2;
  }
  return {
    reachedShare: scorers.length === 0 ? 0 : flats.size / scorers.length,
    reached: [...flats.keys()],
    metalMm3,
    flats,
  };
}
/** A tooth this near the line is on it: less than any dial shows. mm. */
const NOTHING_MM = 1e-6;
