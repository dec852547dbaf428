import { z } from 'zod';
import { FILINGS } from '@odontis/core/saw/families';
import { SHAVINGS } from '@odontis/core/raker/shavings';
import { text, version } from './fields';
import { bounded } from './fields';

export const CUTS = ['true', 'left', 'right'] as const;

/** A test cut on the last measured line. */
export const newCheck = z.object({
  version,
  /** Which edge of a two-edged saw made the cut; null or left out of a saw with one line. */
  edge: z.enum(FILINGS).nullish(),
  runs: z.enum(CUTS),
  binds: z.boolean(),
  chatters: z.boolean(),
  /** The tooth in the cut when a band beats, found by chalk; null where nobody found it. */
  beatAt: z.int('The tooth is counted whole.').min(1).max(50_000).nullish(),
  /** What a saw with rakers throws out; null where nobody looked. */
  shavings: z.enum(SHAVINGS).nullish(),
  note: text(1000, 'The note'),
});
export type NewCheck = z.infer<typeof newCheck>;

/** {@link RakersAfter} */
const rakersAfter = z.object({
  read: z.int(),
  of: z.int(),
  high: z.int(),
  low: z.int(),
  worstMm: z.number(),
  strokes: z.int(),
});

export const checkRound = z.object({
  number: z.number().int(),
  edge: z.enum(FILINGS).nullable(),
  runs: z.enum(CUTS),
  binds: z.boolean(),
  chatters: z.boolean(),
  beatAt: z.int().nullable(),
  shavings: z.enum(SHAVINGS).nullable(),
  /** Rakers as measured for this cut; null where none was. */
  rakers: rakersAfter.nullable(),
  note: z.string(),
  verdict: z.enum(['pass', 'again']),
  setLeftMm: z.number().nullable(),
  setRightMm: z.number().nullable(),
  stoneSide: z.enum(['left', 'right', 'both', 'none']),
  stonePasses: z.number().int(),
  advice: z.array(z.string()),
  by: z.string(),
  at: z.string(),
});
export type CheckRound = z.infer<typeof checkRound>;

export const handover = z.object({
  version,
  charged: bounded(0, 100_000, 'The amount charged', ''),
  note: text(2000, 'The note to the customer'),
});
export type Handover = z.infer<typeof handover>;
