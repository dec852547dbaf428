/** The quadprog library on the smoothest-spacing problem; test and bench only. */
import { solveQP } from 'quadprog';

/**
 * min sum (z_(i+1) - z_i)^2 with z inside its gates. The matrix is only
 * semidefinite, so a ridge of 1e-9 is added: places move by less than 1e-5 mm.
 */
export function smoothestByQuadprog(low: Float64Array, high: Float64Array): number[] {
  const n = low.length;
  const size = n + 1;
  const square = (): number[][] => Array.from({ length: size }, () => new Array<number>(size).fill(0));
  const D = square();
  for (let i = 1; i <= n; i++) (D[i] as number[])[i] = 2 * (i === 1 || i === n ? 1 : 2) + 1e-9;
  for (let i = 1; i < n; i++) {
    (D[i] as number[])[i + 1] = -2;
    (D[i + 1] as number[])[i] = -2;
  }
  const A: number[][] = Array.from({ length: size }, () => new Array<number>(2 * n + 1).fill(0));
  const b = [0];
  for (let i = 1; i <= n; i++) {
    (A[i] as number[])[2 * i - 1] = 1;
    (A[i] as number[])[2 * i] = -1;
    b.push(low[i - 1] as number, -(high[i - 1] as number));
  }
  const result = solveQP(D, new Array<number>(size).fill(0), A, b);
  if (result.message !== '') throw new Error(result.message);
  return result.solution.slice(1);
}

/**
 * The same programme as text for the HiGHS solver, whose quadratic part is
 * written "[ … ] / 2". Sparse, so it can be asked at thousands of teeth too.
 */
export function smoothestQp(low: Float64Array, high: Float64Array): string {
  const terms: string[] = [];
  for (let i = 0; i < low.length; i++) {
    const ends = i === 0 || i === low.length - 1 ? 1 : 2;
    terms.push(`+ ${2 * ends} z${i} ^2`);
    if (i + 1 < low.length) terms.push(`- 4 z${i} * z${i + 1}`);
  }
  const bounds = Array.from(low, (l, i) => `${l} <= z${i} <= ${high[i]}`);
  // A programme wants a row, even one that says nothing.
  return `Minimize\n obj: [ ${terms.join('\n ')} ] / 2\nSubject To\n r0: z0 - z1 <= 1000\nBounds\n ${bounds.join('\n ')}\nEnd\n`;
}
