import { z } from 'zod';
import { GAUGES } from '@odontis/core/gauge/gauges';
import { QUANTITIES } from '@odontis/core/gauge/quantities';
import { bounded, text } from './fields';
import { measuringKind } from './readings';

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
}
