import type { GreyPicture } from '../trace/grey-picture';
import { median } from '../units/median';
import type { Camera } from './camera';
import { heightMm, tiltDeg } from './camera';
import type { FoundStrip, SeenCode } from './find-strips';
import { findStrips } from './find-strips';
import type { StripLie, StripMarks } from './fit-camera';
import { fitCamera } from './fit-camera';
import type { Place } from './homography';
import { codeOf } from './measuring-strip';

/** What is known beside the picture. */
export interface PhotographWish {
  /** What the printer makes of a millimetre along and across a strip: 1 where nobody measured the ruler. */
  readonly printed?: { readonly along: number; readonly across: number };
  /** Thickness of the plate, mm. */
  readonly plateMm?: number;
  /** Focal length, px, where it is known; a telephone's usual one otherwise. */
  readonly focalPx?: number;
}

export const PHOTOGRAPH_FAULTS = [
  'marks-covered',
  'too-oblique',
  'blurred',
  'not-flat',
  'no-strip-at-teeth',
  'no-round-strips',
  'no-rim',
  'no-strips-both-sides',
  'no-edge',
  'from-aside',
  'edge-too-fine',
] as const;
export type PhotographFault = (typeof PHOTOGRAPH_FAULTS)[number];

/** What was found out of a photograph before any tooth is measured. */
export interface PhotographFacts {
  readonly strips: number;
  readonly marks: number;
  readonly tiltDeg: number;
  readonly heightMm: number;
  readonly blurPx: number;
  readonly rmsPx: number;
  /** Paper's darkest share of its brightest along the strips, or over the points of that beside it: a shadow lies there where it is small. */
  readonly light: number;
}

/** The camera, and the strips as they lie before it. */
export interface SeenMarks {
  readonly camera: Camera;
  readonly strips: readonly FoundStrip[];
  readonly lies: readonly StripLie[];
  readonly facts: PhotographFacts;
  /** The printer's standard error, as a share. */
  readonly printerError: number;
}

export type PhotographRefused = {
  readonly ok: false;
  readonly code: PhotographFault;
  readonly facts: Partial<PhotographFacts>;
};

/** Plates are about so thick where nobody says it, and as well known as this; a strip lies flat to as much. mm. */
export const USUAL_PLATE_MM = 0.9;
export const PLATE_SPREAD_MM = 0.3;
/** A printer whose ruler nobody measured is off by about this share (common practice, no source); a measured one by this. */
const UNMEASURED_PRINTER = 0.004;
const MEASURED_PRINTER = 0.0005;
export const FEWEST_DOTS = 12;
const MOST_TILT_DEG = 32;
export const MOST_BLUR_PX = 2.6;
const MOST_RMS_PX = 0.6;

/** A telephone's picture has no more pixels than this; a scan that has is not searched for codes. */
const MOST_PHOTOGRAPH_PX = 60_000_000;
export const mayBePhotograph = ({ widthPx, heightPx }: GreyPicture): boolean =>
  widthPx * heightPx <= MOST_PHOTOGRAPH_PX;

/** Whether a picture shows the measuring strips: then it is a photograph, no scan. */
export const showsStrips = (codes: readonly SeenCode[]): boolean => codes.some(({ text }) => codeOf(text) !== null);

/**
 * Strips, camera and lens out of a photograph: marks found, tilt and lens fitted. What the picture cannot give is said
 * before any number.
 */
export function seeMarks(
  picture: GreyPicture,
  codes: readonly SeenCode[],
  wish: PhotographWish,
  report: (share: number) => void,
): ({ readonly ok: true } & SeenMarks) | PhotographRefused {
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
  const strips = found.filter((one) => one.dots.length >= FEWEST_DOTS / 2);
  const fit = fitCamera(
    strips.map((one): StripMarks => ({
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
  const papers = dots.map((dot) => dot.paper).sort((a, b) => a - b);
  const facts = {
    ...counted,
    blurPx,
    marks: fit.marks,
    rmsPx: fit.rmsPx,
    tiltDeg: tiltDeg(camera),
    heightMm: heightMm(camera),
    light: (papers[Math.floor(0.03 * papers.length)] as number) / (papers[Math.floor(0.97 * papers.length)] as number),
  };
  if (facts.tiltDeg > MOST_TILT_DEG) return { ok: false, code: 'too-oblique', facts };
  if (fit.rmsPx > MOST_RMS_PX) return { ok: false, code: 'not-flat', facts };
  const printerError = wish.printed ? MEASURED_PRINTER : UNMEASURED_PRINTER;
  return { ok: true, camera, strips, lies: fit.lies, facts, printerError };
}

/** Standard error of the scale as a share, over marks that reach so far: printer, what lies off the bench, and the fit. */
export function scaleErrorOf({ facts, printerError }: SeenMarks, lengthMm: number, mmPerPx: number): number {
  // What is thicker than thought, or does not lie down, is nearer to the lens by as much.
  return Math.hypot(
    printerError,
    PLATE_SPREAD_MM / facts.heightMm,
    (2 * facts.rmsPx * mmPerPx) / (Math.sqrt(facts.marks) * lengthMm),
  );
}

/** How far the marks leave any place of the grid uncertain, mm. */
export const placeErrorOf = ({ facts }: SeenMarks, mmPerPx: number): number => Math.max(facts.rmsPx, 0.05) * mmPerPx;
