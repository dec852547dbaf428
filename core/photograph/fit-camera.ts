import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { median } from '../units/median';
import type { Camera } from './camera';
import { projector, turnOf } from './camera';
import type { Homography, Place } from './homography';

/** How a strip lies on the bench: its upper left corner, mm, and its turn, radians. */
export interface StripLie {
  readonly x: number;
  readonly y: number;
  readonly turn: number;
}

/** A strip's marks: where they are printed (mm of the strip, the printer's own scale taken in) and where they are seen (px). */
export interface StripMarks {
  /** How far it lies over the bench, mm. */
  readonly overMm: number;
  readonly map: Homography;
  readonly printed: readonly Place[];
  readonly seen: readonly Place[];
}

export interface CameraFit {
  readonly camera: Camera;
  readonly lies: readonly StripLie[];
  /** Scatter of the marks about where the camera puts them, px, and how many of them were used. */
  readonly rmsPx: number;
  readonly marks: number;
}

/** The focal length to begin with, px. */
export const usualFocalPx = (widthPx: number, heightPx: number): number => USUAL_FOCAL * Math.max(widthPx, heightPx);

/** Telephones' focal length as a share of the picture's longer side, and how far they go from it (common practice, no source). */
const USUAL_FOCAL = 0.75;
const FOCAL_SPREAD = 0.15;
/** Lenses' bends, and how far they go from none. */
const K1_SPREAD = 0.15;
const K2_SPREAD = 0.1;
/** A mark is put to about this, px. */
const MARK_PX = 0.08;
/** A mark so many scatters off, and so many px at the least, is none. */
const OUTLIERS = 4;
const LEAST_OUTLIER_PX = 0.3;

/**
 * Camera, lens and the lie of every strip from where their marks are seen, by least squares (Levenberg and Marquardt);
 * focal length and lens are held near a telephone's usual ones as far as the picture does not tell them. The first
 * strip says where the bench's origin is. Null where nothing converges.
 */
export function fitCamera(
  strips: readonly StripMarks[],
  widthPx: number,
  heightPx: number,
  focalPx?: number,
): CameraFit | null {
  const first = strips[0];
  if (!first) return null;
  const [cx, cy] = [widthPx / 2, heightPx / 2];
  const usual = focalPx ?? usualFocalPx(widthPx, heightPx);
  const start = cameraOf(first.map, usual, cx, cy);
  if (!start) return null;
  const onBench = benchFinder(first.map);
  const lies = strips.map((strip): StripLie => {
    if (strip === first) return { x: 0, y: 0, turn: 0 };
    const at = (k: number): Place => onBench(strip.seen[k] as Place);
    return lieOf(
      strip.printed,
      strip.seen.map((_, k) => at(k)),
    );
  });
  let values = valuesOf(start, lies);
  const used = strips.map((strip) => strip.seen.map(() => true));
  const model = (given: readonly number[]): { camera: Camera; lies: StripLie[] } => ({
    camera: {
      turn: [given[0] as number, given[1] as number, given[2] as number],
      at: [100 * (given[3] as number), 100 * (given[4] as number), 100 * (given[5] as number)],
      focalPx: usual * (given[6] as number),
      k1: given[7] as number,
      k2: given[8] as number,
      cx,
      cy,
    },
    lies: strips.map((_, s) =>
      s === 0
        ? { x: 0, y: 0, turn: 0 }
        : {
            x: 100 * (given[6 + 3 * s] as number),
            y: 100 * (given[7 + 3 * s] as number),
            turn: given[8 + 3 * s] as number,
          },
    ),
  });
  const offsAt = (given: readonly number[]): number[][][] => {
    const { camera, lies: laid } = model(given);
    const project = projector(camera);
    return strips.map((strip, s) => {
      const lie = laid[s] as StripLie;
      return strip.printed.map((printed, k) => {
        const [x, y] = laidOut(lie, printed);
        const [px, py] = project(x, y, -strip.overMm);
        const [sx, sy] = strip.seen[k] as Place;
        return [px - sx, py - sy];
      });
    });
  };
  for (let round = 0; round < 4; round++) {
    const residuals = (given: number[]): number[] => [
      ...offsAt(given).flatMap((strip, s) => strip.flatMap((off, k) => (used[s]?.[k] ? off : []))),
      (MARK_PX * ((given[6] as number) - 1)) / FOCAL_SPREAD,
      (MARK_PX * (given[7] as number)) / K1_SPREAD,
      (MARK_PX * (given[8] as number)) / K2_SPREAD,
    ];
    const count = residuals(values).length;
    if (count < values.length + 4) return null;
    const fit = levenbergMarquardt(
      { x: Array.from({ length: count }, (_, i) => i), y: new Array<number>(count).fill(0) },
      (given) => {
        const all = residuals(given);
        return (i) => all[i] as number;
      },
      {
        initialValues: values,
        gradientDifference: 1e-6,
        centralDifference: true,
        damping: 1e-3,
        maxIterations: 25,
        errorTolerance: 1e-9,
        improvementThreshold: 1e-9,
      },
    );
    values = fit.parameterValues;
    if (values.some((v) => !Number.isFinite(v))) return null;
    const sizes = offsAt(values).map((strip) => strip.map(([x, y]) => Math.hypot(x as number, y as number)));
    const limit = Math.max(LEAST_OUTLIER_PX, OUTLIERS * 1.4826 * median(sizes.flat()));
    let changed = false;
    sizes.forEach((strip, s) =>
      strip.forEach((size, k) => {
        const keep = size <= limit;
        changed ||= keep !== used[s]?.[k];
        (used[s] as boolean[])[k] = keep;
      }),
    );
    if (!changed) break;
  }
  const kept = offsAt(values).flatMap((strip, s) => strip.filter((_, k) => used[s]?.[k]));
  if (kept.length === 0) return null;
  const rmsPx = Math.sqrt(
    kept.reduce((sum, [x, y]) => sum + (x as number) ** 2 + (y as number) ** 2, 0) / (2 * kept.length),
  );
  return { ...model(values), rmsPx, marks: kept.length };
}

/** Where a place of a strip lies on the bench, mm. */
export const laidOut = ({ x, y, turn }: StripLie, [px, py]: Place): Place => [
  x + Math.cos(turn) * px - Math.sin(turn) * py,
  y + Math.sin(turn) * px + Math.cos(turn) * py,
];

/** A place of the bench on a strip: {@link laidOut} undone. */
export const takenUp = ({ x, y, turn }: StripLie, [px, py]: Place): Place => [
  Math.cos(turn) * (px - x) + Math.sin(turn) * (py - y),
  Math.cos(turn) * (py - y) - Math.sin(turn) * (px - x),
];

const valuesOf = (camera: Camera, lies: readonly StripLie[]): number[] => [
  ...camera.turn,
  ...camera.at.map((v) => v / 100),
  1,
  0,
  0,
  ...lies.slice(1).flatMap(({ x, y, turn }) => [x / 100, y / 100, turn]),
];

/**
 * The camera that a strip's own map speaks of, for a focal length and a straight lens: the map's columns are those of
 * the rotation and the place, but for one factor (Zhang, IEEE PAMI 22, 2000, from memory).
 */
export function cameraOf(map: Homography, focalPx: number, cx: number, cy: number): Camera | null {
  const column = (k: number): [number, number, number] => {
    const w = map[6 + k] as number;
    return [((map[k] as number) - cx * w) / focalPx, ((map[3 + k] as number) - cy * w) / focalPx, w];
  };
  const [a, b, t] = [column(0), column(1), column(2)];
  const size = (Math.hypot(...a) + Math.hypot(...b)) / 2;
  if (!(size > 0)) return null;
  const sign = t[2] < 0 ? -1 : 1;
  const r1 = a.map((v) => (sign * v) / Math.hypot(...a));
  const along = b.reduce((s, v, i) => s + sign * v * (r1[i] as number), 0);
  const rest = b.map((v, i) => sign * v - along * (r1[i] as number));
  const restSize = Math.hypot(...rest);
  if (!(restSize > 0)) return null;
  const r2 = rest.map((v) => v / restSize);
  const [x1, y1, z1] = r1 as [number, number, number];
  const [x2, y2, z2] = r2 as [number, number, number];
  const r3 = [y1 * z2 - z1 * y2, z1 * x2 - x1 * z2, x1 * y2 - y1 * x2] as const;
  const turn = turnOf([x1, x2, r3[0], y1, y2, r3[1], z1, z2, r3[2]]);
  return { turn, at: t.map((v) => (sign * v) / size) as [number, number, number], focalPx, k1: 0, k2: 0, cx, cy };
}

/** The first strip's map undone: from px to mm of the bench. */
function benchFinder(h: Homography): (place: Place) => Place {
  const [a, b, c, d, e, f, g, i, k] = h as [number, number, number, number, number, number, number, number, number];
  return ([u, v]) => {
    // (a - g u) x + (b - i u) y = k u - c, and v likewise.
    const [p, q, r] = [a - g * u, b - i * u, k * u - c];
    const [s, t, w] = [d - g * v, e - i * v, k * v - f];
    const size = p * t - q * s;
    return [(r * t - q * w) / size, (p * w - r * s) / size];
  };
}

/** Turn and shift that lay printed places on places of the bench, least squares. */
function lieOf(printed: readonly Place[], bench: readonly Place[]): StripLie {
  const n = printed.length;
  const mean = (places: readonly Place[], k: 0 | 1): number => places.reduce((s, p) => s + p[k], 0) / n;
  const [px, py, bx, by] = [mean(printed, 0), mean(printed, 1), mean(bench, 0), mean(bench, 1)];
  let [c, s] = [0, 0];
  printed.forEach(([x, y], i) => {
    const [u, v] = bench[i] as Place;
    c += (x - px) * (u - bx) + (y - py) * (v - by);
    s += (x - px) * (v - by) - (y - py) * (u - bx);
  });
  const turn = Math.atan2(s, c);
  return {
    turn,
    x: bx - Math.cos(turn) * px + Math.sin(turn) * py,
    y: by - Math.sin(turn) * px - Math.cos(turn) * py,
  };
}
