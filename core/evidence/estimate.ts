/** A value with one standard error. */
export interface Estimate {
  readonly value: number;
  readonly error: number;
}

/**
 * Mean weighted by the errors' inverse squares; its error the larger of the weights' own,
 * 1 / sqrt(sum w), and of what the values scatter (textbook, from memory). Null of nothing.
 * Example: 10 with an error of 1 and 13 with 2 -> 10.6.
 */
export function weightedMean(all: readonly (Estimate | null)[]): Estimate | null {
  // One value is itself, to the last digit.
  if (all.length === 1) return all[0] ?? null;
  const known = all.filter((e): e is Estimate => e !== null);
  if (known.length < 2) return known[0] ?? null;
  const weights = known.map((e) => 1 / e.error ** 2);
  const total = weights.reduce((s, w) => s + w, 0);
  const value = known.reduce((s, e, i) => s + e.value * (weights[i] as number), 0) / total;
  const spread = known.reduce((s, e) => s + (e.value - value) ** 2, 0) / Math.max(1, known.length - 1);
  return { value, error: Math.max(Math.sqrt(1 / total), Math.sqrt(spread / known.length)) };
}
