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
