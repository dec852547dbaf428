import { linearRegression } from 'simple-statistics';
import type { GreyPicture } from '../trace/grey-picture';
import { greyAt, turnedView } from '../trace/grey-picture';
import { median } from '../units/median';
import type { Camera } from './camera';
import { heightMm, projector, tiltDeg } from './camera';
import type { SeenCode } from './find-strips';
import { findStrips, keyOf } from './find-strips';
import type { StripLie, StripMarks } from './fit-camera';
import { fitCamera, laidOut } from './fit-camera';
import type { Place } from './homography';
import type { Strip } from './measuring-strip';
import { codeOf, MARKS_END_MM } from './measuring-strip';

/** What is known beside the picture. */
export interface PhotographWish {
  /** What the printer makes of a millimetre along and across a strip: 1 where nobody measured the ruler. */
  readonly printed?: { readonly along: number; readonly across: number };
  /** Thickness of the plate, mm. */
  readonly plateMm?: number;
  /** Focal length, px, where it is known; a telephone's usual one otherwise. */
  readonly focalPx?: number;
}

export const PHOTOGRAPH_FAULTS = ['marks-covered', 'too-oblique', 'blurred', 'not-flat', 'no-strip-at-teeth'] as const;
export type PhotographFault = (typeof PHOTOGRAPH_FAULTS)[number];

/** What was found out of a photograph before any tooth is measured. */
export interface PhotographFacts {
  readonly strips: number;
  readonly marks: number;
  readonly tiltDeg: number;
  readonly heightMm: number;
  readonly blurPx: number;
  readonly rmsPx: number;
  /** Paper's darkest share of its brightest along the strips: a shadow lies there where it is small. */
  readonly light: number;
  readonly mmPerPx: number;
}

/** Where the strips and the grid lie on a photograph's own bench: what two photographs are joined by. */
export interface BenchLie {
  readonly strips: readonly { readonly key: string; readonly lie: StripLie }[];
  readonly grid: StripLie;
}

export type ReadPhotograph =
  | {
      readonly ok: true;
      readonly picture: GreyPicture;
      readonly mmPerPx: number;
      /** Standard error of the scale as a share, and of a place over the whole line, mm. */
      readonly scaleError: number;
      readonly placeErrorMm: number;
      readonly facts: PhotographFacts;
      readonly bench: BenchLie;
    }
  | { readonly ok: false; readonly code: PhotographFault; readonly facts: Partial<PhotographFacts> };

/** Plates are about so thick where nobody says it, and as well known as this; a strip lies flat to as much. mm. */
const USUAL_PLATE_MM = 0.9;
const PLATE_SPREAD_MM = 0.3;
/** A printer whose ruler nobody measured is off by about this share (common practice, no source); a measured one by this. */
const UNMEASURED_PRINTER = 0.004;
const MEASURED_PRINTER = 0.0005;
export const FEWEST_DOTS = 12;
const MOST_TILT_DEG = 32;
export const MOST_BLUR_PX = 2.6;
const MOST_RMS_PX = 0.6;
/** The grid reaches so far beyond the strips' ends and under their marks, mm. */
const BEYOND_MM = 6;
const UNDER_MM = 60;
const ABOVE_PLATE_MM = 45;

/** A telephone's picture has no more pixels than this; a scan that has is not searched for codes. */
const MOST_PHOTOGRAPH_PX = 60_000_000;
export const mayBePhotograph = ({ widthPx, heightPx }: GreyPicture): boolean =>
  widthPx * heightPx <= MOST_PHOTOGRAPH_PX;

/** Whether a picture shows the measuring strips: then it is a photograph, no scan. */
export const showsStrips = (codes: readonly SeenCode[]): boolean => codes.some(({ text }) => codeOf(text) !== null);

/**
 * A photograph of a saw on its measuring strips, laid flat: marks found, the camera's tilt and its lens taken out, and
 * the tooth line's part of the picture put on a true grid. What the picture cannot give is said before any number.
 */
export function readPhotograph(
  picture: GreyPicture,
  codes: readonly SeenCode[],
  wish: PhotographWish = {},
  report: (share: number) => void = () => undefined,
): ReadPhotograph {
  const printed = wish.printed ?? { along: 1, across: 1 };
  const plateMm = wish.plateMm ?? USUAL_PLATE_MM;
  const scaled = ([x, y]: Place): Place => [x * printed.along, y * printed.across];
  const found = findStrips(picture, codes, scaled);
  report(0.35);
  const dots = found.flatMap((one) => one.dots);
  const counted = { strips: found.length, marks: dots.length };
  if (dots.length < FEWEST_DOTS) return { ok: false, code: 'marks-covered', facts: counted };
  const blurPx = median(dots.map((dot) => dot.blurPx));
  if (blurPx > MOST_BLUR_PX) return { ok: false, code: 'blurred', facts: { ...counted, blurPx } };
  const whole = found.filter((one) => one.dots.length >= FEWEST_DOTS / 2);
  const fit = fitCamera(
    whole.map((one): StripMarks => ({
      overMm: one.strip.name.place === 'plate' ? plateMm : 0,
      map: one.map,
      printed: one.printed,
      seen: one.dots.map((dot) => dot.at),
    })),
    picture.widthPx,
    picture.heightPx,
    wish.focalPx,
  );
  report(0.6);
  if (!fit) return { ok: false, code: 'marks-covered', facts: counted };
  const { camera } = fit;
  const seen = {
    ...counted,
    blurPx,
    marks: fit.marks,
    rmsPx: fit.rmsPx,
    tiltDeg: tiltDeg(camera),
    heightMm: heightMm(camera),
  };
  if (seen.tiltDeg > MOST_TILT_DEG) return { ok: false, code: 'too-oblique', facts: seen };
  if (fit.rmsPx > MOST_RMS_PX) return { ok: false, code: 'not-flat', facts: seen };
  const region = regionOf(
    whole.map((one) => one.strip),
    fit.lies,
    printed,
  );
  if (!region) return { ok: false, code: 'no-strip-at-teeth', facts: seen };
  const mmPerPx = scaleAt(camera, region);
  const laid = rectified(picture, camera, region, mmPerPx, -plateMm / 2);
  report(1);
  const papers = dots.map((dot) => dot.paper).sort((a, b) => a - b);
  const light =
    (papers[Math.floor(0.03 * papers.length)] as number) / (papers[Math.floor(0.97 * papers.length)] as number);
  // A plate thicker than thought, or not lying down, is nearer to the lens by as much.
  const scaleError = Math.hypot(
    wish.printed ? MEASURED_PRINTER : UNMEASURED_PRINTER,
    PLATE_SPREAD_MM / seen.heightMm,
    (2 * fit.rmsPx * mmPerPx) / (Math.sqrt(fit.marks) * region.lengthMm),
  );
  return {
    ok: true,
    picture: laid,
    mmPerPx,
    scaleError,
    placeErrorMm: Math.max(fit.rmsPx, 0.05) * mmPerPx,
    facts: { ...seen, light, mmPerPx },
    bench: {
      strips: whole.map(({ strip }, s) => ({ key: keyOf(strip), lie: fit.lies[s] as StripLie })),
      grid: region.lie,
    },
  };
}

/** The part of the bench that holds the tooth line: along the strips, from their marks to the plate's own or far under them. */
interface Region {
  readonly lie: StripLie;
  readonly lengthMm: number;
  readonly heightMm: number;
}

function regionOf(
  strips: readonly Strip[],
  lies: readonly StripLie[],
  printed: { readonly along: number; readonly across: number },
): Region | null {
  const corners = (s: number, y: number): [Place, Place] => {
    const [strip, lie] = [strips[s] as Strip, lies[s] as StripLie];
    return [laidOut(lie, [0, y * printed.across]), laidOut(lie, [strip.lengthMm * printed.along, y * printed.across])];
  };
  const at = (place: 'bench' | 'plate'): number[] =>
    strips.flatMap((strip, s) => (strip.name.place === place ? [s] : []));
  const own = at('bench').length > 0 ? at('bench') : at('plate');
  if (own.length === 0) return null;
  const ends = own.flatMap((s) => corners(s, 0));
  const turn = Math.atan(linearRegression(ends.map(([x, y]) => [x, y])).m);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const along = ([x, y]: Place): number => cos * x + sin * y;
  const down = ([x, y]: Place): number => cos * y - sin * x;
  const left = Math.min(...ends.map(along)) - BEYOND_MM;
  const right = Math.max(...ends.map(along)) + BEYOND_MM;
  const plateTop = Math.min(...at('plate').flatMap((s) => corners(s, 0).map(down)), Infinity);
  const benchEnd = Math.max(...at('bench').flatMap((s) => corners(s, MARKS_END_MM).map(down)), -Infinity);
  const top = benchEnd > -Infinity ? benchEnd : plateTop - ABOVE_PLATE_MM;
  const bottom = Math.min(top + UNDER_MM, plateTop - 1);
  if (!(bottom - top > 8)) return null;
  return {
    lie: { x: cos * left - sin * top, y: sin * left + cos * top, turn },
    lengthMm: right - left,
    heightMm: bottom - top,
  };
}

/** The picture's own pixel along the line, mm: the grid's, so that nothing is drawn finer than it was seen. */
function scaleAt(camera: Camera, { lie, lengthMm, heightMm: deep }: Region): number {
  const project = projector(camera);
  const steps = [0.1, 0.3, 0.5, 0.7, 0.9].map((share) => {
    const [x, y] = laidOut(lie, [share * lengthMm, deep / 3]);
    const [x2, y2] = laidOut(lie, [share * lengthMm + 1, deep / 3]);
    const [a, b] = [project(x, y, 0), project(x2, y2, 0)];
    return Math.hypot(b[0] - a[0], b[1] - a[1]);
  });
  return 1 / median(steps);
}

/** Places are projected this many pixels apart and drawn straight between: a lens bends far less over so little. */
const LATTICE_PX = 8;

function rectified(picture: GreyPicture, camera: Camera, region: Region, mmPerPx: number, z: number): GreyPicture {
  const widthPx = Math.round(region.lengthMm / mmPerPx);
  const heightPx = Math.round(region.heightMm / mmPerPx);
  const project = projector(camera);
  const columns = Math.ceil(widthPx / LATTICE_PX) + 1;
  const rows = Math.ceil(heightPx / LATTICE_PX) + 1;
  const [us, vs] = [new Float64Array(columns * rows), new Float64Array(columns * rows)];
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++) {
      const [x, y] = laidOut(region.lie, [i * LATTICE_PX * mmPerPx, j * LATTICE_PX * mmPerPx]);
      const [u, v] = project(x, y, z);
      us[j * columns + i] = u;
      vs[j * columns + i] = v;
    }
  const out = new Uint8Array(widthPx * heightPx);
  const view = turnedView(picture, 0);
  for (let j = 0; j < heightPx; j++) {
    const row = Math.floor((j + 0.5) / LATTICE_PX);
    const fy = (j + 0.5) / LATTICE_PX - row;
    for (let i = 0; i < widthPx; i++) {
      const column = Math.floor((i + 0.5) / LATTICE_PX);
      const fx = (i + 0.5) / LATTICE_PX - column;
      const at = row * columns + column;
      const between = (values: Float64Array): number =>
        (1 - fy) * ((1 - fx) * (values[at] as number) + fx * (values[at + 1] as number)) +
        fy * ((1 - fx) * (values[at + columns] as number) + fx * (values[at + columns + 1] as number));
      out[j * widthPx + i] = Math.round(greyAt(view, between(us), between(vs)));
    }
  }
  return { widthPx, heightPx, grey: out };
}
