import * as z from 'zod';
import { bounded, counted, text, uuid } from '../units/fields';
import { angleFinding } from './angle-finding';
import { GAUGES, LENGTH_GAUGES } from './gauges';
import type { LengthQuantity } from './quantities';
import { LENGTH_QUANTITIES } from './quantities';
import { LEANS, TOOTH_KINDS } from './tooth-reading';

/** More teeth than the longest saw of the finest pitch has. */
export const MOST_TEETH = 5000;
/** So many readings are sent, or come out of a file, at once: every tooth of the longest saw read four ways. */
export const MOST_READINGS = 20_000;

const taken = {
  /** Names the reading from the moment it is taken, before any server has seen it. */
  key: uuid('Every reading has a key of its own.'),
  /** Part of a set; null for any other saw. */
  part: text(60, 'The part').nullable(),
  /** Taken, but asked about, or taken back: not counted. */
  setAside: z.boolean(),
  /** The reading that this one stands in for; null for a first one or a repeat. */
  corrects: uuid('A correction names a reading by its key.').nullable(),
  /** Out of a stand-in for a gauge: marked so for ever. */
  simulated: z.boolean(),
};
const gauge = z.enum(LENGTH_GAUGES, { error: `The gauge is one of ${LENGTH_GAUGES.join(', ')}.` });
const tooth = counted(1, MOST_TEETH, 'The tooth number', '');

/** A length in mm at a tooth, or at a station in mm along the plate. */
const lengthReading = z.object({
  ...taken,
  quantity: z.enum(LENGTH_QUANTITIES),
  place: bounded(0, 30_000, 'The place', ''),
  value: bounded(-5000, 30_000, 'The reading', 'mm'),
  gauge,
});
/** What stands at a place of the line: a tooth, a broken one, none. */
const kindReading = z.object({
  ...taken,
  quantity: z.literal('kind'),
  place: tooth,
  value: z.enum(TOOTH_KINDS, { error: 'A tooth stands, is broken or is missing.' }),
  gauge,
});
/** The side a tooth leans to, seen from the handle. */
const leanReading = z.object({
  ...taken,
  quantity: z.literal('lean'),
  place: tooth,
  value: z.enum(LEANS, { error: 'A tooth leans to the left or to the right.' }),
  gauge,
});
const noteReading = z.object({
  ...taken,
  quantity: z.literal('note'),
  place: tooth,
  value: text(500, 'The note'),
  gauge,
});
/** Angles of a tooth's own face and of the gullet it stands in; degrees. The gauge is the finding's own way. */
const angleReading = z.object({
  ...taken,
  quantity: z.literal('angles'),
  place: tooth,
  value: angleFinding,
  gauge: z.enum(GAUGES),
});

/**
 * One reading as it was taken: kept for good. A correction is another reading that names the
 * one it corrects. The value's unit is its quantity's: mm for lengths, degrees for angles.
 */
export const reading = z.discriminatedUnion(
  'quantity',
  [lengthReading, kindReading, leanReading, noteReading, angleReading],
  { error: 'That is nothing that is measured of a saw.' },
);
export type Reading = z.infer<typeof reading>;
export type LengthReading = z.infer<typeof lengthReading>;
export type AngleReading = z.infer<typeof angleReading>;
export type KindReading = z.infer<typeof kindReading>;
export type LeanReading = z.infer<typeof leanReading>;
export type NoteReading = z.infer<typeof noteReading>;

export const isLength = <R extends Reading>(one: R): one is Extract<R, { quantity: LengthQuantity }> =>
  LENGTHS.has(one.quantity);
const LENGTHS: ReadonlySet<string> = new Set(LENGTH_QUANTITIES);
export const isAngle = <R extends Reading>(one: R): one is Extract<R, { quantity: 'angles' }> =>
  one.quantity === 'angles';

/** A reading with who took it and when. */
const hand = { by: z.string(), at: z.string() };
export const keptReading = z.discriminatedUnion('quantity', [
  lengthReading.extend(hand),
  kindReading.extend(hand),
  leanReading.extend(hand),
  noteReading.extend(hand),
  angleReading.extend(hand),
]);
export type KeptReading = Reading & { readonly by: string; readonly at: string };
