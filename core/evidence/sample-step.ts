const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** The whole number nearest to n / 1.618 that shares no divisor with n: going round by it visits every place once. */
export function goldenStep(n: number): number {
  const golden = Math.round((n * (Math.sqrt(5) - 1)) / 2);
  for (let off = 0; off < n; off++)
    for (const step of [golden - off, golden + off]) if (step > 0 && step < n && divisor(n, step) === 1) return step;
  return 1;
}
