import type { Estimate } from '../evidence/estimate';
import type { PlaceEstimate } from '../evidence/estimates';

/** Gaps nearer to the middle than this share of half the line tell next to nothing of its crown. Judgement, no source. */
const LEAST_OFF_MIDDLE = 0.5;
/** Three gaps tell an arc only where they reach over so much of the line. Judgement, no source. */
const LEAST_SPAN_SHARE = 0.6;

/**
 * Crown of a tooth line over its whole length L, of gaps between the teeth and a straight edge at
 * stations along it, with its error; mm, hollow negative. An arc of crown s lies under its own tangent in
 * the middle by s u^2, u = 2 x / L - 1 (geometry section 3, the parabola for the arc).
 *
 * Gaps at fewer than three places are taken as of an edge that rests on the crown in the middle:
 * s is the mean of g / u^2. With three or more, however the edge lies,
 *
 *     g = a + b u + s u^2   by least squares: s = sum(q g) / sum(q q),
 *
 * q being what of u^2 neither a nor b explains. Null where nothing tells. O(n).
 * Example: L 1000, gaps 4, 0 and 4 mm at 0, 500 and 1000 -> 4 mm.
 */
export function gaugedBreast(gaps: readonly PlaceEstimate[], lengthMm: number): Estimate | null {
  const at = gaps.map((gap) => ({ u: (2 * gap.place) / lengthMm - 1, mm: gap.valueMm, error: gap.errorMm }));
  const span = Math.max(...at.map((gap) => gap.u)) - Math.min(...at.map((gap) => gap.u));
  if (at.length < 3) {
    const off = at.filter((gap) => Math.abs(gap.u) >= LEAST_OFF_MIDDLE);
    if (off.length === 0) return null;
    return {
      value: off.reduce((sum, gap) => sum + gap.mm / gap.u ** 2, 0) / off.length,
      error: Math.hypot(...off.map((gap) => gap.error / gap.u ** 2)) / off.length,
    };
  }
  if (span / 2 < LEAST_SPAN_SHARE) return null;
  const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
  const middle = mean(at.map((gap) => gap.u));
  const square = mean(at.map((gap) => gap.u ** 2));
  const slope =
    at.reduce((sum, { u }) => sum + (u - middle) * u ** 2, 0) / at.reduce((sum, { u }) => sum + (u - middle) ** 2, 0);
  const own = at.map(({ u, mm, error }) => ({ q: u ** 2 - square - slope * (u - middle), mm, error }));
  const weight = own.reduce((sum, { q }) => sum + q * q, 0);
  return {
    value: own.reduce((sum, { q, mm }) => sum + q * mm, 0) / weight,
    error: Math.hypot(...own.map(({ q, error }) => q * error)) / weight,
  };
}
