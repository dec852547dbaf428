import * as z from 'zod';
import type { Saw } from '../saw/saw';
import { bounded } from '../units/fields';
import { LEANS } from './tooth-reading';

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
export const SEATED_SECTIONS = ['taper', 'feather', 'square'] as const;
export type SeatedSection = (typeof SEATED_SECTIONS)[number];

const upright = (what: string) => bounded(-89, 89, what, 'degrees');
/** Turn off square, signed: the angle whose tangent is dx/dz of the file's axis. */
const turn = bounded(-89, 89, 'The turn', 'degrees off square');

/** A file as it lies in a gullet of its own accord. Degrees. */
const seatedFile = z.object({
  way: z.literal('file'),
  section: z.enum(SEATED_SECTIONS, { error: `A file of section ${SEATED_SECTIONS.join(', ')} seats in a gullet.` }),
  /** Lean of the side that cuts the face off upright, square to the file: a of geometry section 2. */
  rollDeg: upright('The roll'),
  turnDeg: turn,
  /** Dip of the handle below level, not negative. */
  slopeDeg: bounded(0, 89, 'The dip of the handle', 'degrees'),
  /** Side of the saw the handle was on. */
  from: z.enum(LEANS, { error: 'The handle was on the left or on the right.' }),
});
export type SeatedFile = Omit<z.infer<typeof seatedFile>, 'way'>;

/** What is read at a tooth, way by way: of its own face and of the gullet that face stands in. Degrees. */
export const angleFinding = z
  .discriminatedUnion(
    'way',
    [
      seatedFile,
      z.object({
        way: z.literal('bevel'),
        rakeDeg: upright('The rake').nullable(),
        backDeg: upright('The back').nullable(),
        /** Turn of the face off square in plan, signed as a file's. */
        turnDeg: turn.nullable(),
      }),
      z.object({
        way: z.literal('scan'),
        rakeDeg: upright('The rake').nullable(),
        backDeg: upright('The back').nullable(),
        /** By the bevels that the light shows. */
        turnDeg: turn.nullable().optional(),
      }),
      z.object({
        way: z.literal('eye'),
        point: z.enum(POINT_SIDES, { error: 'A point is on the left, on the right, or there is none.' }),
      }),
    ],
    { error: 'Angles are read by file, bevel, scan or eye.' },
  )
  .refine(
    (f) =>
      f.way === 'eye' ||
      f.way === 'file' ||
      f.rakeDeg !== null ||
      f.backDeg !== null ||
      (f.way === 'bevel' && f.turnDeg !== null),
    'A reading of angles tells one angle at least.',
  );
export type AngleFinding = z.infer<typeof angleFinding>;

/**
 * One standard error of a single reading, degrees: a bevel's protractor to a degree,
 * a block on a file's end as well, a file's turn against lines on a card a little worse, a
 * traced flank a third of one, a bevel by its width in a picture about two. Common practice, no source.
 */
export const ANGLE_ERROR_DEG = { bevel: 1, roll: 1, turn: 1.5, slope: 1, scan: 0.3, strip: 2 } as const;

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
