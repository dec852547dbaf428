/**
 * The k-th smallest (from 0) of the first n values, by Hoare's selection (C. A. R.
 * Hoare, "Algorithm 65: find", 1961) with the median of three as pivot. The array is reordered. O(n) as a rule.
 */
export function selectSmallest(values: Float64Array, n: number, k: number): number {
  if (!(k >= 0 && k < n && n <= values.length)) throw new RangeError('There is no such place among the values.');
  let left = 0;
  let right = n - 1;
  while (right > left) {
    const pivot = medianOfThree(values[left] as number, values[(left + right) >> 1] as number, values[right] as number);
    let i = left;
    let j = right;
    while (i <= j) {
      while ((values[i] as number) < pivot) i++;
      while ((values[j] as number) > pivot) j--;
      if (i <= j) {
        const swap = values[i] as number;
        values[i++] = values[j] as number;
        values[j--] = swap;
      }
    }
    if (k <= j) right = j;
    else if (k >= i) left = i;
    else break;
  }
  return values[k] as number;
}

function medianOfThree(a: number, b: number, c: number): number {
  return Math.max(Math.min(a, b), Math.min(Math.max(a, b), c));
}
