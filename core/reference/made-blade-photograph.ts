/** Made-up photographs of round blades among their round strips, with exact truth; for tests, the bench and the demo. */
import { RIM_MARGIN_MM, MARKS_END_MM, rimStrip, roundOf } from '../photograph/measuring-strip';
import type { GreyPicture } from '../trace/grey-picture';
import type { LensScene } from './made-lens';
import { exposed } from './made-lens';
import { randomFrom } from './made-line';
import type { CodeModules } from './made-strip';
import { INK, PAPER, stripInk } from './made-strip';

/** One tooth of a round blade as it truly is: its turn about the bore, radians, its radius mm, its angles off it, degrees. */
export interface TrueRimTooth {
  readonly turn: number;
  readonly radiusMm: number;
  readonly rakeDeg: number;
  readonly backDeg: number;
  readonly kind: 'tooth' | 'missing';
}

export interface BladeWish {
  readonly diameterMm: number;
  readonly boreMm: number;
  readonly teeth: number;
  readonly rakeDeg: number;
  readonly backDeg: number;
  readonly gulletMm: number;
  /** Spread of radii, turns along the rim, and angles. */
  readonly unequalMm?: number;
  readonly unevenMm?: number;
  readonly unlikeDeg?: number;
  /** The rim's middle stands off the bore's by so much, towards tooth 1. */
  readonly eccentricMm?: number;
  readonly missing?: readonly number[];
  readonly seed?: number;
}

/** Teeth the way their faces look, the first at the top of the picture (y down). */
export function madeRim(wish: BladeWish): TrueRimTooth[] {
  const random = randomFrom(wish.seed ?? 3);
  for (let k = 0; k < 20; k++) random();
  const spread = (range = 0): number => range * (2 * random() - 1);
  const step = (2 * Math.PI) / wish.teeth;
  return Array.from({ length: wish.teeth }, (_, i) => {
    const off = i * step;
    const unlike = spread(wish.unlikeDeg);
    return {
      turn: -Math.PI / 2 + off + spread(wish.unevenMm) / (wish.diameterMm / 2),
      radiusMm: wish.diameterMm / 2 + spread(wish.unequalMm) + (wish.eccentricMm ?? 0) * Math.cos(off),
      rakeDeg: wish.rakeDeg + unlike,
      backDeg: wish.backDeg + unlike,
      kind: wish.missing?.includes(i + 1) ? 'missing' : 'tooth',
    };
  });
}

export interface BladeScene extends LensScene {
  readonly plateMm: number;
  readonly plateGrey?: number;
  /** Where it looks, mm from the round strips' middle. */
  readonly lookAt?: readonly [number, number];
  /** Where the blade's bore lies in the round, mm. */
  readonly bladeAt?: readonly [number, number];
  /** Each piece lies off by some mm and degrees at random. */
  readonly loosely?: number;
  /** Seen from its other side: the faces look the other way round. */
  readonly turnedOver?: boolean;
  /** An arbor in the bore: no hole is seen. */
  readonly arbor?: boolean;
  readonly seed?: number;
}

type Point = readonly [number, number];

/** A blade as a solid of its plate's thickness on the bench, among its strips, before a lens. */
export function bladePhotograph(
  rim: readonly TrueRimTooth[],
  blade: BladeWish,
  scene: BladeScene,
  modules: CodeModules,
): GreyPicture {
  const random = randomFrom(scene.seed ?? 9);
  const { pieces, arcDeg, innerMm, outerMm } = roundOf(blade.diameterMm);
  const loosely = scene.loosely ?? 1;
  const strips = Array.from({ length: pieces }, (_, k) => {
    const turn = ((k * arcDeg + 0.6 * loosely * (2 * random() - 1)) * Math.PI) / 180;
    const [dx, dy] = [loosely * (2 * random() - 1), loosely * (2 * random() - 1)];
    return {
      ink: stripInk(rimStrip(k + 1, blade.diameterMm), modules),
      cos: Math.cos(turn),
      sin: Math.sin(turn),
      dx,
      dy,
    };
  });
  const [bladeX, bladeY] = scene.bladeAt ?? [0, 0];
  const mirror = scene.turnedOver ? -1 : 1;
  const outline = outlineOf(rim, blade);
  const least = Math.min(...rim.map((t) => t.radiusMm)) - blade.gulletMm - 1;
  const most = Math.max(...rim.map((t) => t.radiusMm)) + 0.5;
  const step = (2 * Math.PI) / rim.length;
  const inBlade = (benchX: number, benchY: number): boolean => {
    const x = mirror * (benchX - bladeX);
    const y = benchY - bladeY;
    const r = Math.hypot(x, y);
    if (r > most) return false;
    if (r < least) return scene.arbor === true || r > blade.boreMm / 2;
    // The chain of edges about this turn: inside where a ray outwards crosses it an odd number of times.
    const k = Math.floor((Math.atan2(y, x) + Math.PI / 2) / step + 4 * rim.length);
    let crossed = false;
    for (let n = k - 2; n <= k + 2; n++) {
      const chain = outline[((n % rim.length) + rim.length) % rim.length] as readonly Point[];
      for (let e = 0; e + 1 < chain.length; e++)
        if (crossesRay(x, y, chain[e] as Point, chain[e + 1] as Point)) crossed = !crossed;
    }
    return crossed;
  };
  const plateGrey = scene.plateGrey ?? 80;
  const marksFrom = blade.diameterMm / 2 + RIM_MARGIN_MM - 6;
  const benchGrey = (x: number, y: number): number => {
    const r = Math.hypot(x, y);
    if (r < marksFrom || r > marksFrom + MARKS_END_MM + 12) return r < innerMm || r > outerMm + 4 ? 190 : PAPER;
    for (const { ink, cos, sin, dx, dy } of strips) {
      const u = x - dx;
      const v = y - dy;
      const sx = cos * u + sin * v;
      const sy = -sin * u + cos * v;
      if (-sy > 0.2 * r && ink(sx, sy)) return INK;
    }
    return PAPER;
  };
  const { heightMm } = scene;
  return exposed(scene, scene.lookAt ?? [0, 0], random, ([lensX, lensY], across, down) => {
    const benchX = lensX + heightMm * across;
    const benchY = lensY + heightMm * down;
    const r = Math.hypot(benchX - bladeX, benchY - bladeY);
    // Far from every edge there is no need to look twice.
    if (r > most + scene.plateMm) return benchGrey(benchX, benchY);
    if (r < least - scene.plateMm && (scene.arbor || r > blade.boreMm / 2 + scene.plateMm)) return plateGrey;
    for (let n = 0; n <= WALLS; n++) {
      const reach = heightMm - scene.plateMm * (1 - n / WALLS);
      // The walls of the plate lie in their own shade.
      if (inBlade(lensX + reach * across, lensY + reach * down)) return n === 0 ? plateGrey : 0.8 * plateGrey;
    }
    return benchGrey(benchX, benchY);
  });
}

/** Planes that a ray is met in, from the plate's upper face to the bench. */
const WALLS = 3;

/** A ray straight out from (x, y) and an edge: the part of the edge that lies further out on the same turn. */
function crossesRay(x: number, y: number, a: Point, b: Point): boolean {
  const sideA = x * a[1] - y * a[0];
  const sideB = x * b[1] - y * b[0];
  if (sideA > 0 === sideB > 0) return false;
  const share = sideA / (sideA - sideB);
  const px = a[0] + share * (b[0] - a[0]);
  const py = a[1] + share * (b[1] - a[1]);
  return px * x + py * y > 0 && px * px + py * py > x * x + y * y;
}

/** Tooth by tooth the edges from its tip down its face, through the gullet, to the next tooth's tip; mm about the bore. */
function outlineOf(rim: readonly TrueRimTooth[], { gulletMm }: BladeWish): readonly (readonly Point[])[] {
  const tan = (deg: number): number => Math.tan((deg * Math.PI) / 180);
  const at = (t: TrueRimTooth, along: number, up: number): Point => {
    const r = t.radiusMm + up;
    return [r * Math.cos(t.turn) - along * Math.sin(t.turn), r * Math.sin(t.turn) + along * Math.cos(t.turn)];
  };
  return rim.map((tooth, i) => {
    const next = rim[(i + 1) % rim.length] as TrueRimTooth;
    const pitchMm = (2 * Math.PI * tooth.radiusMm) / rim.length;
    const reach = Math.min(0.5 * pitchMm, 0.6 * gulletMm * tan(next.backDeg));
    const backEnd = at(next, -reach, -reach / tan(next.backDeg));
    if (tooth.kind === 'missing') return [at(tooth, 0, -gulletMm), backEnd, at(next, 0, 0)];
    if (next.kind === 'missing')
      return [at(tooth, 0, 0), at(tooth, -tan(tooth.rakeDeg) * gulletMm, -gulletMm), at(next, 0, -gulletMm)];
    const foot = at(tooth, -tan(tooth.rakeDeg) * 0.85 * gulletMm, -0.85 * gulletMm);
    return [
      at(tooth, 0, 0),
      foot,
      at(tooth, 0.04 * pitchMm, -gulletMm),
      at(tooth, 0.16 * pitchMm, -0.97 * gulletMm),
      backEnd,
      at(next, 0, 0),
    ];
  });
}
