/**
 * Made-up photographs with exact truth, for tests, the bench and the demo: a made scan's saw lies on its measuring
 * strips, and a lens with tilt, bend, blur, noise and uneven light looks at it. The way from picture to bench is
 * written here for itself, ray by ray, and shares nothing with the product's.
 */
import type { Strip } from '../photograph/measuring-strip';
import { DOT_DIAMETER_MM, MARKS_END_MM, stripOf } from '../photograph/measuring-strip';
import type { StripName, StripPaper } from '../photograph/measuring-strip';
import type { GreyPicture } from '../trace/grey-picture';
import { normal, randomFrom } from './made-line';
import type { TrueTooth } from './made-scan';
import { blur, madeScan } from './made-scan';

/** A code's modules, true for ink, row by row: a QR code's text drawn by any writer. */
export type CodeModules = (text: string) => readonly (readonly boolean[])[];

export interface PhotographScene {
  readonly widthPx: number;
  readonly heightPx: number;
  /** The lens: focal length px, bends, and how the camera stands off straight down, degrees. */
  readonly focalPx: number;
  readonly k1?: number;
  readonly k2?: number;
  readonly tiltXDeg?: number;
  readonly tiltYDeg?: number;
  readonly rollDeg?: number;
  /** How far the lens is over the bench, mm. */
  readonly heightMm: number;
  /** Where it looks, mm of the line from its heel and under the tips. */
  readonly lookAt?: readonly [number, number];
  readonly blurPx?: number;
  readonly noise?: number;
  readonly unevenLight?: number;
  /** A shadow over so many mm beside the tips, as a share of the light left. */
  readonly shadow?: number;
  readonly plateMm?: number;
  readonly plateGrey?: number;
  /** Plate drawn under the line, mm. */
  readonly plateDeepMm?: number;
  readonly paper?: StripPaper;
  /** Strips on the bench, end to end; each lies off by some mm and degrees at random. */
  readonly strips: number;
  readonly loosely?: number;
  /** Tips stand so far under the marks, mm. */
  readonly tipsUnderMm?: number;
  /** Marks over which something lies: from, to in mm of the first strip. */
  readonly covered?: readonly (readonly [number, number])[];
  readonly strip?: { readonly widthMm: number; readonly grey: number };
  readonly seed?: number;
}

export interface MadePhotograph {
  readonly picture: GreyPicture;
  /** Size of a bench millimetre in the middle, px. */
  readonly pxPerMm: number;
}

const BENCH_DPI = 340;
const BENCH_MM = 25.4 / BENCH_DPI;
const INK = 25;
const PAPER = 225;

/** Rays that stand apart so many pixels, and rays to a side of a pixel. */
const LATTICE_PX = 4;
const RAYS = 2;

/** Draws the bench finely, then looks at it. */
export function madePhotograph(
  line: readonly TrueTooth[],
  scene: PhotographScene,
  modules: CodeModules,
): MadePhotograph {
  const random = randomFrom(scene.seed ?? 5);
  const tipsUnder = scene.tipsUnderMm ?? 9;
  const plateGrey = scene.plateGrey ?? 70;
  const saw = madeScan(line, {
    dpi: BENCH_DPI,
    spaceMm: tipsUnder + MARKS_END_MM + 6,
    plateMm: scene.plateDeepMm ?? 25,
    endsMm: 12,
    beyondMm: 8,
    blurPx: 0,
    noise: 0,
    plateGrey,
    spaceGrey: PAPER,
    strip: scene.strip,
  });
  const { widthPx: bw, heightPx: bh } = saw.picture;
  const bench = saw.picture.grey;
  /** Bench px of a place in mm of the line. */
  const benchPx = (xMm: number, yMm: number): readonly [number, number] => {
    const at = saw.place(xMm, yMm);
    return [at.x, at.y];
  };
  const lengthMm = (line[line.length - 1] as TrueTooth).xMm;
  const tipMm = Math.max(...line.map((t) => t.yMm));
  const paper = scene.paper ?? 'a4';
  const strips = Array.from({ length: scene.strips }, (_, i) =>
    stripOf({ place: 'bench', number: i + 1 } satisfies StripName, paper),
  );
  const loosely = scene.loosely ?? 1;
  const wholeMm = strips.reduce((sum, strip) => sum + strip.lengthMm + 1.5, 0);
  let from = lengthMm / 2 - wholeMm / 2;
  for (const strip of strips) {
    const turn = ((loosely * (2 * random() - 1)) / 180) * 0.35 * Math.PI;
    const up = tipMm + tipsUnder + MARKS_END_MM + loosely * (2 * random() - 1);
    drawStrip(bench, bw, bh, strip, turn, (x, y) => benchPx(from + x, up - y), modules, scene.covered ?? []);
    from += strip.lengthMm + 1.5 + loosely * random();
  }
  return {
    ...looked(line, scene, { grey: bench, widthPx: bw, heightPx: bh }, benchPx, random),
    pxPerMm: scene.focalPx / scene.heightMm,
  };
}

function drawStrip(
  bench: Uint8Array | Uint8ClampedArray,
  bw: number,
  bh: number,
  strip: Strip,
  turn: number,
  place: (x: number, y: number) => readonly [number, number],
  modules: CodeModules,
  covered: readonly (readonly [number, number])[],
): void {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  // About the strip's middle, so that its far end does not run into the teeth.
  const [mx, my] = [strip.lengthMm / 2, MARKS_END_MM / 2];
  const [ox, oy] = place(0, 0);
  /** Every bench pixel of the marks' box is asked where it lies on the strip. */
  const codes = strip.codes.map((code) => ({ code, cells: modules(code.text) }));
  const reach = 6;
  const [x0, y0] = [Math.floor(ox - reach / BENCH_MM), Math.floor(oy - reach / BENCH_MM)];
  const [x1, y1] = [
    Math.ceil(ox + (strip.lengthMm + reach) / BENCH_MM),
    Math.ceil(oy + (MARKS_END_MM + reach) / BENCH_MM),
  ];
  const onStrip = (i: number, j: number): readonly [number, number] => {
    const [x, y] = [(i - ox) * BENCH_MM - mx, (j - oy) * BENCH_MM - my];
    return [mx + cos * x + sin * y, my - sin * x + cos * y];
  };
  // Dots by the squares of 2 mm that they may touch, so that few are asked.
  const bucketOf = (x: number, y: number): number => Math.floor(x / 2) * 1000 + Math.floor(y / 2);
  const buckets = new Map<number, (readonly [number, number])[]>();
  for (const dot of strip.dots)
    for (let x = dot[0] - 2; x <= dot[0] + 2; x += 1)
      for (let y = dot[1] - 2; y <= dot[1] + 2; y += 1) {
        const key = bucketOf(x, y);
        const own = buckets.get(key) ?? [];
        if (!own.includes(dot)) own.push(dot);
        buckets.set(key, own);
      }
  const inked = (x: number, y: number): boolean => {
    if (covered.some(([a, b]) => x > a && x < b)) return false;
    for (const { code, cells } of codes) {
      const [a, b] = [code.corners[0] as readonly [number, number], code.corners[2] as readonly [number, number]];
      if (x < a[0] || x >= b[0] || y < a[1] || y >= b[1]) continue;
      const n = cells.length;
      return (
        cells[Math.floor(((y - a[1]) / (b[1] - a[1])) * n)]?.[Math.floor(((x - a[0]) / (b[0] - a[0])) * n)] ?? false
      );
    }
    const near = buckets.get(bucketOf(x, y));
    return near?.some(([dx, dy]) => Math.hypot(x - dx, y - dy) <= DOT_DIAMETER_MM / 2) ?? false;
  };
  for (let j = Math.max(0, y0); j < Math.min(bh, y1); j++)
    for (let i = Math.max(0, x0); i < Math.min(bw, x1); i++) {
      const [sx, sy] = onStrip(i + 0.5, j + 0.5);
      if (sx < 0 || sx > strip.lengthMm || sy < 0 || sy > MARKS_END_MM) continue;
      let ink = 0;
      for (const [u, v] of [
        [0.25, 0.25],
        [0.75, 0.25],
        [0.25, 0.75],
        [0.75, 0.75],
      ] as const)
        if (inked(...onStrip(i + u, j + v))) ink++;
      if (ink > 0) bench[j * bw + i] = Math.round(PAPER + ((INK - PAPER) * ink) / 4);
    }
}

function looked(
  line: readonly TrueTooth[],
  scene: PhotographScene,
  bench: GreyPicture,
  benchPx: (xMm: number, yMm: number) => readonly [number, number],
  random: () => number,
): { picture: GreyPicture } {
  const { widthPx, heightPx, focalPx, heightMm } = scene;
  const { k1 = 0, k2 = 0, tiltXDeg = 0, tiltYDeg = 0, rollDeg = 0, noise = 2, blurPx = 0.7, unevenLight = 0 } = scene;
  const rad = Math.PI / 180;
  const [ca, sa] = [Math.cos(tiltXDeg * rad), Math.sin(tiltXDeg * rad)];
  const [cb, sb] = [Math.cos(tiltYDeg * rad), Math.sin(tiltYDeg * rad)];
  const [cc, sc] = [Math.cos(rollDeg * rad), Math.sin(rollDeg * rad)];
  const lengthMm = (line[line.length - 1] as TrueTooth).xMm;
  const [lookX, lookY] = scene.lookAt ?? [lengthMm / 2, 0];
  /** A ray of the lens in the bench's own directions: x along, y down, z into the bench. */
  const turned = (x: number, y: number, z: number): readonly [number, number, number] => {
    const [x1, y1] = [cc * x - sc * y, sc * x + cc * y];
    const [y2, z2] = [ca * y1 - sa * z, sa * y1 + ca * z];
    return [cb * x1 + sb * z2, y2, -sb * x1 + cb * z2];
  };
  // The lens stands back along its own axis from where it looks, so high that its upright is heightMm.
  const axis = turned(0, 0, 1);
  const back = heightMm / axis[2];
  const lens = [lookX - axis[0] * back, lookY - axis[1] * back, -heightMm] as const;
  const [w, h] = [bench.widthPx, bench.heightPx];
  const sample = (xMm: number, yDownMm: number): number => {
    const [bx, by] = benchPx(xMm, -yDownMm);
    const [u, v] = [Math.min(Math.max(bx - 0.5, 0), w - 1.01), Math.min(Math.max(by - 0.5, 0), h - 1.01)];
    const [i, j] = [Math.floor(u), Math.floor(v)];
    const [fx, fy] = [u - i, v - j];
    const at = j * w + i;
    const { grey } = bench;
    return (
      (1 - fy) * ((1 - fx) * (grey[at] as number) + fx * (grey[at + 1] as number)) +
      fy * ((1 - fx) * (grey[at + w] as number) + fx * (grey[at + w + 1] as number))
    );
  };
  const plate = scene.plateMm ?? 0;
  /** Where a place of the picture lies on the bench, mm of the line and down from its chord. */
  const onBench = (px: number, py: number): readonly [number, number] => {
    const [du, dv] = [(px - widthPx / 2) / focalPx, (py - heightPx / 2) / focalPx];
    // The bend undone, round by round.
    let [u, v] = [du, dv];
    if (k1 !== 0 || k2 !== 0)
      for (let round = 0; round < 12; round++) {
        const r2 = u * u + v * v;
        const bend = 1 + r2 * (k1 + r2 * k2);
        [u, v] = [du / bend, dv / bend];
      }
    const [x, y, z] = turned(u, v, 1);
    const reach = heightMm / z;
    const met = [lens[0] + reach * x, lens[1] + reach * y] as const;
    // What lies on the plate is met sooner: half a plate up at the line.
    const onPlate = (scene.tipsUnderMm ?? 9) / 2;
    if (plate === 0 || met[1] < -onPlate) return met;
    const near = (heightMm - plate / 2) / z;
    return [lens[0] + near * x, lens[1] + near * y];
  };
  // A lens bends little over a few pixels: rays stand so far apart, and those between them straight between.
  const [columns, rows] = [Math.ceil(widthPx / LATTICE_PX) + 1, Math.ceil(heightPx / LATTICE_PX) + 1];
  const [xs, ys] = [new Float64Array(columns * rows), new Float64Array(columns * rows)];
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++)
      [xs[j * columns + i], ys[j * columns + i]] = onBench(i * LATTICE_PX, j * LATTICE_PX);
  const values = new Float32Array(widthPx * heightPx);
  for (let j = 0; j < heightPx; j++)
    for (let i = 0; i < widthPx; i++) {
      let sum = 0;
      for (let n = 0; n < RAYS * RAYS; n++) {
        const px = (i + ((n % RAYS) + 0.5) / RAYS) / LATTICE_PX;
        const py = (j + (Math.floor(n / RAYS) + 0.5) / RAYS) / LATTICE_PX;
        const [a, b] = [Math.floor(px), Math.floor(py)];
        const [fx, fy] = [px - a, py - b];
        const at = b * columns + a;
        const between = (of: Float64Array): number =>
          (1 - fy) * ((1 - fx) * (of[at] as number) + fx * (of[at + 1] as number)) +
          fy * ((1 - fx) * (of[at + columns] as number) + fx * (of[at + columns + 1] as number));
        const [xMm, yMm] = [between(xs), between(ys)];
        let value = sample(xMm, yMm);
        if (scene.shadow !== undefined && Math.abs(yMm + 1) < 4) value *= scene.shadow;
        sum += value;
      }
      const [du, dv] = [(i - widthPx / 2) / focalPx, (j - heightPx / 2) / focalPx];
      const light = 1 + unevenLight * ((i / widthPx - 0.5) * 1.1 - (du * du + dv * dv) * 0.6);
      values[j * widthPx + i] = (sum / (RAYS * RAYS)) * light;
    }
  blur(values, widthPx, heightPx, blurPx);
  const grey = new Uint8Array(values.length);
  for (let k = 0; k < values.length; k++)
    grey[k] = Math.max(0, Math.min(255, Math.round((values[k] as number) + noise * normal(random))));
  return { picture: { widthPx, heightPx, grey } };
}
