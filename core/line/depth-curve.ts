import { flatsOn } from './flats';
import type { PreparedLine } from './flats';
import type { JointLine } from './joint-line';
import { heightOn } from './joint-line';
import { leastWorstSpacing } from './spacing';

/** One depth under the datum: what joining there would give. */
export interface DepthPoint {
  readonly depthMm: number;
  /** Least worst spacing error within the flats, mm. */
  readonly worstSpacingMm: number;
  /** Cutters on the line over those standing, 0 to 1. */
  readonly reachedShare: number;
}

/** The datum lowered parallel to itself. */
export const lowered = (datum: JointLine, depthMm: number): JointLine => ({
  ...datum,
  alphaMm: datum.alphaMm - depthMm,
});

/** One point of the curve. O(n). */
export function depthPoint(prepared: PreparedLine, datum: JointLine, depthMm: number): DepthPoint {
  const flats = flatsOn(lowered(datum, depthMm), prepared);
  return {
    depthMm,
    worstSpacingMm: leastWorstSpacing(flats, prepared.nominalMm, prepared.groups),
    reachedShare: prepared.cutters === 0 ? 0 : flats.reached / prepared.cutters,
  };
}

/** Evenness and teeth reached against depth, `points` of them evenly from 0 to `deepestMm`. O(points n). */
export function depthCurve(prepared: PreparedLine, datum: JointLine, deepestMm: number, points = 64): DepthPoint[] {
  return Array.from({ length: points }, (_, k) =>
    depthPoint(prepared, datum, (deepestMm * k) / Math.max(1, points - 1)),
  );
}

export interface DepthWish {
  /** Wanted share of teeth on the line; 0.95 is a common working rule. */
  readonly share: number;
  /** Wanted worst spacing error, mm. */
  readonly evennessMm: number;
}

export interface LeastDepth {
  readonly depthMm: number;
  /** The wish cannot be had above `deepestMm`: `depthMm` is then the best compromise. */
  readonly reached: boolean;
  readonly byTeethMm: number;
  readonly byEvennessMm: number | null;
}

/** Depths closer than this are the same stroke of a mill file. mm. */
const DEPTH_TOLERANCE_MM = 1e-4;

/**
 * Least depth for a wanted share on the line and a wanted evenness. The share
 * is an order statistic, exact. Evenness never worsens with depth when A >= 0
 * (geometry section 4), so it is a bisection; with hooked faces the depths are
 * searched in `SEARCH_STEPS` steps and the first that serves is refined.
 */
export function leastDepth(prepared: PreparedLine, datum: JointLine, wish: DepthWish, deepestMm: number): LeastDepth {
  const byTeethMm = depthForShare(prepared, datum, wish.share);
  const even = (depthMm: number): boolean =>
    depthPoint(prepared, datum, depthMm).worstSpacingMm <= wish.evennessMm + 1e-9;
  const byEvennessMm = leastServing(even, deepestMm, !prepared.hooked);
  const wanted = Math.max(byTeethMm, byEvennessMm ?? byTeethMm);
  return {
    depthMm: Math.min(wanted, deepestMm),
    reached: byEvennessMm !== null && wanted <= deepestMm,
    byTeethMm,
    byEvennessMm,
  };
}

/** Least depth at which the share of cutters stands on the line: an order statistic of the drops. mm. RangeError without any. */
export function depthForShare(prepared: PreparedLine, datum: JointLine, share: number): number {
  const { roles, xMm, yMm } = prepared;
  const drops = xMm
    .map((x, i) => heightOn(datum, x) - (yMm[i] as number))
    .filter((_, i) => roles?.[i] !== 'raker')
    .sort();
  if (drops.length === 0) throw new RangeError('A line without cutters cuts nothing.');
  const wanted = Math.min(drops.length, Math.max(1, Math.ceil(share * drops.length - 1e-9)));
  return Math.max(0, drops[wanted - 1] as number);
}

/**
 * Least depth that serves, between 0 and `deepestMm`; null when none does. Where
 * deeper never serves less (`nested`) it is bisected, else searched. mm.
 */
export const leastServing = (
  serves: (depthMm: number) => boolean,
  deepestMm: number,
  nested: boolean,
): number | null => (nested ? bisectDepth(serves, 0, deepestMm) : searchDepth(serves, deepestMm));

function bisectDepth(serves: (depthMm: number) => boolean, fromMm: number, toMm: number): number | null {
  if (serves(fromMm)) return fromMm;
  if (!serves(toMm)) return null;
  let low = fromMm;
  let high = toMm;
  while (high - low > DEPTH_TOLERANCE_MM) {
    const middle = (low + high) / 2;
    if (serves(middle)) high = middle;
    else low = middle;
  }
  return high;
}

const SEARCH_STEPS = 256;

function searchDepth(serves: (depthMm: number) => boolean, deepestMm: number): number | null {
  for (let k = 0; k <= SEARCH_STEPS; k++) {
    const depth = (deepestMm * k) / SEARCH_STEPS;
    if (serves(depth)) return k === 0 ? 0 : bisectDepth(serves, (deepestMm * (k - 1)) / SEARCH_STEPS, depth);
  }
  return null;
}
