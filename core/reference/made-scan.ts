/**
 * Made-up scans with exact truth, for tests, the bench and the demo: never part of
 * the app. A saw is built as a polygon in mm from its tips and angles, laid on the
 * picture by exact area coverage, blurred, lit unevenly, dusted and made noisy.
 * Over 250 lines: one picture, drawn step by step.
 */
import type { GreyPicture } from '../trace/grey-picture';
import type { Point, TrueTooth } from './made-line';
import { backCorner, faceCorner, normal, outline, randomFrom, trueGullets } from './made-line';

export type { LineWish, TrueTooth } from './made-line';
export { madeLine, randomFrom, trueGullets } from './made-line';

export interface ScanWish {
  readonly dpi: number;
  /** Plate shown under the line and space shown over it, mm. */
  readonly plateMm?: number;
  readonly spaceMm?: number;
  /** Space shown beyond the heel and the toe; negative cuts into the line. */
  readonly endsMm?: number;
  /** Plate beyond the last teeth, mm: a saw's line ends before its plate does. */
  readonly beyondMm?: number;
  readonly gulletRadiusMm?: number;
  readonly skewDeg?: number;
  readonly plateGrey?: number;
  readonly spaceGrey?: number;
  /** Light falling off from left to right and to the corners, as a share. */
  readonly unevenLight?: number;
  readonly blurPx?: number;
  readonly noise?: number;
  readonly dust?: number;
  readonly rust?: number;
  /** Specks where they are wanted: middle and radius in mm of the line, of the plate's grey. */
  readonly specks?: readonly { readonly xMm: number; readonly yMm: number; readonly radiusMm: number }[];
  /** A fleamed tooth's bevel, seen as a strip of another grey along the face of every other tooth, and along its back too where that is said. */
  readonly strip?: { readonly widthMm: number; readonly grey: number; readonly backs?: boolean };
  readonly quarterTurns?: 0 | 1 | 2 | 3;
  readonly mirrored?: boolean;
  readonly seed?: number;
}

/** A made scan, and where a true place in mm lies on it in pixels. */
export interface MadeScan {
  readonly picture: GreyPicture;
  readonly mmPerPx: number;
  readonly place: (xMm: number, yMm: number) => { readonly x: number; readonly y: number };
}

/** A strip is drawn so far beyond its flank. */
const STRIP_BEYOND_MM = 0.15;

/** Rows a pixel is cut into; across it the coverage is exact. */
const SUB_ROWS = 8;

/** Adds to `cover` the share of every pixel that the closed polygon covers (even-odd by signed trapezia). */
function fill(cover: Float32Array, widthPx: number, heightPx: number, polygon: readonly Point[]): void {
  const rows: number[][] = Array.from({ length: heightPx * SUB_ROWS }, () => []);
  polygon.forEach((from, i) => {
    const to = polygon[(i + 1) % polygon.length] as Point;
    const [low, high] = from[1] < to[1] ? [from, to] : [to, from];
    const first = Math.max(0, Math.ceil(low[1] * SUB_ROWS - 0.5));
    const end = Math.min(heightPx * SUB_ROWS, Math.ceil(high[1] * SUB_ROWS - 0.5));
    for (let r = first; r < end; r++) {
      const y = (r + 0.5) / SUB_ROWS;
      (rows[r] as number[]).push(low[0] + ((high[0] - low[0]) * (y - low[1])) / (high[1] - low[1]));
    }
  });
  rows.forEach((crossings, r) => {
    crossings.sort((a, b) => a - b);
    const base = Math.floor(r / SUB_ROWS) * widthPx;
    for (let k = 0; k + 1 < crossings.length; k += 2) {
      const a = Math.max(0, crossings[k] as number);
      const b = Math.min(widthPx, crossings[k + 1] as number);
      if (b <= a) continue;
      const [i, j] = [Math.floor(a), Math.floor(b)];
      const add = (at: number, share: number): void => {
        if (at < widthPx) cover[base + at] = (cover[base + at] as number) + share / SUB_ROWS;
      };
      if (i === j) add(i, b - a);
      else {
        add(i, i + 1 - a);
        for (let x = i + 1; x < j; x++) cover[base + x] = (cover[base + x] as number) + 1 / SUB_ROWS;
        add(j, b - j);
      }
    }
  });
}

/** Gaussian blur, separable, in place; sigma in pixels. */
export function blur(values: Float32Array, widthPx: number, heightPx: number, sigma: number): void {
  if (sigma <= 0) return;
  const reach = Math.ceil(3 * sigma);
  const kernel = Array.from({ length: 2 * reach + 1 }, (_, k) => Math.exp(-((k - reach) ** 2) / (2 * sigma * sigma)));
  const total = kernel.reduce((s, k) => s + k, 0);
  const pass = (count: number, length: number, start: (n: number) => number, step: number): void => {
    const line = new Float32Array(length + 2 * reach);
    for (let n = 0; n < count; n++) {
      const from = start(n);
      for (let i = -reach; i < length + reach; i++)
        line[i + reach] = values[from + Math.min(Math.max(i, 0), length - 1) * step] as number;
      for (let i = 0; i < length; i++) {
        let sum = 0;
        for (let k = 0; k < kernel.length; k++) sum += (kernel[k] as number) * (line[i + k] as number);
        values[from + i * step] = sum / total;
      }
    }
  };
  pass(heightPx, widthPx, (n) => n * widthPx, 1);
  pass(widthPx, heightPx, (n) => n, widthPx);
}

/** Draws the line as a flatbed would see it. */
export function madeScan(line: readonly TrueTooth[], wish: ScanWish): MadeScan {
  const {
    dpi,
    plateMm = 6,
    spaceMm = 3,
    endsMm = 4,
    beyondMm = 2,
    skewDeg = 0,
    plateGrey = 60,
    spaceGrey = 215,
  } = wish;
  const { blurPx = 0.6, noise = 2, unevenLight = 0, dust = 0, rust = 0, strip } = wish;
  const random = randomFrom(wish.seed ?? 11);
  const mmPerPx = 25.4 / dpi;
  const lengthMm = (line[line.length - 1] as TrueTooth).xMm;
  const pitchMm = lengthMm / (line.length - 1);
  const [cos, sin] = [Math.cos((skewDeg * Math.PI) / 180), Math.sin((skewDeg * Math.PI) / 180)];
  const across = (beyondMm + endsMm + pitchMm) * 2 + lengthMm;
  const top = Math.max(...line.map((t) => t.yMm)) + spaceMm;
  const tilt = Math.abs(sin) * across;
  const upright = {
    widthPx: Math.round((across * cos) / mmPerPx),
    heightPx: Math.round((top + plateMm + tilt) / mmPerPx),
  };
  // Turned about the line's middle, which stands in the picture's.
  const inPx = (x: number, y: number): Point => {
    const dx = x - lengthMm / 2;
    return [upright.widthPx / 2 + (dx * cos - y * sin) / mmPerPx, (top + tilt / 2 - (dx * sin + y * cos)) / mmPerPx];
  };
  const silhouette = outline(line, wish.gulletRadiusMm ?? 0.05, pitchMm);
  const [heel, toe] = [silhouette[0] as Point, silhouette[silhouette.length - 1] as Point];
  const deep = -plateMm - tilt - 20;
  const body: Point[] = [
    ...silhouette,
    [toe[0] + beyondMm, toe[1]],
    [toe[0] + beyondMm, deep],
    [heel[0] - beyondMm, deep],
    [heel[0] - beyondMm, heel[1]],
  ];
  const cover = new Float32Array(upright.widthPx * upright.heightPx);
  const round = ({ xMm, yMm, radiusMm }: { xMm: number; yMm: number; radiusMm: number }): Point[] =>
    Array.from({ length: 24 }, (_, k): Point => {
      const angle = (k * Math.PI) / 12;
      return [xMm + radiusMm * Math.cos(angle), yMm + radiusMm * Math.sin(angle)];
    });
  for (const polygon of [body, ...(wish.specks ?? []).map(round)])
    fill(
      cover,
      upright.widthPx,
      upright.heightPx,
      polygon.map(([x, y]) => inPx(x, y)),
    );
  for (let k = 0; k < cover.length; k++) cover[k] = Math.min(1, cover[k] as number);
  const bevel = strip && new Float32Array(cover.length);
  if (bevel) {
    const gullets = trueGullets(line);
    line.forEach((tooth, i) => {
      if (i % 2 === 0 || i === line.length - 1) return;
      const bottom = gullets[i] as Point;
      const corner = faceCorner(tooth);
      const before = gullets[i - 1] as Point;
      const back = backCorner(tooth);
      // A little beyond the edge, so that the edge itself is the strip's.
      const along = (from: Point, to: Point, into: 1 | -1): Point[] => {
        const [outer, inner] = [-into * STRIP_BEYOND_MM, into * strip.widthMm];
        return [
          [from[0] + outer, from[1]],
          [to[0] + outer, to[1]],
          [to[0] + inner, to[1]],
          [from[0] + inner, from[1]],
        ];
      };
      for (const beside of [along(corner, bottom, -1), ...(strip.backs ? [along(back, before, 1)] : [])])
        fill(
          bevel,
          upright.widthPx,
          upright.heightPx,
          beside.map(([x, y]) => inPx(x, y)),
        );
    });
    blur(bevel, upright.widthPx, upright.heightPx, blurPx);
  }
  blur(cover, upright.widthPx, upright.heightPx, blurPx);
  const grey = new Uint8Array(cover.length);
  const { widthPx, heightPx } = upright;
  const spots = specks(random, dust, rust, widthPx, heightPx, cover);
  for (let j = 0; j < heightPx; j++) {
    const down = j / heightPx - 0.5;
    for (let i = 0; i < widthPx; i++) {
      const at = j * widthPx + i;
      const share = cover[at] as number;
      const inside =
        bevel && strip ? plateGrey + (strip.grey - plateGrey) * Math.min(bevel[at] as number, share) : plateGrey;
      const light = 1 + unevenLight * ((i / widthPx - 0.5) * 1.2 + down * 0.4);
      const value = (spaceGrey + (inside - spaceGrey) * share) * light + (spots?.[at] ?? 0);
      grey[at] = Math.max(0, Math.min(255, Math.round(noise > 0 ? value + noise * normal(random) : value)));
    }
  }
  return laid({ widthPx, heightPx, grey }, inPx, mmPerPx, wish);
}

/** Dust (round, dark or bright) anywhere and rust (blotches) on the plate alone, as a difference in grey. */
function specks(
  random: () => number,
  dust: number,
  rust: number,
  widthPx: number,
  heightPx: number,
  cover: Float32Array,
): Float32Array | null {
  if (dust + rust === 0) return null;
  const spots = new Float32Array(widthPx * heightPx);
  for (let k = 0; k < dust + rust; k++) {
    const isRust = k >= dust;
    const radius = isRust ? 4 + 14 * random() : 0.7 + 1.6 * random();
    const [x, y] = [random() * widthPx, random() * heightPx];
    const by = isRust ? 30 * (2 * random() - 1) : random() < 0.5 ? -90 : 90;
    for (let j = Math.max(0, Math.floor(y - radius)); j < Math.min(heightPx, y + radius); j++)
      for (let i = Math.max(0, Math.floor(x - radius)); i < Math.min(widthPx, x + radius); i++) {
        const at = j * widthPx + i;
        if (Math.hypot(i - x, j - y) < radius && (!isRust || (cover[at] as number) > 0.98)) spots[at] = by;
      }
  }
  return spots;
}

/** The upright picture laid on the glass the wished way round. */
function laid(picture: GreyPicture, inPx: (x: number, y: number) => Point, mmPerPx: number, wish: ScanWish): MadeScan {
  const { widthPx: w, heightPx: h, grey } = picture;
  const turns = wish.quarterTurns ?? 0;
  const mirrored = wish.mirrored ?? false;
  if (turns === 0 && !mirrored) return { picture, mmPerPx, place: (x, y) => ({ x: inPx(x, y)[0], y: inPx(x, y)[1] }) };
  const [width, height] = turns % 2 === 0 ? [w, h] : [h, w];
  const turned = new Uint8Array(grey.length);
  const move = (x: number, y: number): Point => {
    const at = mirrored ? w - x : x;
    return (
      [
        [at, y],
        [h - y, at],
        [w - at, h - y],
        [y, w - at],
      ] as const
    )[turns];
  };
  for (let j = 0; j < h; j++)
    for (let i = 0; i < w; i++) {
      const [x, y] = move(i + 0.5, j + 0.5);
      turned[Math.floor(y) * width + Math.floor(x)] = grey[j * w + i] as number;
    }
  return {
    picture: { widthPx: width, heightPx: height, grey: turned },
    mmPerPx,
    place: (x, y) => {
      const [px, py] = move(...inPx(x, y));
      return { x: px, y: py };
    },
  };
}
