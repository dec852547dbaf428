/** A saw that hops by more than this is felt to jump; one that jumps within it jumps for another reason. Common practice, no source. mm. */
export const JUMPS_AT_MM = 0.05;

/**
 * How far a saw lying on its teeth rises and falls as it is pushed through a
 * board: it rests on the tallest of the teeth in the wood, so its height is the
 * greatest in a window of the board's thickness sliding along the line; the hop
 * is the greatest less the least of those. Teeth of unequal height make a saw
 * jump (trade section 8). Windows that hang over an end are not counted. mm. O(n),
 * by the monotone queue.
 */
export function hopMm(xMm: Float64Array, heightMm: Float64Array, boardMm: number): number {
  const n = xMm.length;
  if (!(boardMm > 0)) throw new RangeError('A board has a thickness.');
  let [high, low] = [-Infinity, Infinity];
  const queue = new Int32Array(n);
  let [head, tail, from] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    while (tail > head && (heightMm[queue[tail - 1] as number] as number) <= (heightMm[i] as number)) tail--;
    queue[tail++] = i;
    while ((xMm[i] as number) - (xMm[from] as number) > boardMm) from++;
    while ((queue[head] as number) < from) head++;
    if ((xMm[i] as number) - (xMm[0] as number) < boardMm && i < n - 1) continue;
    const top = heightMm[queue[head] as number] as number;
    high = Math.max(high, top);
    low = Math.min(low, top);
  }
  return n === 0 ? 0 : high - low;
}
