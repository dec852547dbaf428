/** Median of a list, the mean of the two middle ones where their number is even; 0 of none. */
export function middle(values: readonly number[]): number {
  if (values.length === 0) return 0;
  const sorted = Float64Array.from(values).sort();
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1
    ? (sorted[half] as number)
    : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2;
}
