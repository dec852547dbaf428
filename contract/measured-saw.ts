import { z } from 'zod';
import { GAUGES } from '@odontis/core/gauge/gauges';
import { SAW_SHAPES } from '@odontis/core/saw/saw';
import { WOODS } from '@odontis/core/saw/families';
import type { Dossier } from './dossier';
import { pointer } from './field-errors';
import { bounded, text } from './fields';
import { angleRead, gauged } from './gauging';
import { measuringKind, toothReading, toothReadings } from './readings';
import type { RecordFault, SawRecordFile } from './saw-record';
import { RECORD_FORMAT, RECORD_VERSION } from './saw-record';

/**
 * All that was ever measured of a saw on one ticket, of any family: the open file of its
 * measuring. docs/formats.md describes it; docs/measured-saw.schema.json is made from this.
 */
export const MEASURED_FORMAT = 'odontis-measured';
export const MEASURED_VERSION = 1;

const when = z.iso.datetime({ error: 'A time is written as 2031-05-01T09:00:00Z.' });
const taken = { by: text(120, 'Who took it'), at: when };

const session = z.strictObject({
  kind: measuringKind,
  by: text(120, 'Who measured'),
  startedAt: when,
  /** Null while it goes on. */
  finishedAt: when.nullable(),
  note: text(1000, 'The note'),
  readings: z.array(z.strictObject({ ...gauged.shape, ...taken })).max(50_000, 'At most 50,000 readings a session.'),
  angles: z.array(z.strictObject({ ...angleRead.shape, ...taken })).max(50_000, 'At most 50,000 angles a session.'),
});

const sitting = z.strictObject({
  kind: measuringKind,
  round: z.number().int().min(0),
  sitting: z.number().int().min(1),
  gauge: z.enum(GAUGES, { error: `The gauge is one of ${GAUGES.join(', ')}.` }),
  by: text(120, 'Who measured'),
  changedAt: when,
  readings: toothReadings,
  /** Values that a correction put out of force, oldest first. */
  was: z.array(toothReading.extend(taken)).max(50_000, 'At most 50,000 old values.'),
});

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

export const measuredSaw = z.strictObject({
  format: z.literal(MEASURED_FORMAT, { error: `Measurements begin with "format": "${MEASURED_FORMAT}".` }),
  version: z.literal(MEASURED_VERSION, { error: `This reads version ${MEASURED_VERSION} of the measurements.` }),
  units: z.literal('mm', { error: 'The units are missing: say "units": "mm", and give every length in millimetres.' }),
  ticket: bounded(1, 1e9, 'The ticket', '').int('Tickets are counted whole.').optional(),
  saw: anySaw,
  wood: z.enum(WOODS, { error: `The wood must be ${WOODS.join(', ')}.` }),
  /** The tooth line, one entry a sitting, of each kind and round the latest first. */
  sittings: z.array(sitting).max(500, 'At most 500 sittings.'),
  /** Sessions of gauge readings and angles, oldest first. */
  sessions: z.array(session).max(500, 'At most 500 sessions.'),
});
export type MeasuredSaw = z.infer<typeof measuredSaw>;

/** A ticket's measuring as its file. */
export function measuredOf({ ticket, saw: kept, measurings, gaugings }: Dossier): MeasuredSaw {
  const { id: _id, ...facts } = kept;
  return {
    format: MEASURED_FORMAT,
    version: MEASURED_VERSION,
    units: 'mm',
    ticket: ticket.number,
    saw: facts,
    wood: ticket.wood,
    sittings: measurings.map(({ kind, round, sitting: nth, gauge, by, changedAt, readings, was }) => ({
      kind,
      round,
      sitting: nth,
      gauge,
      by,
      changedAt,
      readings,
      was,
    })),
    sessions: gaugings.map(({ kind, by, startedAt, finishedAt, note, readings, angles }) => ({
      kind,
      by,
      startedAt,
      finishedAt,
      note,
      readings: [...readings],
      angles: [...angles],
    })),
  };
}

/** Every fault of a parsed file with its path, one sentence each; empty when it holds a saw's measurements. */
export function measuredFaults(value: unknown): RecordFault[] {
  const read = measuredSaw.safeParse(value);
  if (read.success) return [];
  return read.error.issues.map((issue) => ({
    path: pointer(issue.path) || '/',
    message:
      issue.code === 'unrecognized_keys'
        ? `${issue.keys.map((k) => `"${k}"`).join(', ')} is not known here.`
        : issue.message,
  }));
}

/** What a plan is made from, out of the latest sitting as the saw came in; a sentence where there is not enough. */
export function recordOfMeasured(file: MeasuredSaw): SawRecordFile | string {
  const { saw: kept, wood } = file;
  if (kept.family !== 'hand' && kept.family !== 'back')
    return `Measurements of a ${kept.family} saw are no plan's record yet: write one as docs/formats.md says.`;
  const line = file.sittings.find((s) => s.kind === 'before');
  if (!line || line.readings.length < 3) return 'The tooth line was not measured: three teeth at least are wanted.';
  return {
    format: RECORD_FORMAT,
    version: RECORD_VERSION,
    units: 'mm',
    name: kept.name,
    family: kept.family,
    filing: kept.filing,
    wood,
    pitchMm: kept.pitchMm,
    plateThicknessMm: kept.plateThicknessMm,
    plateDepthMm: Math.min(kept.plateDepthHeelMm, kept.plateDepthToeMm),
    readings: line.readings,
  };
}

/** The JSON Schema of the measurements, made from the contract. */
export const measuredSchema = (): object => ({
  title: 'Saw as measured',
  description: 'All that was measured of one saw. Lengths in millimetres, angles in degrees.',
  ...z.toJSONSchema(measuredSaw, { target: 'draft-2020-12', io: 'input', unrepresentable: 'any' }),
});
