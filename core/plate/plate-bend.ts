import type { PlaceEstimate } from '../evidence/estimates';

/** A plate's one bend, out of gaps to a straight edge along it. mm. */
export interface PlateBend {
  /** How far the plate stands off the line between its ends where it is bent most; never negative. */
  readonly sagMm: number;
  readonly sagErrorMm: number;
  /** The side that bulges out, seen from the handle. */
  readonly bulges: 'left' | 'right';
  readonly centreMm: number;
  /** Length of plate that is curved; 0 is a crease between two readings. */
  readonly lengthMm: number;
  /** Shortest and longest that fit nearly as well, within two of the readings' errors. */
  readonly lengthFromMm: number;
  readonly lengthToMm: number;
  /** What the readings differ from that bend by, root mean square: more than their error, and there is more than one. */
  readonly scatterMm: number;
}

/** Fewer readings cannot tell a place and a length. */
const FEWEST = 4;
/** Half a length below this share of the plate is a crease. */
const CREASE_SHARE = 1e-3;
const FITTING_ERRORS = 2;
/** Places of the centre and half-lengths tried, over the plate. */
const TRIED = 60;

/**
 * The bend that fits best: plate straight but for one stretch from c - w to c + w that is
 * curved evenly, ends on the straight edge. With K the curvature the gap is
 *
 *     g(x) = K h(x; c, w),   h = 2 w times the tent of height c (L - c) / L at x = c,
 *                            rounded to a parabola inside the stretch
 *
 *     outside   2 w x (L - c) / L  left of it, 2 w c (L - x) / L right of it
 *     inside    the left line less (x - c + w)^2 / 2
 *
 * Linear in K, so least squares gives it for every c and w tried, and the best pair is kept.
 * `lengthMm` L of the plate; readings at stations from the heel, right positive. Null below
 * four readings or where none stands off. O(tried^2 n).
 */
export function plateBend(readings: readonly PlaceEstimate[], lengthMm: number): PlateBend | null {
  if (readings.length < FEWEST) return null;
  let best: { squares: number; k: number; c: number; w: number; norm: number } | null = null;
  const tried: { squares: number; w: number }[] = [];
  for (let i = 1; i < TRIED; i++) {
    const c = (i / TRIED) * lengthMm;
    const most = Math.min(c, lengthMm - c);
    for (let j = 0; j <= TRIED / 2; j++) {
      const w = Math.max(lengthMm * CREASE_SHARE, (j / (TRIED / 2)) * most);
      const shape = readings.map((r) => bendShape(r.place, c, w, lengthMm));
      const norm = shape.reduce((s, h) => s + h * h, 0);
      if (!(norm > 0)) continue;
      const k = readings.reduce((s, r, n) => s + r.valueMm * (shape[n] as number), 0) / norm;
      const squares = readings.reduce((s, r, n) => s + (r.valueMm - k * (shape[n] as number)) ** 2, 0);
      tried.push({ squares, w });
      if (!best || squares < best.squares - 1e-12) best = { squares, k, c, w, norm };
    }
  }
  if (!best || best.k === 0) return null;
  const { k, c, w, norm, squares } = best;
  const at = bendShape(c, c, w, lengthMm);
  const error = Math.sqrt(readings.reduce((s, r) => s + r.errorMm ** 2, 0) / readings.length);
  const scatterMm = Math.sqrt(squares / Math.max(1, readings.length - 3));
  const fits = tried.filter((t) => t.squares <= squares + (FITTING_ERRORS * Math.max(error, scatterMm)) ** 2);
  const long = (half: number): number => (half <= lengthMm * CREASE_SHARE ? 0 : 2 * half);
  return {
    sagMm: Math.abs(k) * at,
    sagErrorMm: (Math.max(error, scatterMm) / Math.sqrt(norm)) * at,
    bulges: k > 0 ? 'right' : 'left',
    centreMm: c,
    lengthMm: long(w),
    lengthFromMm: long(Math.min(...fits.map((t) => t.w))),
    lengthToMm: long(Math.max(...fits.map((t) => t.w))),
    scatterMm,
  };
}

/** Gap of a plate of length l bent by one over its curved stretch, ends on the straight edge. mm² a unit of curvature. */
export function bendShape(x: number, c: number, w: number, l: number): number {
  const left = (2 * w * x * (l - c)) / l;
  if (x <= c - w) return left;
  if (x >= c + w) return (2 * w * c * (l - x)) / l;
  return left - (x - c + w) ** 2 / 2;
}
