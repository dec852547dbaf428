import type { ToothReading } from './tooth-reading';

/**
 * Heights of the standing teeth over the least-squares line through their own
 * tips: how the saw would lie on a board. In the order given; mm. O(n).
 */
export function overOwnLine(standing: readonly Pick<ToothReading, 'xMm' | 'yMm'>[]): Float64Array {
  const n = Math.max(1, standing.length);
  const mx = standing.reduce((s, r) => s + r.xMm, 0) / n;
  const my = standing.reduce((s, r) => s + r.yMm, 0) / n;
  const sxx = standing.reduce((s, r) => s + (r.xMm - mx) ** 2, 0);
  const slope = sxx === 0 ? 0 : standing.reduce((s, r) => s + (r.xMm - mx) * (r.yMm - my), 0) / sxx;
  return Float64Array.from(standing, (r) => r.yMm - my - slope * (r.xMm - mx));
}
