/**
 * Made-up photographs with exact truth, for tests, the bench and the demo: a made scan's saw lies on its measuring
 * strips, and a lens with tilt, bend, blur, noise and uneven light looks at it. The way from picture to bench is
 * written here for itself, ray by ray, and shares nothing with the product's.
 */
import type { Strip, StripPaper } from '../photograph/measuring-strip';
import { MARKS_END_MM, stripOf } from '../photograph/measuring-strip';
import type { GreyPicture } from '../trace/grey-picture';
import type { LensScene } from './made-lens';
import { exposed } from './made-lens';
import { randomFrom } from './made-line';
import type { TrueTooth } from './made-scan';
import { madeScan } from './made-scan';
import type { CodeModules } from './made-strip';
import { INK, PAPER, stripInk } from './made-strip';

export type { CodeModules };

export interface PhotographScene extends LensScene {
  /** Where it looks, mm of the line from its heel and under the tips. */
  readonly lookAt?: readonly [number, number];
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
  const strips = Array.from({ length: scene.strips }, (_, i) => stripOf({ place: 'bench', number: i + 1 }, paper));
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
    picture: looked(line, scene, { grey: bench, widthPx: bw, heightPx: bh }, benchPx, random),
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
  const ink = stripInk(strip, modules);
  const inked = (x: number, y: number): boolean => !covered.some(([a, b]) => x > a && x < b) && ink(x, y);
  /** Every bench pixel of the marks' box is asked where it lies on the strip. */
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
  for (let j = Math.max(0, y0); j < Math.min(bh, y1); j++)
    for (let i = Math.max(0, x0); i < Math.min(bw, x1); i++) {
      const [sx, sy] = onStrip(i + 0.5, j + 0.5);
      if (sx < 0 || sx > strip.lengthMm || sy < 0 || sy > MARKS_END_MM) continue;
      let dark = 0;
      for (const [u, v] of [
        [0.25, 0.25],
        [0.75, 0.25],
        [0.25, 0.75],
        [0.75, 0.75],
      ] as const)
        if (inked(...onStrip(i + u, j + v))) dark++;
      if (dark > 0) bench[j * bw + i] = Math.round(PAPER + ((INK - PAPER) * dark) / 4);
    }
}

/** What the lens sees of a drawn bench, mm of the line and down from its chord. */
function looked(
  line: readonly TrueTooth[],
  scene: PhotographScene,
  bench: GreyPicture,
  benchPx: (xMm: number, yMm: number) => readonly [number, number],
  random: () => number,
): GreyPicture {
  const [w, h] = [bench.widthPx, bench.heightPx];
  const sample = (xMm: number, yDownMm: number): number => {
    const [bx, by] = benchPx(xMm, -yDownMm);
    const u = Math.min(Math.max(bx - 0.5, 0), w - 1.01);
    const v = Math.min(Math.max(by - 0.5, 0), h - 1.01);
    const i = Math.floor(u);
    const j = Math.floor(v);
    const fx = u - i;
    const fy = v - j;
    const at = j * w + i;
    const { grey } = bench;
    return (
      (1 - fy) * ((1 - fx) * (grey[at] as number) + fx * (grey[at + 1] as number)) +
      fy * ((1 - fx) * (grey[at + w] as number) + fx * (grey[at + w + 1] as number))
    );
  };
  const plate = scene.plateMm ?? 0;
  const lengthMm = (line[line.length - 1] as TrueTooth).xMm;
  // What lies on the plate is met sooner: half a plate up at the line.
  const onPlate = (scene.tipsUnderMm ?? 9) / 2;
  return exposed(scene, scene.lookAt ?? [lengthMm / 2, 0], random, ([lensX, lensY], across, down) => {
    const metY = lensY + scene.heightMm * down;
    const reach = plate === 0 || metY < -onPlate ? scene.heightMm : scene.heightMm - plate / 2;
    const [xMm, yMm] = [lensX + reach * across, lensY + reach * down];
    const value = sample(xMm, yMm);
    return scene.shadow !== undefined && Math.abs(yMm + 1) < 4 ? value * scene.shadow : value;
  });
}
