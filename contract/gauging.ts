import { z } from 'zod';
import { POINT_SIDES, SEATED_SECTIONS } from '@odontis/core/angles/angle-reading';
import { GAUGES } from '@odontis/core/gauge/gauges';
import { QUANTITIES } from '@odontis/core/gauge/quantities';
import { bounded, text } from './fields';
import { LEANS } from '@odontis/core/saw/tooth-reading';
import { measuringKind, MOST_TEETH } from './readings';

/** One reading of a gauge as it is sent and kept. Nothing sent is ever changed: a correction names what it corrects. */
export const gauged = z.object({
  key: z.uuid('Every reading has a key of its own.'),
  quantity: z.enum(QUANTITIES, { error: 'That is nothing that is measured of a saw.' }),
  part: text(60, 'The part').nullable(),
  place: bounded(0, 30_000, 'The place', ''),
  valueMm: bounded(-5000, 30_000, 'The reading', 'mm'),
  gauge: z.enum(GAUGES, { error: `The gauge is one of ${GAUGES.join(', ')}.` }),
  setAside: z.boolean(),
  corrects: z.uuid('A correction names a reading by its key.').nullable(),
});
export type NewGauged = z.infer<typeof gauged>;

export const MOST_GAUGED = 5000;
export const newGauged = z.object({
  readings: z
    .array(gauged)
    .min(1, 'There is no reading.')
    .max(MOST_GAUGED, `At most ${MOST_GAUGED} readings are sent at once.`),
});

const upright = (what: string) => bounded(-89, 89, what, 'degrees');
const turn = bounded(-89, 89, 'The turn', 'degrees off square');

/** What was read of a tooth's angles, way by way. */
export const angleFinding = z
  .discriminatedUnion(
    'way',
    [
      z.object({
        way: z.literal('file'),
        section: z.enum(SEATED_SECTIONS, {
          error: `A file of section ${SEATED_SECTIONS.join(', ')} seats in a gullet.`,
        }),
        rollDeg: upright('The roll'),
        turnDeg: turn,
        slopeDeg: bounded(0, 89, 'The dip of the handle', 'degrees'),
        from: z.enum(LEANS, { error: 'The handle was on the left or on the right.' }),
      }),
      z.object({
        way: z.literal('bevel'),
        rakeDeg: upright('The rake').nullable(),
        backDeg: upright('The back').nullable(),
        turnDeg: turn.nullable(),
      }),
      z.object({
        way: z.literal('scan'),
        rakeDeg: upright('The rake').nullable(),
        backDeg: upright('The back').nullable(),
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

/** One reading of angles as it is sent and kept; nothing sent is ever changed. */
export const angleRead = z.object({
  key: z.uuid('Every reading has a key of its own.'),
  part: text(60, 'The part').nullable(),
  tooth: bounded(1, MOST_TEETH, 'The tooth number', '').int('Teeth are counted whole.'),
  finding: angleFinding,
  setAside: z.boolean(),
  corrects: z.uuid('A correction names a reading by its key.').nullable(),
});
export type NewAngle = z.infer<typeof angleRead>;

export const newAngles = z.object({
  readings: z
    .array(angleRead)
    .min(1, 'There is no reading.')
    .max(MOST_GAUGED, `At most ${MOST_GAUGED} readings are sent at once.`),
});

export const newGauging = z.object({
  key: z.uuid('A session has a key of its own.'),
  kind: measuringKind,
});
export type NewGauging = z.infer<typeof newGauging>;
export const gaugingDone = z.object({ note: text(1000, 'The note') });

/** A session of measuring: who, when, before or after the work, and every reading of it. */
export interface Gauging {
  readonly id: number;
  readonly key: string;
  readonly kind: z.infer<typeof measuringKind>;
  readonly by: string;
  readonly startedAt: string;
  /** Null while it goes on. */
  readonly finishedAt: string | null;
  readonly note: string;
  /** In the order taken. */
  readonly readings: readonly (NewGauged & { readonly by: string; readonly at: string })[];
  /** Angles read in it, in the order taken. */
  readonly angles: readonly (NewAngle & { readonly by: string; readonly at: string })[];
}
