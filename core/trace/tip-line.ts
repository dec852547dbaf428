import { median } from '../units/median';
import type { MeasuredCorner } from './measure-corners';

/** A line through fewer tips than this is none. */
export const FEWEST_TEETH = 4;

export interface TipLine {
  /** Row at x = 0, and rows a column, of the straight line through the tips. */
  readonly at0: number;
  readonly slope: number;
  /** Slope of the breasted line at a place. */
  readonly slopeAt: (x: number) => number;
  /** Its standard error there, from the tips' scatter about the line. */
  readonly slopeErrorAt: (x: number) => number;
  /** Rise of a place over the breasted line, px. */
  readonly fromCurve: (x: number, y: number) => number;
}

/** Straight line and parabola through the tips by least squares, short ones left out round by round. */
export function tipLine(measured: readonly MeasuredCorner[], depthPx: number): TipLine {
  let used = [...measured];
  let fit = parabola(used);
  for (let round = 0; round < 4; round++) {
    const residual = measured.map((m) => m.tip.y - fit.at(m.tip.x));
    const scatter = 1.4826 * median(residual.map(Math.abs));
    const limit = Math.max(4 * scatter, 0.05 * depthPx, 0.5);
    const kept = measured.filter((_, i) => Math.abs(residual[i] as number) <= limit);
    if (kept.length < Math.max(FEWEST_TEETH, 0.5 * measured.length)) break;
    used = kept;
    fit = parabola(used);
  }
  const n = used.length;
  const mx = used.reduce((s, m) => s + m.tip.x, 0) / n;
  const my = used.reduce((s, m) => s + m.tip.y, 0) / n;
  const sxx = used.reduce((s, m) => s + (m.tip.x - mx) ** 2, 0);
  const squares = used.reduce((s, m) => s + (m.tip.y - fit.at(m.tip.x)) ** 2, 0);
  const scatter = Math.sqrt(squares / Math.max(1, n - 3));
  const slope = used.reduce((s, m) => s + (m.tip.x - mx) * (m.tip.y - my), 0) / sxx;
  return {
    at0: my - slope * mx,
    slope,
    slopeAt: fit.slopeAt,
    slopeErrorAt: (x) => scatter * fit.slopeShareAt(x),
    fromCurve: (x, y) => fit.at(x) - y,
  };
}

interface Parabola {
  readonly at: (x: number) => number;
  readonly slopeAt: (x: number) => number;
  /** Standard error of the slope there for a scatter of one: the fit's coefficients are not correlated. */
  readonly slopeShareAt: (x: number) => number;
}

function parabola(used: readonly MeasuredCorner[]): Parabola {
  const n = used.length;
  const mean = used.reduce((s, m) => s + m.tip.x, 0) / n;
  let half = 1;
  for (const { tip } of used) half = Math.max(half, Math.abs(tip.x - mean));
  let [s2, s3, s4, sy, suy] = [0, 0, 0, 0, 0];
  for (const { tip } of used) {
    const u = (tip.x - mean) / half;
    const u2 = u * u;
    s2 += u2;
    s3 += u2 * u;
    s4 += u2 * u2;
    sy += tip.y;
    suy += u * tip.y;
  }
  // Orthogonal: 1, u (its sum is 0 by centring), u^2 - (s3 / s2) u - s2 / n.
  let [norm, sqy] = [0, 0];
  for (const { tip } of used) {
    const u = (tip.x - mean) / half;
    const b = u * u - (s3 / s2) * u - s2 / n;
    norm += b * b;
    sqy += b * tip.y;
  }
  const q = norm > 1e-9 * s4 ? sqy / norm : 0;
  const p = suy / s2;
  const c = sy / n;
  const at = (x: number): number => {
    const u = (x - mean) / half;
    return c + p * u + q * (u * u - (s3 / s2) * u - s2 / n);
  };
  const turnAt = (x: number): number => (2 * (x - mean)) / half - s3 / s2;
  return {
    at,
    slopeAt: (x) => (p + q * turnAt(x)) / half,
    slopeShareAt: (x) => Math.sqrt(1 / s2 + (norm > 1e-9 * s4 ? turnAt(x) ** 2 / norm : 0)) / half,
  };
}
