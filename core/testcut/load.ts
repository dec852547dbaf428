import type { Cut } from '../saw/families';

/** Teeth of a line as the wood meets them; arrays of one entry a tooth, heel first, mm. */
export interface CuttingLine {
  readonly xMm: Float64Array;
  /** Tip over the joint line. */
  readonly heightMm: Float64Array;
  readonly pitchMm: number;
  /** push: tooth i follows tooth i+1; pull: tooth i follows tooth i-1. */
  readonly cut: Cut;
}

export interface LoadResult {
  /** Depth each tooth cuts beyond all before it, mm, in the line's order. */
  readonly loadMm: Float64Array;
  /** Teeth that cut at all, over all. */
  readonly shareWorking: number;
  /** Greatest load over the mean: 1 is a saw that cuts evenly, more is one that jumps. */
  readonly worstOverMean: number;
  readonly totalMm: number;
}

/** A load under this is rounding in sums of heights, not a shaving. mm. */
const NOTHING_MM = 1e-12;

/**
 * Load on every tooth when the saw sinks `sinkMm` a pitch of travel (geometry
 * section 10):
 *
 *     c_i = max(0, e_i - max over k >= 1 of (e_(i+k) - d |x_(i+k) - x_i| / p))
 *
 * indices wrapping round: after the last tooth the first comes again, one pitch
 * on. With s_i the place in the order the wood meets them, the inner maximum is
 * a running one of e + d s / p, so two passes over the line do: O(n). The loads
 * sum to d times the distance round over p, n d for even spacing. `sinkMm` 0
 * gives loads to the tallest alone. Throws RangeError on a sink below 0.
 */
export function toothLoads(line: CuttingLine, sinkMm: number): LoadResult {
  if (!(sinkMm >= 0)) throw new RangeError('The saw sinks into the wood, never out of it.');
  return tally(
    seriesLoads(
      line,
      Array.from(line.xMm, (_, i) => i),
      sinkMm,
    ),
  );
}

/** Loads and what they come to over all teeth. */
function tally(loadMm: Float64Array): LoadResult {
  const n = loadMm.length;
  const totalMm = loadMm.reduce((s, v) => s + v, 0);
  const working = loadMm.reduce((c, v) => c + (v > 0 ? 1 : 0), 0);
  const worst = loadMm.reduce((m, v) => Math.max(m, v), 0);
  return {
    loadMm,
    shareWorking: n === 0 ? 0 : working / n,
    worstOverMean: totalMm > 0 ? (worst * n) / totalMm : 0,
    totalMm,
  };
}

/**
 * On a fleamed saw left and right points score separate lines (geometry section
 * 10): two interleaved series, each following its own kind only, equal teeth
 * carrying 2 d; rakers, which plane between, follow rakers. `series[i]` is 0 where tooth i's point is on the left, 1 on
 * the right, 2 where it is filed straight across. O(n).
 */
export function scoringLoads(
  line: CuttingLine,
  series: Uint8Array,
  sinkMm: number,
): LoadResult & {
  readonly leftMm: number;
  readonly rightMm: number;
} {
  const n = line.xMm.length;
  if (series.length !== n) throw new RangeError('Every tooth needs its side.');
  const loadMm = new Float64Array(n);
  const sums = [0, 0, 0];
  for (const own of [0, 1, 2]) {
    const at = Array.from(series, (one, i) => (one === own ? i : -1)).filter((i) => i >= 0);
    if (at.length === 0) continue;
    // The round trip is the whole line's: the series keeps its own travel, and ends where the line does.
    const loads = seriesLoads(line, at, sinkMm);
    at.forEach((i, k) => (loadMm[i] = loads[k] as number));
    sums[own] = loads.reduce((s, v) => s + v, 0);
  }
  return { ...tally(loadMm), leftMm: sums[0] as number, rightMm: sums[1] as number };
}

/** Loads of some of a line's teeth on each other, the round trip that of the whole line. */
function seriesLoads(line: CuttingLine, at: readonly number[], sinkMm: number): Float64Array {
  const n = line.xMm.length;
  const span = Math.abs((line.xMm[n - 1] as number) - (line.xMm[0] as number)) + line.pitchMm;
  // On a push saw the toe's tooth meets the wood first.
  const order = line.cut === 'push' ? [...at].reverse() : at;
  const start = line.xMm[line.cut === 'push' ? n - 1 : 0] as number;
  const perMm = sinkMm / line.pitchMm;
  const reach = order.map((i) => (line.heightMm[i] as number) + perMm * Math.abs((line.xMm[i] as number) - start));
  // Floor of the kerf as the first of them finds it, after the stroke before.
  let floor = reach.reduce((m, v) => Math.max(m, v), -Infinity) - perMm * span;
  const loads = reach.map((r) => {
    const load = Math.max(0, r - floor);
    floor = Math.max(floor, r);
    return load > NOTHING_MM ? load : 0;
  });
  return Float64Array.from(line.cut === 'push' ? loads.reverse() : loads);
}

/** How loads change with the sink a pitch: at several sinks at once. */
export function loadsAgainstSink(
  line: CuttingLine,
  sinksMm: readonly number[],
): { sinkMm: number; shareWorking: number; worstOverMean: number }[] {
  return sinksMm.map((sinkMm) => {
    const { shareWorking, worstOverMean } = toothLoads(line, sinkMm);
    return { sinkMm, shareWorking, worstOverMean };
  });
}
