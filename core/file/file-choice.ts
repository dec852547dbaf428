import { cosDeg, radians } from '../units/radians';
import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import type { FiledTooth } from './flank-angles';

export interface TaperFile {
  readonly id: string;
  readonly name: string;
  /** Width of one working face, mm. */
  readonly faceMm: number;
  /** Radius of a fresh corner, mm. */
  readonly cornerRadiusMm: number;
}

/**
 * Triangular saw files by nominal length and slimness, narrowest first. Face
 * widths from memory of hand-tool catalogues in inches, rounded to 0.1 mm;
 * corner radii are estimates. A shop measures its own.
 */
export const TAPER_FILES: readonly TaperFile[] = [
  { id: 'needle', name: '160 mm triangular needle file', faceMm: 3.4, cornerRadiusMm: 0.04 },
  { id: '4xxs', name: '4 in double extra slim taper', faceMm: 4.8, cornerRadiusMm: 0.08 },
  { id: '5xxs', name: '5 in double extra slim taper', faceMm: 5.6, cornerRadiusMm: 0.1 },
  { id: '6xs', name: '6 in extra slim taper', faceMm: 7.1, cornerRadiusMm: 0.14 },
  { id: '6s', name: '6 in slim taper', faceMm: 8.3, cornerRadiusMm: 0.18 },
  { id: '7s', name: '7 in slim taper', faceMm: 9.5, cornerRadiusMm: 0.22 },
  { id: '8s', name: '8 in slim taper', faceMm: 11.1, cornerRadiusMm: 0.26 },
  { id: '8r', name: '8 in regular taper', faceMm: 14.3, cornerRadiusMm: 0.35 },
  { id: '10r', name: '10 in regular taper', faceMm: 17.5, cornerRadiusMm: 0.45 },
];

/** Face at least this many times the flank, so that every corner meets fresh file. No source. */
export const FACE_TO_FLANK = 2;

export interface FileChoice {
  readonly file: TaperFile;
  readonly flankMm: number;
  /** Even the widest is too narrow: the widest is named all the same. */
  readonly tooNarrow: boolean;
  /** The file this tooth is best filed with, where the shop has no corner of it free. */
  readonly lacking: TaperFile | null;
  readonly reason: Reason;
}

/** Strokes a corner lasts on spring-steel saw plate, an estimate from common practice. */
export const STROKES_PER_CORNER = 900;

/**
 * Length of the longer flank along the file's face, square to the file:
 * h / cos of the roll angle; in side view height h, angle B. With fleam the
 * section's flank is h / cos b, b the roll of the back side. mm.
 */
export function longestFlankMm(heightMm: number, tooth: FiledTooth, fleamDeg: number): number {
  const backRoll = Math.atan(tooth.tanBack * cosDeg(fleamDeg));
  const faceRoll = Math.atan(tooth.tanFace * cosDeg(fleamDeg));
  return heightMm / Math.min(Math.cos(backRoll), Math.cos(faceRoll));
}

/**
 * The narrowest file whose face is at least twice the tooth's flank: each
 * corner is used with half of two faces, so all three corners stay fresh.
 * Source: common practice, no source. Example: 15 points rip, flank 1.96 mm ->
 * face of 3.9 mm or more, a 4 in double extra slim taper.
 */
export const chooseFile = (
  heightMm: number,
  tooth: FiledTooth,
  fleamDeg: number,
  atHand?: readonly string[],
): FileChoice =>
  covering(TAPER_FILES, FACE_TO_FLANK, heightMm, longestFlankMm(heightMm, tooth, fleamDeg), atHand, {
    formula: 'face of the file ≥ 2 × longest flank of the tooth',
    otherwise: 'A narrower file wears one corner out of two teeth at once; a wider one rounds the gullet.',
  });

/** In the place of a file that the shop lacks one may be so many sizes wider. No source. */
const SIZES_WIDER = 2;

/**
 * The narrowest of some files, narrowest first, whose face is so many times the flank; the widest where none is.
 * Where the shop's files at hand are known and it is not among them, the next wider that is, two sizes at most; where
 * there is none it is named all the same. mm.
 */
function covering(
  files: readonly TaperFile[],
  times: number,
  heightMm: number,
  flankMm: number,
  atHand: readonly string[] | undefined,
  why: { readonly formula: string; readonly otherwise: string },
): FileChoice {
  const fitting = files.find((file) => file.faceMm >= times * flankMm);
  const best = fitting ?? (files[files.length - 1] as TaperFile);
  const from = files.indexOf(best);
  const has = atHand && files.slice(from, from + 1 + SIZES_WIDER).find((one) => atHand.includes(one.name));
  const file = has ?? best;
  return {
    file,
    flankMm,
    tooNarrow: fitting === undefined,
    lacking: atHand && has !== best ? best : null,
    reason: because(
      `File: ${file.name}`,
      why.formula,
      [
        input('tooth height', heightMm, 'mm'),
        input('longest flank', flankMm, 'mm'),
        input('file face', file.faceMm, 'mm'),
      ],
      COMMON_PRACTICE,
      why.otherwise,
    ),
  };
}

/** What cutters are pointed with, one at a time. Face of an 8 in mill file, from memory of hand-tool catalogues. */
const MILL_FILE: TaperFile = { id: '8mill', name: '8 in mill file, one edge safe', faceMm: 20, cornerRadiusMm: 0 };

/** The file for cutters that are pointed one by one: a flat one of any size, as no gullet limits it. mm. */
export const pointingFile = (heightMm: number, atHand?: readonly string[]): FileChoice => ({
  file: MILL_FILE,
  flankMm: heightMm,
  tooNarrow: false,
  lacking: atHand && !atHand.includes(MILL_FILE.name) ? MILL_FILE : null,
  reason: because(
    `File: ${MILL_FILE.name}`,
    'each cutter is pointed by itself: the flat of a mill file along its bevel',
    [input('cutter height', heightMm, 'mm')],
    COMMON_PRACTICE,
    'The safe edge goes to the next tooth. Chalk in the file stops it loading.',
  ),
});

/**
 * Feather files of diamond section by length, width of one face. From memory of hand-tool catalogues,
 * rounded; a shop measures its own.
 */
export const FEATHER_FILES: readonly TaperFile[] = [
  { id: 'feather-75', name: '75 mm feather file', faceMm: 5, cornerRadiusMm: 0.05 },
  { id: 'feather-100', name: '100 mm feather file', faceMm: 8, cornerRadiusMm: 0.06 },
  { id: 'feather-125', name: '125 mm feather file', faceMm: 11, cornerRadiusMm: 0.08 },
  { id: 'feather-150', name: '150 mm feather file', faceMm: 14, cornerRadiusMm: 0.1 },
];
/** The face reaches over a flank with a little to spare; a wider file meets the neighbour. No source. */
const FEATHER_TO_FLANK = 1.3;

/** The smallest feather file that covers a pull saw's flank; the largest where none does. mm. */
export const chooseFeather = (heightMm: number, tooth: FiledTooth, atHand?: readonly string[]): FileChoice =>
  covering(FEATHER_FILES, FEATHER_TO_FLANK, heightMm, longestFlankMm(heightMm, tooth, 0), atHand, {
    formula: 'face of the file ≥ 1.3 × longest flank of the tooth',
    otherwise: 'A thin diamond section reaches the gullet without touching the tooth beside it.',
  });

/** The file a blade’s teeth are brought down with, by the name its strokes are calibrated under. */
export const BLADE_FILE = '8 in mill file';
/** Every file that an order can call for, by its name. */
export const FILE_NAMES: readonly string[] = [
  ...[...TAPER_FILES, ...FEATHER_FILES, MILL_FILE].map((file) => file.name),
  BLADE_FILE,
];

/**
 * Depth a rounded corner leaves unfiled at the bottom of a V: r (1/sin(half
 * section) - 1). mm. Plane geometry of a circle inscribed in an angle.
 * Example: r 0.1, section 60 -> 0.1 mm.
 */
export const cornerShortfallMm = (radiusMm: number, sectionDeg: number): number =>
  radiusMm * (1 / Math.sin(radians(sectionDeg / 2)) - 1);
