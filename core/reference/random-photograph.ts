import type { SeenCode } from '../photograph/find-strips';
import { readPhotograph } from '../photograph/read-photograph';
import type { GreyPicture } from '../trace/grey-picture';
import { traceTeeth } from '../trace/trace-teeth';
import type { TracedLine } from '../trace/traced-line';
import type { TrueTooth } from './made-line';
import { madeLine, randomFrom } from './made-line';
import type { PhotographScene } from './made-photograph';

/** Eight points to the inch, the finest that the aims are asked for. mm. */
const PITCH_MM = 25.4 / 7;

/** A saw of eight points on its strips, 680 mm of it before a telephone of twelve million pixels, everything at random. */
export function randomPhotograph(seed: number): { readonly line: TrueTooth[]; readonly scene: PhotographScene } {
  const next = randomFrom(seed * 6007);
  for (let k = 0; k < 20; k++) next();
  const between = (low: number, high: number): number => low + (high - low) * next();
  const line = madeLine({
    teeth: Math.round(680 / PITCH_MM),
    pitchMm: PITCH_MM,
    rakeDeg: between(-22, 2),
    unevenMm: 0.1,
    unequalMm: 0.07,
    unlikeDeg: 2,
    roundMm: between(0, 0.05),
    seed,
  });
  const scene: PhotographScene = {
    widthPx: 4000,
    heightPx: 1300,
    focalPx: between(2800, 3200),
    heightMm: between(560, 620),
    k1: between(-0.08, 0.08),
    k2: between(-0.03, 0.03),
    tiltXDeg: between(-22, 22),
    tiltYDeg: between(-8, 8),
    rollDeg: between(-3, 3),
    strips: 3,
    noise: between(1, 4),
    blurPx: between(0.5, 1),
    unevenLight: between(0, 0.4),
    plateGrey: between(50, 100),
    tipsUnderMm: between(6, 11),
    seed,
  };
  return { line, scene };
}

/** What a photograph's trace says against what is true: root mean squares in mm and degrees. */
export interface PhotographFindings {
  readonly teeth: number;
  readonly missed: number;
  readonly places: number;
  readonly heights: number;
  readonly rakeDeg: number;
  readonly pitchShare: number;
}

/** The refusal's code where there is one. */
export function photographedRandom(
  line: readonly TrueTooth[],
  scene: PhotographScene,
  picture: GreyPicture,
  codes: readonly SeenCode[],
): PhotographFindings | string {
  const read = readPhotograph(picture, codes, {
    focalPx: scene.focalPx,
    plateMm: 1e-3,
    printed: { along: 1, across: 1 },
  });
  if (!read.ok) return read.code;
  const { mmPerPx, scaleError, placeErrorMm } = read;
  const trace = traceTeeth(read.picture, { mmPerPx, scaleError, placeErrorMm, heel: 'left' });
  if (!trace.ok) return trace.code;
  return photographFindings(line, trace);
}

/** A photograph's trace against the line it was made of; steps are held against the line's own pitch. */
export function photographFindings(
  line: readonly TrueTooth[],
  trace: Pick<TracedLine, 'teeth' | 'summary'>,
  pitchMm = PITCH_MM,
): PhotographFindings {
  const n = line.length;
  const missed = Math.abs(trace.teeth.length - n);
  if (missed > 0) return { teeth: n, missed, places: NaN, heights: NaN, rakeDeg: NaN, pitchShare: NaN };
  const mean = (of: (t: TrueTooth, i: number) => number): number => line.reduce((s, t, i) => s + of(t, i), 0) / n;
  const rms = (of: (t: TrueTooth, i: number) => number): number => Math.sqrt(mean((t, i) => of(t, i) ** 2));
  const at = (i: number) => trace.teeth[i] as (typeof trace.teeth)[number];
  const shift = mean((t, i) => at(i).xMm - t.xMm);
  const [mx, my] = [mean((t) => t.xMm), mean((t) => t.yMm)];
  const slope = mean((t) => (t.xMm - mx) * (t.yMm - my)) / mean((t) => (t.xMm - mx) ** 2);
  return {
    teeth: n,
    missed,
    places: rms((t, i) => at(i).xMm - t.xMm - shift),
    heights: rms((t, i) => at(i).yMm - (t.yMm - my - slope * (t.xMm - mx))),
    rakeDeg: rms((t, i) => (at(i).rakeDeg ?? NaN) - t.rakeDeg),
    pitchShare: Math.abs(trace.summary.pitchMm.value / pitchMm - 1),
  };
}
