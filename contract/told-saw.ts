import { z } from 'zod';
import { BAND_SETS } from '@odontis/core/band/band-teeth';
import { FAMILIES } from '@odontis/core/saw/all-families';
import { CROSSCUT_KINDS, TIPS } from '@odontis/core/saw/any-saw';
import { ALL_FILINGS, BACK_FIXINGS, FILINGS } from '@odontis/core/saw/families';
import { POINT_CONVENTIONS } from '@odontis/core/saw/points';
import { bounded, requiredText, text } from './fields';

export const family = z.enum(FAMILIES, { error: 'Say which saw it is: choose it by its picture.' });

const name = requiredText(120, 'What the saw is');
const marksOnIt = text(500, 'What is stamped or written on it');
const pitchMm = bounded(0.5, 60, 'The pitch, tip to tip,', 'mm');
const toothLine = bounded(50, 3000, 'The length of the tooth line', 'mm');
const diameterMm = bounded(50, 2000, 'The diameter', 'mm');
const boreMm = bounded(3, 200, 'The bore', 'mm');
const counted = bounded(4, 1000, 'The teeth of a blade', '').int('Teeth are counted whole.');
export const tipped = z.enum(TIPS, { error: 'Say whether the teeth are steel or carbide-tipped.' });
const markedLimitRpm = bounded(100, 100_000, 'The marked limit', 'turns a minute').nullable();
export const filing = z.enum(FILINGS, { error: 'The filing must be rip or crosscut.' });
export const count = {
  perInch: bounded(1.5, 40, 'The count to the inch', ''),
  convention: z.enum(POINT_CONVENTIONS),
};
const plate = {
  plateThicknessMm: bounded(0.2, 6, 'The plate thickness', 'mm'),
  plateDepthHeelMm: bounded(5, 400, 'The plate depth at the heel', 'mm'),
  plateDepthToeMm: bounded(5, 400, 'The plate depth at the toe', 'mm'),
};
const head = { name, marksOnIt };

export const setPart = z.object({
  id: requiredText(40, 'The part’s name'),
  kind: z.enum(['outer', 'chipper', 'shim']),
  teeth: bounded(0, 200, 'The part’s teeth', '').int('Teeth are counted whole.'),
  plateMm: bounded(0.02, 20, 'The part’s thickness', 'mm'),
  cutMm: bounded(0.02, 30, 'The width the part cuts', 'mm'),
});

const handSaw = z.object({
  family: z.literal('hand'),
  ...head,
  filing,
  ...count,
  toothLineMm: toothLine,
  ...plate,
  backFixing: z.enum(BACK_FIXINGS),
});
const backSaw = handSaw.extend({ family: z.literal('back') });
const pullSaw = handSaw.extend({
  family: z.literal('pull'),
  edges: bounded(1, 2, 'The edges with teeth', '').int('A pull saw has teeth on one edge or on two.'),
});
const crosscutSaw = z.object({
  family: z.literal('crosscut'),
  ...head,
  filing,
  kind: z.enum(CROSSCUT_KINDS, { error: 'Say which it is: one-man, two-man, buck or frame saw.' }),
  pattern: z
    .string()
    .regex(/^[CR]{1,40}$/, 'The tooth pattern is written in C and R, such as CCR; plain teeth are C.')
    .refine((p) => p.includes('C'), 'A line of rakers alone cuts nothing: it needs a cutter, C.'),
  pitchMm,
  toothLineMm: toothLine,
  ...plate,
});
const bandSaw = z.object({
  family: z.literal('band'),
  ...head,
  loopMm: bounded(200, 30_000, 'The band’s length', 'mm'),
  pitchMm,
  widthMm: bounded(3, 400, 'The band’s width', 'mm'),
  plateThicknessMm: plate.plateThicknessMm,
  set: z.enum(BAND_SETS, { error: 'Say how the teeth are bent: alternately, or left, right and straight.' }),
});
const circularSaw = z.object({
  family: z.literal('circular'),
  ...head,
  filing: z.enum(ALL_FILINGS, { error: 'The filing must be rip, crosscut or combination.' }),
  diameterMm,
  boreMm,
  teeth: counted,
  plateThicknessMm: plate.plateThicknessMm,
  tipped,
  markedLimitRpm,
});
const dadoSet = z.object({
  family: z.literal('dado'),
  ...head,
  diameterMm,
  boreMm,
  tipped,
  markedLimitRpm,
  parts: z.array(setPart).min(2, 'A dado set has two outer blades.').max(14, 'At most 14 parts.'),
});

/** A saw of any family, its fields each in their bounds; what cannot be of them together is in saw-faults. */
export const anySaw = z.discriminatedUnion(
  'family',
  [handSaw, backSaw, pullSaw, crosscutSaw, bandSaw, circularSaw, dadoSet],
  {
    error: 'Say which saw it is: choose it by its picture.',
  },
);
export type ToldSaw = z.infer<typeof anySaw>;
