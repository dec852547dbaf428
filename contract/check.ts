import * as z from 'zod';
import { FILINGS } from '@odontis/core/saw/families';
import { SHAVINGS } from '@odontis/core/raker/shavings';
import { CUT_VERDICTS } from '@odontis/core/set/test-cut-verdict';
import { AGAINS, FLOORS, PLATES, WALLS } from '@odontis/core/testcut/cut-looks';
import { bounded, counted, text, uuid, version } from './fields';

export const CUTS = ['true', 'left', 'right'] as const;

/** A test cut on the last measured line. */
export const newCheck = z.object({
  version,
  /** Which edge of a two-edged saw made the cut; null or left out of a saw with one line. */
  edge: z.enum(FILINGS).nullish(),
  /** What it showed; null where nobody looked. */
  runs: z.enum(CUTS).nullable(),
  binds: z.boolean().nullable(),
  chatters: z.boolean().nullable(),
  /** Stoned since the cut before: the side, and passes as they were made; null or left out where nothing was. */
  stoned: z
    .object({
      side: z.enum(['left', 'right', 'both'], { error: 'A side is stoned, or both.' }),
      passes: counted(1, 99, 'The passes made', 'passes'),
    })
    .nullish(),
  /** The tooth in the cut when a band beats, found by chalk; null where nobody found it. */
  beatAt: z.int('The tooth is counted whole.').min(1).max(50_000).nullish(),
  /** What a saw with rakers throws out; null where nobody looked. */
  shavings: z.enum(SHAVINGS).nullish(),
  /** Width of the kerf, by feeler; how far it left its line (to the left positive), and over which length. mm. */
  kerfMm: bounded(0.05, 30, 'The kerf', 'mm').nullish(),
  offLine: z
    .object({
      mm: bounded(-50, 50, 'How far it left its line', 'mm'),
      overMm: bounded(1, 1000, 'The length it left its line over', 'mm'),
    })
    .nullish(),
  /** By eye; null where nobody looked. */
  wall: z.enum(WALLS).nullish(),
  floor: z.enum(FLOORS).nullish(),
  plate: z.enum(PLATES).nullish(),
  /** Cut a second time with nothing done between: it ran the same way, or another. */
  again: z.enum(AGAINS).nullish(),
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
  runs: z.enum(CUTS).nullable(),
  binds: z.boolean().nullable(),
  chatters: z.boolean().nullable(),
  beatAt: z.int().nullable(),
  shavings: z.enum(SHAVINGS).nullable(),
  /** Rakers as measured for this cut; null where none was. */
  rakers: rakersAfter.nullable(),
  kerfMm: z.number().nullable(),
  offLineMm: z.number().nullable(),
  overMm: z.number().nullable(),
  wall: z.enum(WALLS).nullable(),
  floor: z.enum(FLOORS).nullable(),
  plate: z.enum(PLATES).nullable(),
  again: z.enum(AGAINS).nullable(),
  note: z.string(),
  verdict: z.enum(CUT_VERDICTS),
  setLeftMm: z.number().nullable(),
  setRightMm: z.number().nullable(),
  /** What it asks for: the side to stone and how often. */
  stoneSide: z.enum(['left', 'right', 'both', 'none']),
  stonePasses: z.number().int(),
  /** What was done since the cut before it; null where nothing was told. */
  stonedSide: z.enum(['left', 'right', 'both']).nullable(),
  stonedPasses: z.number().int().nullable(),
  advice: z.array(z.string()),
  by: z.string(),
  at: z.string(),
});
export type CheckRound = z.infer<typeof checkRound>;

/** How a saw was last checked on an earlier visit, and what was told to its owner then. */
export const lastCheck = z.object({
  /** The ticket's number, and when it was closed. */
  number: z.int(),
  closedAt: z.string().nullable(),
  note: z.string(),
  rounds: z.array(checkRound),
});
export type LastCheck = z.infer<typeof lastCheck>;

export const handover = z.object({
  version,
  /** Made on the screen: sent twice, the saw goes home once. */
  key: uuid('A handover has a key of its own.'),
  charged: bounded(0, 100_000, 'The amount charged', ''),
  /** Why another sum than the price; empty where it is the price. */
  why: text(300, 'Why another sum'),
  note: text(2000, 'The note to the customer'),
});
export type Handover = z.infer<typeof handover>;
/** As a page says it; its key is made where it is sent. */
export const handoverSaid = handover.omit({ key: true });
export type HandoverSaid = z.infer<typeof handoverSaid>;
