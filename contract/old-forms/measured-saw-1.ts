import * as z from 'zod';
import { angleFinding } from '@odontis/core/evidence/angle-finding';
import { standing } from '@odontis/core/evidence/estimates';
import { LENGTH_GAUGES } from '@odontis/core/evidence/gauges';
import type { Reading } from '@odontis/core/evidence/reading';
import { SESSION_KINDS } from '@odontis/core/evidence/session';
import { takeTooth } from '@odontis/core/evidence/take';
import { WOODS } from '@odontis/core/saw/families';
import { saw } from '@odontis/core/saw/saw';
import { bounded, counted, text } from '../fields';
import { toothLine, toothReading } from '../tooth-line';
import type { MeasuredSaw, MeasuredSession } from '../measured-form';

/**
 * Measurements as they were written in version 1: sittings over a straight line, whole lines
 * with what corrections put out of force beside them, apart from sessions of gauge readings
 * and angles. Read for ever; never written any more.
 */
const when = z.iso.datetime();
const taken = { by: text(120, 'Who took it'), at: when };
const reading = {
  key: z.uuid(),
  part: text(60, 'The part').nullable(),
  setAside: z.boolean(),
  corrects: z.uuid().nullable(),
  ...taken,
};
const gauge = z.enum(LENGTH_GAUGES);
const LENGTHS_1 = [
  'height',
  'set',
  'raker-depth',
  'runout',
  'chipper-height',
  'thickness',
  'bow',
  'gullet-depth',
  'rust',
  'pitting',
] as const;

export const measuredSaw1 = z.strictObject({
  format: z.literal('odontis-measured'),
  version: z.literal(1),
  units: z.literal('mm'),
  ticket: counted(1, 1e9, 'The ticket', '').optional(),
  saw,
  wood: z.enum(WOODS),
  sittings: z.array(
    z.strictObject({
      kind: z.enum(SESSION_KINDS),
      round: z.number().int().min(0),
      sitting: z.number().int().min(1),
      gauge,
      by: text(120, 'Who measured'),
      changedAt: when,
      readings: toothLine,
      was: z.array(toothReading.extend(taken)),
    }),
  ),
  sessions: z.array(
    z.strictObject({
      kind: z.enum(SESSION_KINDS),
      by: text(120, 'Who measured'),
      startedAt: when,
      finishedAt: when.nullable(),
      note: text(1000, 'The note'),
      readings: z.array(
        z.strictObject({
          ...reading,
          quantity: z.enum(LENGTHS_1),
          place: bounded(0, 30_000, 'The place', ''),
          valueMm: bounded(-5000, 30_000, 'The reading', 'mm'),
          gauge,
        }),
      ),
      angles: z.array(z.strictObject({ ...reading, tooth: counted(1, 5000, 'The tooth', ''), finding: angleFinding })),
    }),
  ),
});
export type MeasuredSaw1 = z.infer<typeof measuredSaw1>;

/** Version 1 as version 2: every line a session of its own, its teeth readings, old values corrected by those after them. */
export function fromMeasured1(file: MeasuredSaw1): MeasuredSaw {
  const mint = numberedKeys();
  // The latest sitting of a kind and round stood first.
  const lines = [...file.sittings].sort((a, b) => a.round - b.round || a.sitting - b.sitting);
  const sessions = [
    ...lines.map((sitting): MeasuredSession => {
      const how = { gauge: sitting.gauge, simulated: false, mint };
      const readings: MeasuredSession['readings'] = [];
      const of = (tooth: number) => [
        ...sitting.was.filter((w) => w.tooth === tooth),
        ...sitting.readings
          .filter((r) => r.tooth === tooth)
          .map((r) => ({ ...r, by: sitting.by, at: sitting.changedAt })),
      ];
      for (const { tooth } of sitting.readings) {
        let here: Reading[] = [];
        for (const { by, at, ...told } of of(tooth)) {
          const fresh = takeTooth(here, told, true, how);
          readings.push(...fresh.map((r) => ({ ...r, by, at })));
          here = [...standing([...here, ...fresh])];
        }
      }
      const { kind, by, changedAt } = sitting;
      return { key: mint(), kind, by, startedAt: changedAt, finishedAt: changedAt, note: '', readings };
    }),
    ...file.sessions.map(({ readings, angles, ...head }): MeasuredSession => ({
      ...head,
      key: mint(),
      readings: [
        ...readings.map(({ valueMm, ...r }) => ({ ...r, value: valueMm, simulated: false })),
        ...angles.map(({ tooth, finding, ...r }) => ({
          ...r,
          quantity: 'angles' as const,
          place: tooth,
          value: finding,
          gauge: finding.way,
          simulated: false,
        })),
      ],
    })),
  ].sort((a, b) => a.startedAt.localeCompare(b.startedAt));
  const { ticket, saw: kept, wood } = file;
  return { format: file.format, version: 2, units: 'mm', ...(ticket && { ticket }), saw: kept, wood, sessions };
}

/** Keys for what had none, alike for every reading of the same file. */
function numberedKeys(): () => string {
  let next = 0;
  return () => `00000000-0000-4000-8000-${(++next).toString(16).padStart(12, '0')}`;
}
