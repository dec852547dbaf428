import type { FileSectionId } from '../file/file-section';
import type { Saw } from '../saw/saw';
import type { Lean } from '../saw/tooth-reading';

/**
 * How an angle was got: a file seated in an unworn gullet and read off a block on its
 * end, a bevel laid on, a traced scan, or the eye, which tells the side of a point.
 */
export const ANGLE_WAYS = ['file', 'bevel', 'scan', 'eye'] as const;
export type AngleWay = (typeof ANGLE_WAYS)[number];

export const ANGLE_WAY_WORDS: Readonly<Record<AngleWay, string>> = {
  file: 'seated file',
  bevel: 'bevel',
  scan: 'scan',
  eye: 'eye',
};

/** Side of the plate a tooth's point is on; `none`: the edge is level across, a chisel. */
export const POINT_SIDES = ['left', 'right', 'none'] as const;
export type PointSide = (typeof POINT_SIDES)[number];

/** Sections a file has that can lie in a gullet. */
export const SEATED_SECTIONS = ['taper', 'feather', 'square'] as const satisfies readonly FileSectionId[];
export type SeatedSection = (typeof SEATED_SECTIONS)[number];

/** A file as it lies in a gullet of its own accord. Degrees. */
export interface SeatedFile {
  readonly section: SeatedSection;
  /** Lean of the side that cuts the face off upright, square to the file: a of geometry section 2. */
  readonly rollDeg: number;
  /** Turn of the file's axis off square, signed: the angle whose tangent is dx/dz. */
  readonly turnDeg: number;
  /** Dip of the handle below level, not negative. */
  readonly slopeDeg: number;
  /** Side of the saw the handle was on. */
  readonly from: Lean;
}

/** What is read at a tooth: of its own face and of the gullet that face stands in. Degrees. */
export type AngleFinding =
  | ({ readonly way: 'file' } & SeatedFile)
  | {
      readonly way: 'bevel';
      readonly rakeDeg: number | null;
      readonly backDeg: number | null;
      /** Turn of the face off square in plan, signed as {@link SeatedFile.turnDeg}. */
      readonly turnDeg: number | null;
    }
  | { readonly way: 'scan'; readonly rakeDeg: number | null; readonly backDeg: number | null }
  | { readonly way: 'eye'; readonly point: PointSide };

/** One reading, kept for good; a correction is another that names the one it corrects. */
export interface AngleReading {
  readonly key: string;
  /** Part of a set; null for any other saw. */
  readonly part: string | null;
  /** The tooth whose face it is. */
  readonly tooth: number;
  readonly finding: AngleFinding;
  /** Taken, but asked about and not yet settled: not counted. */
  readonly setAside: boolean;
  readonly corrects: string | null;
}

/**
 * One standard error of a single reading, degrees: a bevel's protractor to a degree,
 * a block on a file's end as well, a file's turn against lines on a card a little worse, a
 * traced flank a third of one. Common practice, no source.
 */
export const ANGLE_ERROR_DEG = { bevel: 1, roll: 1, turn: 1.5, slope: 1, scan: 0.3 } as const;

/** Ways that serve for a saw: a file seats only where one file made both flanks of a gullet; a scan shows a straight line. */
export function waysOf(saw: Saw): readonly AngleWay[] {
  switch (saw.family) {
    case 'crosscut':
      return ['bevel', 'scan', 'eye'];
    case 'circular':
    case 'dado':
      return ['bevel', 'eye'];
    default:
      return ['file', 'bevel', 'scan', 'eye'];
  }
}

/** Cutters filed one by one have a face and a back bevelled to mirror each other; elsewhere a gullet's two flanks are one file's. */
export const filedAlone = (saw: Saw): boolean =>
  saw.family === 'crosscut' || saw.family === 'circular' || saw.family === 'dado';
