declare module 'quadprog' {
  /** Goldfarb and Idnani's dual method; every array counts from 1. */
  export function solveQP(
    Dmat: number[][],
    dvec: number[],
    Amat: number[][],
    bvec: number[],
    meq?: number,
  ): { solution: number[]; value: number[]; message: string };
}
