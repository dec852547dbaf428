import { Matrix, solve } from 'ml-matrix';

export type Place = readonly [x: number, y: number];

/** A projective map of the plane, row by row, its last number 1. */
export type Homography = readonly number[];

/**
 * The projective map that takes `from` nearest to `to`, by linear least squares in coordinates brought to a size of
 * one about their means (Hartley, IEEE PAMI 19, 1997, from memory). Four places at the least; null where they lie on
 * one line.
 */
export function homography(from: readonly Place[], to: readonly Place[]): Homography | null {
  if (from.length < 4) return null;
  const [a, b] = [normaliser(from), normaliser(to)];
  const rows: number[][] = [];
  const right: number[][] = [];
  from.forEach(([fx, fy], i) => {
    const [tx, ty] = to[i] as Place;
    const [x, y] = [(fx - a.x) / a.size, (fy - a.y) / a.size];
    const [u, v] = [(tx - b.x) / b.size, (ty - b.y) / b.size];
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]);
    right.push([u], [v]);
  });
  let h: number[];
  try {
    h = [...solve(new Matrix(rows), new Matrix(right), true).to1DArray(), 1];
  } catch {
    return null;
  }
  const scaleFrom = [1 / a.size, 0, -a.x / a.size, 0, 1 / a.size, -a.y / a.size, 0, 0, 1];
  const scaleTo = [b.size, 0, b.x, 0, b.size, b.y, 0, 0, 1];
  const whole = times(scaleTo, times(h, scaleFrom));
  const last = whole[8] as number;
  return Number.isFinite(last) && Math.abs(last) > 1e-12 ? whole.map((value) => value / last) : null;
}

function normaliser(places: readonly Place[]): { x: number; y: number; size: number } {
  const n = places.length;
  const x = places.reduce((s, p) => s + p[0], 0) / n;
  const y = places.reduce((s, p) => s + p[1], 0) / n;
  const size = places.reduce((s, p) => s + Math.hypot(p[0] - x, p[1] - y), 0) / n || 1;
  return { x, y, size };
}

function times(a: readonly number[], b: readonly number[]): number[] {
  return Array.from({ length: 9 }, (_, i) => {
    const [row, column] = [Math.floor(i / 3) * 3, i % 3];
    return [0, 1, 2].reduce((s, k) => s + (a[row + k] as number) * (b[3 * k + column] as number), 0);
  });
}

/** Where the map takes a place. */
export function mapped(h: Homography, [x, y]: Place): Place {
  const w = (h[6] as number) * x + (h[7] as number) * y + (h[8] as number);
  return [
    ((h[0] as number) * x + (h[1] as number) * y + (h[2] as number)) / w,
    ((h[3] as number) * x + (h[4] as number) * y + (h[5] as number)) / w,
  ];
}
