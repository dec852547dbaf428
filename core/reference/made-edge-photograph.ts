/** Made-up photographs along a tooth line, the plate on edge between two rows of strips, with exact truth; for tests, the bench and the demo. */
import { MARKS_END_MM, STRIP_HEIGHT_MM, stripOf } from '../photograph/measuring-strip';
import type { StripPaper } from '../photograph/measuring-strip';
import type { GreyPicture } from '../trace/grey-picture';
import type { LensScene } from './made-lens';
import { exposed } from './made-lens';
import type { TrueTooth } from './made-line';
import { outline, randomFrom } from './made-line';
import type { CodeModules } from './made-strip';
import { INK, PAPER, stripInk } from './made-strip';

/** A tooth's set as it truly is: mm at its point, left positive; seen from the heel. */
export type TrueSet = readonly number[];

export interface EdgeScene extends LensScene {
  readonly plateMm: number;
  /** Points stand so far over the strips, mm. */
  readonly overMm: number;
  /** Strips on either side, end to end, and on what paper. */
  readonly strips: number;
  readonly paper?: StripPaper;
  readonly loosely?: number;
  /** The plate stands off upright, degrees, to the left positive. */
  readonly leanDeg?: number;
  /** Share of a tooth's depth that is bent, from its point. */
  readonly bent?: number;
  readonly plateGrey?: number;
  /** The heel lies on the right of the picture. */
  readonly turned?: boolean;
  readonly lookAt?: readonly [number, number];
  readonly seed?: number;
}

/** How finely what is bent and the plate under it are met by a ray. */
const BENT_SLICES = 8;
const PLATE_SLICES = 4;

export function edgePhotograph(
  line: readonly TrueTooth[],
  sets: TrueSet,
  scene: EdgeScene,
  modules: CodeModules,
): GreyPicture {
  const random = randomFrom(scene.seed ?? 13);
  const { plateMm, overMm, bent = 0.5, plateGrey = 70, loosely = 1 } = scene;
  const last = line[line.length - 1] as TrueTooth;
  const pitchMm = last.xMm / (line.length - 1);
  const topMm = Math.max(...line.map((t) => t.yMm));
  const profile = profileOf(line, pitchMm);
  const lean = Math.tan(((scene.leanDeg ?? 0) * Math.PI) / 180);
  const paper = scene.paper ?? 'a4';
  const lookX = scene.lookAt?.[0] ?? last.xMm / 2;
  const strips = [1, -1].flatMap((side, s) => {
    const own = Array.from({ length: scene.strips }, (_, k) =>
      stripOf({ place: 'bench', number: s * scene.strips + k + 1 }, paper),
    );
    const whole = own.reduce((sum, strip) => sum + strip.lengthMm + 1.5, 0);
    let from = lookX - whole / 2;
    return own.map((strip) => {
      const turn = ((side > 0 ? 0 : 180) * Math.PI) / 180 + (loosely * (2 * random() - 1) * Math.PI) / 900;
      // Its plain margin lies against the plate.
      const at = [side > 0 ? from : from + strip.lengthMm, -side * (STRIP_HEIGHT_MM + 0.6)] as const;
      from += strip.lengthMm + 1.5;
      return { strip, ink: stripInk(strip, modules), cos: Math.cos(turn), sin: Math.sin(turn), at };
    });
  });
  const benchGrey = (x: number, y: number): number => {
    for (const { strip, ink, cos, sin, at } of strips) {
      const u = x - at[0];
      const v = y - at[1];
      const sx = cos * u + sin * v;
      const sy = -sin * u + cos * v;
      if (sx > 0 && sx < strip.lengthMm && sy > 0 && sy < STRIP_HEIGHT_MM && ink(sx, sy)) return INK;
    }
    return PAPER;
  };
  const { heightMm } = scene;
  /**
   * Whether a ray that starts at lensY and goes `down` is in the plate's thickness anywhere between two heights over
   * the bench, mm. The plate's middle there leans, and what is bent over `bend` stands off by `rise` a mm of height;
   * y down in the picture is right of the heel's left.
   */
  const meets = (lensY: number, down: number, low: number, high: number, rise: number, bend: number): boolean => {
    const a = lensY + (heightMm - low) * down + lean * (low - overMm) - rise * (low - bend);
    const b = lensY + (heightMm - high) * down + lean * (high - overMm) - rise * (high - bend);
    return a > 0 !== b > 0 || Math.min(Math.abs(a), Math.abs(b)) <= plateMm / 2;
  };
  const turned = scene.turned === true;
  return exposed(scene, scene.lookAt ?? [last.xMm / 2, 0], random, ([lensX, lensY], across, down) => {
    const benchY = lensY + heightMm * down;
    const benchX = lensX + heightMm * across;
    // Far from the plate there is nothing to meet, and no ink near it.
    if (Math.abs(benchY) > 1.2 + plateMm + overMm * Math.abs(down))
      return Math.abs(benchY) < STRIP_HEIGHT_MM - MARKS_END_MM - 3 ? PAPER : benchGrey(benchX, benchY);
    // Heights over the bench: the line's own chord stands at overMm less its highest tip.
    const chord = overMm - topMm;
    for (let n = 0; n < BENT_SLICES + PLATE_SLICES; n++) {
      const height = overMm - (n < BENT_SLICES ? (n / BENT_SLICES) * 0.6 * pitchMm : pitchMm);
      const x = lensX + (heightMm - height) * across;
      const lineX = turned ? last.xMm - x : x;
      const at = profile(lineX);
      const crest = chord + at.heightMm;
      const tip = chord + at.tipMm;
      const bend = tip - bent * at.depthMm;
      if (n < BENT_SLICES) {
        const top = Math.min(tip - ((tip - bend) * n) / BENT_SLICES, crest);
        const low = tip - ((tip - bend) * (n + 1)) / BENT_SLICES;
        if (top <= low) continue;
        const set = (turned ? 1 : -1) * (sets[at.tooth] ?? 0);
        if (meets(lensY, down, low, top, set / (tip - bend), bend)) return plateGrey;
      } else {
        const k = n - BENT_SLICES;
        const top = Math.min(bend, crest);
        const high = top * (1 - k / PLATE_SLICES);
        if (meets(lensY, down, top * (1 - (k + 1) / PLATE_SLICES), high, 0, 0)) return plateGrey;
      }
    }
    return benchGrey(benchX, benchY);
  });
}

/** At a place of the line: how high it stands there, and which tooth's tip and depth are about it. mm. */
function profileOf(
  line: readonly TrueTooth[],
  pitchMm: number,
): (xMm: number) => { heightMm: number; tooth: number; tipMm: number; depthMm: number } {
  const points = outline(line, 0.02, pitchMm);
  const STEP = 0.02;
  const from = (points[0] as readonly [number, number])[0];
  const count = Math.ceil(((points[points.length - 1] as readonly [number, number])[0] - from) / STEP);
  const heights = new Float64Array(count).fill(-Infinity);
  for (let k = 0; k + 1 < points.length; k++) {
    const [[x1, y1], [x2, y2]] = [points[k], points[k + 1]] as [readonly [number, number], readonly [number, number]];
    for (let i = Math.max(0, Math.ceil((x1 - from) / STEP)); i < count && from + i * STEP <= x2; i++)
      heights[i] = y1 + ((y2 - y1) * (from + i * STEP - x1)) / (x2 - x1 || 1);
  }
  const floor = Math.min(...points.map(([, y]) => y));
  return (xMm) => {
    const height = heights[Math.round((xMm - from) / STEP)] ?? floor;
    // A tooth's tip is near its face: what lies behind it is its own.
    let tooth = Math.max(0, Math.min(line.length - 1, Math.round(xMm / pitchMm + 0.25)));
    while (tooth > 0 && xMm < (line[tooth] as TrueTooth).xMm - 0.8 * pitchMm) tooth--;
    const own = line[tooth] as TrueTooth;
    return { heightMm: Math.max(height, floor), tooth, tipMm: own.yMm, depthMm: own.yMm - floor };
  };
}
