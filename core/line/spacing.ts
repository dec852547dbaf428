import type { Flats } from './flats';
import { steepestStep, tautString } from './taut-string';

/** Where points should end, against the places the line means them to have: even, in zones, over gaps, between rakers. */
export interface Spacing {
  /** Where each standing tooth's point should end, mm from the heel. */
  readonly xMm: Float64Array;
  /** Greatest error of a spacing that is judged, mm. */
  readonly worstMm: number;
  readonly rmsMm: number;
  /** Spacings judged: those inside one group. */
  readonly judged: number;
}

/**
 * The smoothest points inside the flats against nominal places N_i: in
 * z_i = x_i - N_i the same taut string as for an even pitch (geometry section
 * 4; there N_i = i p). `groups`, one entry a tooth, cuts the line where
 * spacing is not judged (across a raker): each run of one group is a string of
 * its own with free ends; a tooth of group -1 (a raker) stays in the middle of its flat.
 * Shapes: all arrays of n; mm. O(n).
 */
export function smoothestSpacing(flats: Flats, nominalMm: Float64Array, groups: Int32Array | null = null): Spacing {
  const n = nominalMm.length;
  if (flats.fromMm.length !== n || (groups && groups.length !== n))
    throw new RangeError('Flats, nominal places and groups must be of one length.');
  const xMm = new Float64Array(n);
  for (const [from, to] of groups ? runsOf(groups) : [[0, n] as const]) {
    const low = new Float64Array(to - from);
    const high = new Float64Array(to - from);
    for (let i = from; i < to; i++) {
      low[i - from] = (flats.fromMm[i] as number) - (nominalMm[i] as number);
      high[i - from] = (flats.toMm[i] as number) - (nominalMm[i] as number);
    }
    const z = tautString(low, high);
    for (let i = from; i < to; i++) {
      const x = (z[i - from] as number) + (nominalMm[i] as number);
      xMm[i] = Math.min(Math.max(x, flats.fromMm[i] as number), flats.toMm[i] as number);
    }
  }
  return { xMm, ...spacingErrors(xMm, nominalMm, groups) };
}

/** Least worst error of the spacings inside the flats, {@link smoothestSpacing}'s own, without its points. mm. O(n). */
export function leastWorstSpacing(flats: Flats, nominalMm: Float64Array, groups: Int32Array | null = null): number {
  const n = nominalMm.length;
  if (flats.fromMm.length !== n) throw new RangeError('Flats and nominal places must be of one length.');
  const low = new Float64Array(n);
  const high = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    low[i] = (flats.fromMm[i] as number) - (nominalMm[i] as number);
    high[i] = (flats.toMm[i] as number) - (nominalMm[i] as number);
  }
  if (!groups) return steepestStep(low, high);
  let worst = 0;
  for (const [from, to] of runsOf(groups))
    worst = Math.max(worst, steepestStep(low.subarray(from, to), high.subarray(from, to)));
  return worst;
}

/** Runs of teeth of one group, each raker a run of its own: from and to, the last not in it. */
function* runsOf(groups: Int32Array): Generator<readonly [number, number]> {
  let from = 0;
  while (from < groups.length) {
    let to = from + 1;
    while (to < groups.length && groups[from] !== -1 && groups[to] === groups[from]) to++;
    yield [from, to];
    from = to;
  }
}

/** Worst and root-mean-square error of the spacings that are judged, mm. O(n). */
export function spacingErrors(
  xMm: Float64Array,
  nominalMm: Float64Array,
  groups: Int32Array | null = null,
): { worstMm: number; rmsMm: number; judged: number } {
  let worst = 0;
  let squares = 0;
  let judged = 0;
  for (let i = 1; i < xMm.length; i++) {
    if (groups && (groups[i] === -1 || groups[i] !== groups[i - 1])) continue;
    const span = (nominalMm[i] as number) - (nominalMm[i - 1] as number);
    const off = (xMm[i] as number) - (xMm[i - 1] as number) - span;
    worst = Math.max(worst, Math.abs(off));
    squares += off * off;
    judged++;
  }
  return { worstMm: worst, rmsMm: judged === 0 ? 0 : Math.sqrt(squares / judged), judged };
}
