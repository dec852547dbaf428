import { setsOf } from '../photograph/edge-readings';
import type { SeenCode } from '../photograph/find-strips';
import { readEdge } from '../photograph/read-edge';
import { readRim } from '../photograph/read-rim';
import { closeRim } from '../trace/close-rim';
import type { GreyPicture } from '../trace/grey-picture';
import { traceTeeth } from '../trace/trace-teeth';
import type { BladeScene, BladeWish } from './made-blade-photograph';
import { madeRim } from './made-blade-photograph';
import type { EdgeScene } from './made-edge-photograph';
import type { TrueTooth } from './made-line';
import { madeLine, randomFrom, trueGullets } from './made-line';

/** Blades of 90 to 160 mm and saws along their points, everything at random from a seed, and what came of them. */

const drawing = (seed: number, by: number): ((low: number, high: number) => number) => {
  const next = randomFrom(seed * by);
  for (let k = 0; k < 20; k++) next();
  return (low, high) => low + (high - low) * next();
};
const rms = (of: readonly number[]): number => Math.sqrt(of.reduce((s, v) => s + v * v, 0) / Math.max(1, of.length));
const mean = (of: readonly number[]): number => of.reduce((s, v) => s + v, 0) / Math.max(1, of.length);

export function randomBlade(seed: number): { readonly blade: BladeWish; readonly scene: BladeScene } {
  const between = drawing(seed, 7013);
  const diameterMm = Math.round(between(90, 160));
  const teeth = Math.round((Math.PI * diameterMm) / between(12, 24));
  const side = Math.round((diameterMm + 86) * 8.2);
  const blade = {
    diameterMm,
    teeth,
    boreMm: Math.round(between(16, 30)),
    rakeDeg: between(-5, 20),
    backDeg: between(68, 76),
    gulletMm: between(5, 9),
    unequalMm: 0.1,
    unevenMm: 0.2,
    unlikeDeg: 2,
    eccentricMm: between(0, 0.3),
    seed,
  };
  const scene = {
    widthPx: side,
    heightPx: side,
    focalPx: 4500,
    heightMm: between(490, 560),
    plateMm: between(1.2, 2.4),
    k1: between(-0.08, 0.08),
    tiltXDeg: between(-8, 8),
    tiltYDeg: between(-8, 8),
    rollDeg: between(-3, 3),
    noise: between(1, 4),
    blurPx: between(0.5, 1),
    unevenLight: between(0, 0.3),
    bladeAt: [between(-2, 2), between(-2, 2)] as const,
    seed,
  };
  return { blade, scene };
}

export interface RimFindings {
  readonly teeth: number;
  readonly missed: number;
  /** Heights about the bore, and what is left of them without their first harmonic, mm; rakes, degrees. */
  readonly heights: number;
  readonly over: number;
  readonly rakeDeg: number;
}

export function bladeMeasured(
  { blade, scene }: ReturnType<typeof randomBlade>,
  picture: GreyPicture,
  codes: readonly SeenCode[],
): RimFindings | string {
  const known = { plateMm: scene.plateMm, focalPx: scene.focalPx, printed: { along: 1, across: 1 }, round: blade };
  const read = readRim(picture, codes, known);
  if (!read.ok) return read.code;
  const { mmPerPx, scaleError, placeErrorMm } = read;
  const lie = { rim: true, teethPoint: 'up', heel: 'left' } as const;
  const traced = traceTeeth(read.picture, { mmPerPx, scaleError, placeErrorMm, ...lie });
  if (!traced.ok) return traced.code;
  const { teeth } = closeRim(traced, read.rim);
  const rim = madeRim(blade);
  const missed = Math.abs(teeth.length - rim.length);
  if (missed > 0) return { teeth: rim.length, missed, heights: NaN, over: NaN, rakeDeg: NaN };
  const middle = mean(rim.map((t) => t.radiusMm));
  const off = teeth.map((t, i) => t.yMm - ((rim[i]?.radiusMm ?? NaN) - middle));
  const level = mean(off);
  return {
    teeth: rim.length,
    missed,
    heights: rms(off.map((o) => o - level)),
    over: off.filter((o, i) => Math.abs(o - level) > 3 * (teeth[i]?.errors.yMm ?? 0)).length,
    rakeDeg: rms(teeth.flatMap((t, i) => (t.rakeDeg === null ? [] : [t.rakeDeg - (rim[i]?.rakeDeg ?? NaN)]))),
  };
}

export function randomEdge(seed: number): {
  readonly line: TrueTooth[];
  readonly sets: readonly number[];
  readonly scene: EdgeScene;
  readonly pitchMm: number;
} {
  const between = drawing(seed, 9011);
  const pitchMm = between(3.2, 4.2);
  const line = madeLine({ teeth: 60, pitchMm, rakeDeg: between(-22, -2), unevenMm: 0.08, unequalMm: 0.05, seed });
  const [left, right] = [between(0.2, 0.34), between(0.2, 0.34)];
  const sets = line.map((_, i) => (i % 2 === 0 ? left : -right) + between(-0.03, 0.03));
  const lengthMm = 59 * pitchMm;
  const heightMm = ((lengthMm + 34) * 3000) / 4000;
  const scene = {
    widthPx: 4000,
    heightPx: Math.round((106 * 3000) / heightMm),
    focalPx: 3000,
    heightMm,
    plateMm: between(0.7, 1.1),
    overMm: between(4, 6),
    strips: 1,
    tiltXDeg: between(-1.2, 1.2),
    tiltYDeg: between(-5, 5),
    rollDeg: between(-2, 2),
    k1: between(-0.08, 0.08),
    noise: between(1, 4),
    blurPx: between(0.5, 1),
    unevenLight: between(0, 0.3),
    bent: between(0.35, 0.6),
    seed,
  };
  return { line, sets, scene, pitchMm };
}

export interface EdgeFindings {
  readonly teeth: number;
  readonly wrongSides: number;
  readonly setMm: number;
  /** How much more one side was told than the other, mm, and one standard error of it as told. */
  readonly balanceMm: number;
  readonly balanceErrorMm: number;
}

export function edgeMeasured(
  { line, sets, scene, pitchMm }: ReturnType<typeof randomEdge>,
  picture: GreyPicture,
  codes: readonly SeenCode[],
): EdgeFindings | string {
  const known = { plateMm: scene.plateMm, focalPx: scene.focalPx, printed: { along: 1, across: 1 } };
  // As the picture from the side told them.
  const gulletMm = mean(line.map((t) => t.yMm)) - mean(trueGullets(line).map(([, y]) => y));
  const read = readEdge(picture, codes, { ...known, edge: { pitchMm, overMm: scene.overMm, gulletMm } });
  if (!read.ok) return read.code;
  const seen = setsOf(read.teeth, 1, 'left');
  if (seen.length !== sets.length) return `${seen.length} teeth of ${sets.length}`;
  const off = seen.map((s, i) => s.setMm - Math.abs(sets[i] ?? NaN));
  const side = (left: boolean): number => mean(off.filter((_, i) => (sets[i] ?? 0) > 0 === left));
  return {
    teeth: seen.length,
    wrongSides: seen.filter((s, i) => (s.lean === 'left') !== (sets[i] ?? 0) > 0).length,
    setMm: rms(off),
    balanceMm: side(true) - side(false),
    balanceErrorMm: 2 * read.sideErrorMm,
  };
}
