import type { StrokeOrder, StrokeRate } from '../line/strokes';
import { strokesFor } from '../line/strokes';
import type { RakerDepth } from './raker-depth';

/** Straight rakers are filed to depth; swaged ones are filed thin, hammered over, then filed to depth. */
export const RAKER_TIPS = ['straight', 'swaged'] as const;
export type RakerTip = (typeof RAKER_TIPS)[number];

/**
 * A swaged tip is left this much higher before the hammer, which bends it over
 * and down. Estimate, no source: measured again after the hammer all the same. mm.
 */
export const SWAGE_ALLOWANCE_MM = 0.4;

/** One raker's filing: how far, in how many strokes, in the order it is done. */
export interface RakerFiling extends StrokeOrder {
  readonly tooth: number;
  readonly index: number;
  /** To be taken off its tip now, mm; nothing where it is low enough. */
  readonly offMm: number;
  readonly step: 'file-to-depth' | 'file-thin' | 'none';
}

export interface RakerPlan {
  readonly filings: readonly RakerFiling[];
  /** Rakers already lower than wanted by more than a filer can feel, the lowest first. */
  readonly tooLow: readonly { readonly tooth: number; readonly byMm: number }[];
  /** How far every cutter would have to come down for the lowest to be right: usually not worth it. mm. */
  readonly cuttersDownMm: number;
  /** Rakers that hardly cut: the last one at either end. */
  readonly endRakers: readonly number[];
  readonly spreadMm: number;
}

/** Depths this near are the same to a feeler gauge: half a thou. mm. */
export const SAME_DEPTH_MM = 0.0127;

/**
 * Strokes for every raker to come to the wanted depth below its cutters, heel
 * to toe. A raker already too low is named, never made right by guessing: bring
 * the cutters down to it or leave it out of the cut. Swaged rakers are first
 * filed thin to an allowance above the depth. mm. O(n).
 */
export function planRakers(
  depths: readonly RakerDepth[],
  wantedMm: number,
  rate: StrokeRate,
  tip: RakerTip = 'straight',
): RakerPlan {
  if (!(wantedMm >= 0)) throw new RangeError('Rakers stand below the cutters, never above.');
  const allowance = tip === 'swaged' ? SWAGE_ALLOWANCE_MM : 0;
  const filings = depths.map((raker): RakerFiling => {
    const offMm = Math.max(0, wantedMm - allowance - raker.depthMm);
    const order = strokesFor(offMm, rate);
    const step = offMm <= 0 ? 'none' : tip === 'swaged' ? 'file-thin' : 'file-to-depth';
    return { tooth: raker.tooth, index: raker.index, offMm, step, ...order };
  });
  const tooLow = depths
    .map((raker) => ({ tooth: raker.tooth, byMm: raker.depthMm - wantedMm }))
    .filter((raker) => raker.byMm > SAME_DEPTH_MM)
    .sort((p, q) => q.byMm - p.byMm);
  const all = depths.map((d) => d.depthMm);
  return {
    filings,
    tooLow,
    cuttersDownMm: tooLow[0]?.byMm ?? 0,
    endRakers: depths.filter((d) => d.atEnd).map((d) => d.tooth),
    spreadMm: all.length === 0 ? 0 : Math.max(...all) - Math.min(...all),
  };
}
