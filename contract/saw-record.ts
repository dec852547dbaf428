import * as z from 'zod';
import { DIAL_KINDS } from '@odontis/core/circular/dial-harmonics';
import { BAND_SETS } from '@odontis/core/saw/saw';
import type { SawRecord } from '@odontis/core/work/saw-record';
import { LINE_CHOICES } from '@odontis/core/work/tooth-line/inputs';
import { RAKER_TIPS } from '@odontis/core/raker/raker-plan';
import { toeZone } from '@odontis/core/saw/saw';
import { RAKER_SAWS } from '@odontis/core/raker/raker-target';
import { FILINGS, WOODS } from '@odontis/core/saw/families';
import { PLATE_MARKS } from '@odontis/core/saw/plate-marks';
import { pointer } from './field-errors';
import { bounded, text } from './fields';
import { MOST_TEETH } from '@odontis/core/evidence/reading';
import { toothLine } from './tooth-line';
import { shopBook } from './shop';

/**
 * A saw record: the open file format of one saw as measured, for every family.
 * docs/formats.md describes it; docs/saw-record.schema.json is made from this.
 */
export const RECORD_FORMAT = 'odontis-saw';
export const RECORD_VERSION = 1;

const pitch = bounded(0.5, 60, 'The pitch', 'mm');
const plate = bounded(0.2, 6, 'The plate thickness', 'mm');
const depth = bounded(5, 600, 'The plate depth', 'mm');
const rake = bounded(-45, 15, 'Rake', 'degrees');
const fleam = bounded(0, 45, 'Fleam', 'degrees');

const head = {
  format: z.literal(RECORD_FORMAT, { error: `A saw record begins with "format": "${RECORD_FORMAT}".` }),
  version: z.literal(RECORD_VERSION, { error: `This reads version ${RECORD_VERSION} of the saw record.` }),
  units: z.literal('mm', { error: 'The units are missing: say "units": "mm", and give every length in millimetres.' }),
  name: text(120, 'The name').optional(),
  habits: shopBook.shape.habits.partial().optional(),
  strokeRate: z
    .strictObject({
      rateMmPerStroke: bounded(0.0001, 1, 'Metal a stroke', 'mm'),
      errorMmPerStroke: bounded(0, 1, 'Its error', 'mm'),
      readings: z.number().int().min(0),
    })
    .optional(),
};

const readings = toothLine.min(3, 'A line of readings has three teeth at least.');

const straight = <F extends 'hand' | 'back'>(family: F) =>
  z.strictObject({
    ...head,
    family: z.literal(family),
    filing: z.enum(FILINGS, { error: 'The filing must be rip or crosscut.' }),
    wood: z.enum(WOODS, { error: `The wood must be ${WOODS.join(', ')}.` }),
    pitchMm: pitch,
    plateThicknessMm: plate,
    plateDepthMm: depth,
    angles: z.strictObject({ rakeDeg: rake, fleamDeg: fleam }).optional(),
    line: z.enum(LINE_CHOICES).optional(),
    marks: z.array(z.enum(PLATE_MARKS)).max(60).optional(),
    toeZones: z.array(toeZone.strict()).min(1).max(3).optional(),
    readings,
  });

const dial = z
  .array(
    z.strictObject({
      tooth: bounded(1, 1000, 'The tooth number', '').int('Teeth are counted whole.'),
      offMm: bounded(-20, 20, 'The dial reading', 'mm'),
      kind: z.enum(DIAL_KINDS),
    }),
  )
  .max(1000, 'A blade has at most 1000 teeth here.')
  .superRefine((all, context) => {
    const seen = new Set<number>();
    all.forEach((one, i) => {
      if (seen.has(one.tooth))
        context.addIssue({ code: 'custom', path: [i, 'tooth'], message: `Tooth ${one.tooth} is read twice.` });
      seen.add(one.tooth);
    });
  });

const zone = z.strictObject({
  teeth: bounded(1, MOST_TEETH, 'The teeth of a zone', '').int('Teeth are counted whole.'),
  pitchFromMm: pitch,
  pitchToMm: pitch,
  rakeFromDeg: rake,
  rakeToDeg: rake,
});

export const sawRecord = z.discriminatedUnion(
  'family',
  [
    straight('hand'),
    straight('back'),
    z.strictObject({
      ...head,
      family: z.literal('pull'),
      pitchMm: pitch,
      faceDeg: bounded(-10, 30, 'The face', 'degrees off upright'),
      backDeg: bounded(5, 45, 'The back', 'degrees off upright'),
      topDeg: bounded(0, 60, 'The top bevel', 'degrees off level'),
      toothHeightMm: bounded(0.3, 20, 'The tooth height', 'mm'),
      plateDepthMm: depth,
      topOnlySince: bounded(0, 20, 'Top-only filings since the last full one', '').int('Filings are counted whole.'),
      readings,
    }),
    z.strictObject({
      ...head,
      family: z.literal('crosscut'),
      saw: z.enum(RAKER_SAWS),
      wood: z.enum(WOODS),
      pattern: z.string().regex(/^[CcRr\s]{1,80}$/, 'The tooth pattern is written in C and R, such as CCR.'),
      patternOffset: z.number().int().min(0).max(80).optional(),
      zones: z.array(zone).min(1, 'A line has one zone at least.').max(50),
      fleamDeg: fleam,
      plateThicknessMm: plate,
      plateDepthMm: depth.optional(),
      sagittaMm: bounded(0, 100, 'The breast', 'mm').optional(),
      rakerTip: z.enum(RAKER_TIPS).optional(),
      readings,
    }),
    z.strictObject({
      ...head,
      family: z.literal('band'),
      lengthMm: bounded(200, 30_000, 'The band’s length', 'mm'),
      pitchMm: pitch,
      countedTeeth: bounded(2, MOST_TEETH, 'The teeth counted', '').int('Teeth are counted whole.').optional(),
      set: z.enum(BAND_SETS),
      renewSet: z.boolean(),
      jawMm: bounded(10, 2000, 'The vise’s jaws', 'mm'),
      wood: z.enum(WOODS).optional(),
      widthMm: bounded(3, 400, 'The band’s width', 'mm').optional(),
      plateThicknessMm: bounded(0.2, 6, 'The plate thickness', 'mm').optional(),
    }),
    z.strictObject({
      ...head,
      family: z.literal('circular'),
      diameterMm: bounded(50, 2000, 'The diameter', 'mm'),
      teeth: bounded(4, 1000, 'The teeth', '').int('Teeth are counted whole.'),
      markedLimitRpm: bounded(100, 100_000, 'The marked limit', 'a minute').nullable(),
      turnsPerMinute: bounded(0, 100_000, 'The speed', 'a minute').optional(),
      filing: z.enum(FILINGS).optional(),
      wood: z.enum(WOODS).optional(),
      plateThicknessMm: bounded(0.2, 6, 'The plate thickness', 'mm').optional(),
      dial,
      again: z.strictObject({ turnedDeg: bounded(0, 360, 'The turn', 'degrees'), dial }).optional(),
    }),
    z.strictObject({
      ...head,
      family: z.literal('dado'),
      parts: z
        .array(
          z.strictObject({
            id: text(40, 'The part’s name'),
            kind: z.enum(['outer', 'chipper', 'shim']),
            plateMm: bounded(0.02, 20, 'The part’s thickness', 'mm'),
            cutMm: bounded(0.02, 30, 'The width it cuts', 'mm'),
          }),
        )
        .min(2, 'A dado set has two outer blades.')
        .max(14, 'At most 14 parts.'),
      wantedMm: bounded(2, 60, 'The groove wanted', 'mm').optional(),
      chippers: dial.optional(),
    }),
  ],
  { error: 'The family must be hand, back, pull, crosscut, band, circular or dado.' },
);
export type SawRecordFile = z.infer<typeof sawRecord>;

/** The file's record without its heading, as core plans it. */
export function recordOf(file: SawRecordFile): SawRecord {
  const { format: _format, version: _version, units: _units, ...record } = file;
  return record as SawRecord;
}

export interface RecordFault {
  /** JSON pointer to the value. */
  readonly path: string;
  readonly message: string;
}

/** Every fault of a parsed file with its path, one sentence each; empty when it is a saw record. */
export function recordFaults(value: unknown): RecordFault[] {
  const read = sawRecord.safeParse(value);
  if (read.success) return placeFaults(read.data);
  return read.error.issues.map((issue) => ({
    path: pointer(issue.path) || '/',
    message:
      issue.code === 'unrecognized_keys'
        ? `${issue.keys.map((k) => `"${k}"`).join(', ')} is not known here; lengths end in Mm and angles in Deg.`
        : issue.message,
  }));
}

/** What only shows across fields: lines and zones of different lengths. */
function placeFaults(file: SawRecordFile): RecordFault[] {
  if (file.family === 'crosscut') {
    const zoned = file.zones.reduce((sum, one) => sum + one.teeth, 0);
    if (zoned !== file.readings.length)
      return [
        { path: '/zones', message: `The zones tell of ${zoned} teeth, the readings of ${file.readings.length}.` },
      ];
  }
  if (file.family === 'circular') {
    const beyond = file.dial.findIndex((one) => one.tooth > file.teeth);
    if (beyond >= 0)
      return [
        {
          path: `/dial/${beyond}/tooth`,
          message: `The blade has ${file.teeth} teeth; there is no tooth ${file.dial[beyond]?.tooth}.`,
        },
      ];
  }
  return [];
}

/** The JSON Schema of the saw record, made from the contract. */
export const recordSchema = (): object => ({
  title: 'Saw record',
  description: 'One saw as measured. Lengths in millimetres, angles in degrees.',
  ...z.toJSONSchema(sawRecord, { target: 'draft-2020-12', io: 'input', unrepresentable: 'any' }),
});
