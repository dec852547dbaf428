import { z } from 'zod';
import { keptReading } from '@odontis/core/evidence/reading';
import { sessionHead } from '@odontis/core/evidence/session';
import { WOODS } from '@odontis/core/saw/families';
import { SAW_SHAPES } from '@odontis/core/saw/saw';
import type { Dossier } from './dossier';
import { pointer } from './field-errors';
import { counted } from './fields';
import { fromMeasured1, measuredSaw1 } from './old-forms/measured-saw-1';

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

/** A ticket's measuring as its file. */
export function measuredOf({ ticket, saw: kept, sessions }: Dossier): MeasuredSaw {
  const { id: _id, ...facts } = kept;
  return {
    format: MEASURED_FORMAT,
    version: MEASURED_VERSION,
    units: 'mm',
    ticket: ticket.number,
    saw: facts,
    wood: ticket.wood,
    sessions: sessions.map((one) => ({ ...one, readings: [...one.readings] })),
  };
}

export interface FileFault {
  /** JSON pointer to the value. */
  readonly path: string;
  readonly message: string;
}
export type MeasuredRead =
  { readonly ok: true; readonly file: MeasuredSaw } | { readonly ok: false; readonly faults: readonly FileFault[] };

/** A parsed file as a saw's measurements, of this version or brought up from version 1; else every fault with its path. */
export function readMeasured(value: unknown): MeasuredRead {
  const first = (value as { version?: unknown } | null)?.version === 1;
  const read = first ? measuredSaw1.safeParse(value) : measuredSaw.safeParse(value);
  if (read.success) return { ok: true, file: read.data.version === 1 ? fromMeasured1(read.data) : read.data };
  return {
    ok: false,
    faults: read.error.issues.map((issue) => ({
      path: pointer(issue.path) || '/',
      message:
        issue.code === 'unrecognized_keys'
          ? `${issue.keys.map((k) => `"${k}"`).join(', ')} is not known here.`
          : issue.message,
    })),
  };
}

/** The JSON Schema of the measurements, made from the contract. */
export const measuredSchema = (): object => ({
  title: 'Saw as measured',
  description: 'All that was measured of one saw. Lengths in millimetres, angles in degrees.',
  ...z.toJSONSchema(measuredSaw, { target: 'draft-2020-12', io: 'input', unrepresentable: 'any' }),
});
