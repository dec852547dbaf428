import * as z from 'zod';
import { keptReading } from '@odontis/core/evidence/reading';
import { sessionHead } from '@odontis/core/evidence/session';
import { WOODS } from '@odontis/core/saw/families';
import { SAW_SHAPES } from '@odontis/core/saw/saw';
import { counted } from './fields';

/**
 * All that was ever measured of a saw on one ticket, of any family: the open file of its
 * measuring. docs/formats.md describes it; docs/measured-saw.schema.json is made from this.
 */
export const MEASURED_FORMAT = 'odontis-measured';
export const MEASURED_VERSION = 2;

/** A saw as the shop keeps it, without its place in the shop's own books. */
const anySaw = z.discriminatedUnion(
  'family',
  [
    SAW_SHAPES.hand.strict(),
    SAW_SHAPES.back.strict(),
    SAW_SHAPES.pull.strict(),
    SAW_SHAPES.crosscut.strict(),
    SAW_SHAPES.band.strict(),
    SAW_SHAPES.circular.strict(),
    SAW_SHAPES.dado.strict(),
  ],
  { error: 'The family must be hand, back, pull, crosscut, band, circular or dado.' },
);
const when = z.iso.datetime({ error: 'A time is written as 2031-05-01T09:00:00Z.' });
const session = sessionHead
  .extend({
    startedAt: when,
    finishedAt: when.nullable(),
    readings: z.array(keptReading).max(50_000, 'At most 50,000 readings a session.'),
  })
  .strict();
export type MeasuredSession = z.infer<typeof session>;

export const measuredSaw = z.strictObject({
  format: z.literal(MEASURED_FORMAT, { error: `Measurements begin with "format": "${MEASURED_FORMAT}".` }),
  version: z.literal(MEASURED_VERSION, { error: `This reads versions 1 and ${MEASURED_VERSION} of the measurements.` }),
  units: z.literal('mm', { error: 'The units are missing: say "units": "mm", and give every length in millimetres.' }),
  ticket: counted(1, 1e9, 'The ticket', '').optional(),
  saw: anySaw,
  wood: z.enum(WOODS, { error: `The wood must be ${WOODS.join(', ')}.` }),
  /** Sessions in the order they were begun, each with its readings in the order taken. */
  sessions: z.array(session).max(500, 'At most 500 sessions.'),
});
export type MeasuredSaw = z.infer<typeof measuredSaw>;
