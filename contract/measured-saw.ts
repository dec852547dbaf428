import * as z from 'zod';
import type { Dossier } from './dossier';
import { pointer } from './field-errors';
import { MEASURED_FORMAT, MEASURED_VERSION, measuredSaw } from './measured-form';
import type { MeasuredSaw } from './measured-form';
import { fromMeasured1, measuredSaw1 } from './old-forms/measured-saw-1';

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
