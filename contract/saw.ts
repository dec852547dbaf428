import { z } from 'zod';
import { BAND_SETS } from '@odontis/core/band/band-teeth';
import { FAMILIES } from '@odontis/core/saw/all-families';
import type { CircularSaw } from '@odontis/core/saw/any-saw';
import { CROSSCUT_KINDS, TIPS } from '@odontis/core/saw/any-saw';
import { ALL_FILINGS, BACK_FIXINGS, FILINGS } from '@odontis/core/saw/families';
import { pitchMmFromCount, POINT_CONVENTIONS } from '@odontis/core/saw/points';
import { bounded, requiredText, text } from './fields';

export const family = z.enum(FAMILIES, { error: 'Say which saw it is: choose it by its picture.' });

const name = requiredText(120, 'What the saw is');
const marksOnIt = text(500, 'What is stamped or written on it');
const pitchMm = bounded(0.5, 60, 'The pitch, tip to tip,', 'mm');
const toothLine = bounded(50, 3000, 'The length of the tooth line', 'mm');
const diameterMm = bounded(50, 2000, 'The diameter', 'mm');
const boreMm = bounded(3, 200, 'The bore', 'mm');
const counted = bounded(4, 1000, 'The teeth of a blade', '').int('Teeth are counted whole.');
const tipped = z.enum(TIPS, { error: 'Say whether the teeth are steel or carbide-tipped.' });
const markedLimitRpm = bounded(100, 100_000, 'The marked limit', 'turns a minute').nullable();
const filing = z.enum(FILINGS, { error: 'The filing must be rip or crosscut.' });
const count = {
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

/** A tooth of the usual file is this share of its pitch high: cot 30 / 2. */
const HEIGHT_SHARE = Math.sqrt(3) / 2;
/** No blade is cut with teeth nearer than this along its rim. mm, no source. */
const LEAST_RIM_PITCH_MM = 1.5;

type Fault = { path: string[]; message: string };

/** Pitch as told, mm; null where none is or where the count is out of its bounds, which is said already. */
function pitchTold(saw: z.infer<typeof anySaw>): number | null {
  if ('perInch' in saw)
    return count.perInch.safeParse(saw.perInch).success ? pitchMmFromCount(saw.perInch, saw.convention) : null;
  return 'pitchMm' in saw ? saw.pitchMm : null;
}

/** What cannot be, said at the field to look at first. */
function impossible(saw: z.infer<typeof anySaw>): Fault[] {
  const faults: Fault[] = [];
  const say = (path: string, message: string): void => void faults.push({ path: [path], message });
  const pitch = pitchTold(saw);
  if (saw.family === 'hand' && saw.backFixing !== 'none') say('backFixing', 'A hand saw has no stiffening back.');
  if (saw.family === 'back' && saw.backFixing === 'none')
    say('backFixing', 'Say how the back is fixed: folded or slotted.');
  if (saw.family === 'pull' && saw.backFixing !== 'none' && saw.edges === 2)
    say('edges', 'A saw with a back has teeth on one edge only.');
  if (pitch !== null && 'plateThicknessMm' in saw && saw.plateThicknessMm > HEIGHT_SHARE * pitch)
    say(
      'plateThicknessMm',
      `A plate of ${saw.plateThicknessMm.toFixed(2)} mm is thicker than its teeth are high (${(HEIGHT_SHARE * pitch).toFixed(2)} mm at this pitch): one of the two is a slip.`,
    );
  if (saw.family === 'crosscut' && saw.kind === 'frame' && saw.pattern.includes('R') && saw.pitchMm < 4)
    say('pattern', 'Rakers need room: at this pitch a frame saw has plain teeth, C.');
  if (saw.family === 'band' && saw.loopMm < 4 * saw.widthMm)
    say('loopMm', 'A band is many times longer than it is wide.');
  if ('diameterMm' in saw && saw.boreMm > saw.diameterMm / 2)
    say(
      'boreMm',
      `A bore of ${saw.boreMm.toFixed(0)} mm leaves no plate in a blade of ${saw.diameterMm.toFixed(0)} mm.`,
    );
  if (saw.family === 'circular') {
    const rim = (Math.PI * saw.diameterMm) / saw.teeth;
    if (rim < LEAST_RIM_PITCH_MM)
      say(
        'teeth',
        `${saw.teeth} teeth round a blade of ${saw.diameterMm.toFixed(0)} mm would stand ${rim.toFixed(1)} mm apart: count them again.`,
      );
    else if (saw.plateThicknessMm > rim)
      say(
        'plateThicknessMm',
        `A plate of ${saw.plateThicknessMm.toFixed(1)} mm is thicker than its teeth are long (${rim.toFixed(1)} mm apart).`,
      );
  }
  if (saw.family === 'dado') {
    const outers = saw.parts.filter((part) => part.kind === 'outer').length;
    if (outers !== 2) say('parts', `A dado set cuts between two outer blades; this one has ${outers}.`);
    saw.parts.forEach((part, i) => {
      const at = (field: string, message: string): void =>
        void faults.push({ path: ['parts', String(i), field], message });
      if (part.kind !== 'shim' && part.teeth < 2) at('teeth', `${part.id}: a blade or chipper has two teeth at least.`);
      if (part.kind === 'shim' && part.teeth > 0) at('teeth', `${part.id}: a shim has no teeth.`);
      if (part.kind !== 'shim' && part.cutMm < part.plateMm)
        at('cutMm', `${part.id}: its teeth cut wider than its plate is thick.`);
      if (part.teeth > 0 && (Math.PI * saw.diameterMm) / part.teeth < LEAST_RIM_PITCH_MM)
        at('teeth', `${part.id}: ${part.teeth} teeth do not fit round ${saw.diameterMm.toFixed(0)} mm.`);
    });
    const names = saw.parts.map((part) => part.id);
    const twice = names.find((id, i) => names.indexOf(id) !== i);
    if (twice) say('parts', `Two parts are called “${twice}”: marks could not be told apart.`);
  }
  return faults;
}

const anySaw = z.discriminatedUnion('family', [handSaw, backSaw, pullSaw, crosscutSaw, bandSaw, circularSaw, dadoSet], {
  error: 'Say which saw it is: choose it by its picture.',
});

/** A saw of any family as it is told at the counter. What can be worked out of it is not in it. */
export const newSaw = anySaw.superRefine((saw, context) => {
  for (const { path, message } of impossible(saw))
    context.addIssue({ code: 'custom', path: path.map((p) => (/^\d+$/.test(p) ? Number(p) : p)), message });
});
export type NewSaw = z.infer<typeof newSaw>;

const kept = {
  id: z.number().int(),
  name: z.string(),
  marksOnIt: z.string(),
  pitchMm: z.number(),
  convention: z.enum(POINT_CONVENTIONS),
  toothLineMm: z.number(),
  plateThicknessMm: z.number(),
  plateDepthHeelMm: z.number(),
  plateDepthToeMm: z.number(),
};
const bladeFacts = { diameterMm: z.number(), boreMm: z.number(), tipped, markedLimitRpm: z.number().nullable() };
const noBack = z.literal('none');

/** A saw as kept, of any family: the common measures, and its family's own. */
export const saw = z.discriminatedUnion('family', [
  z.object({ ...kept, family: z.literal('hand'), filing, backFixing: z.enum(BACK_FIXINGS) }),
  z.object({ ...kept, family: z.literal('back'), filing, backFixing: z.enum(BACK_FIXINGS) }),
  z.object({ ...kept, family: z.literal('pull'), filing, backFixing: z.enum(BACK_FIXINGS), edges: z.number() }),
  z.object({
    ...kept,
    family: z.literal('crosscut'),
    filing,
    backFixing: noBack,
    kind: z.enum(CROSSCUT_KINDS),
    pattern: z.string(),
  }),
  z.object({
    ...kept,
    family: z.literal('band'),
    filing: z.literal('rip'),
    backFixing: noBack,
    set: z.enum(BAND_SETS),
  }),
  z.object({ ...kept, family: z.literal('circular'), filing: z.enum(ALL_FILINGS), backFixing: noBack, ...bladeFacts }),
  z.object({
    ...kept,
    family: z.literal('dado'),
    filing: z.literal('combination'),
    backFixing: noBack,
    ...bladeFacts,
    parts: z.array(setPart),
  }),
]);
export type Saw = z.infer<typeof saw>;
export type StraightSaw = Extract<Saw, { family: 'hand' | 'back' }>;
/** A saw without its place in the book: what {@link describeSaw} makes of what was told. */
export type SawFacts = Saw extends infer One ? (One extends unknown ? Omit<One, 'id'> : never) : never;

/**
 * What was told at the counter as it is kept: pitch worked out of counts, a
 * blade's rim out of its diameter, a plate's depth out of bore and rim.
 */
export function describeSaw(told: NewSaw): SawFacts {
  const { name: called, marksOnIt: stamped } = told;
  const common = { name: called, marksOnIt: stamped };
  switch (told.family) {
    case 'hand':
    case 'back':
    case 'pull': {
      const { perInch, ...rest } = told;
      return { ...rest, pitchMm: pitchMmFromCount(perInch, told.convention) };
    }
    case 'crosscut':
      return { ...told, convention: 'points', backFixing: 'none' };
    case 'band':
      return {
        ...common,
        family: 'band',
        filing: 'rip',
        backFixing: 'none',
        set: told.set,
        convention: 'teeth',
        pitchMm: told.pitchMm,
        toothLineMm: told.loopMm,
        plateThicknessMm: told.plateThicknessMm,
        plateDepthHeelMm: told.widthMm,
        plateDepthToeMm: told.widthMm,
      };
    case 'circular': {
      const { teeth, ...rest } = told;
      return { ...rest, backFixing: 'none', ...rim(told, teeth) };
    }
    case 'dado': {
      const first = told.parts.find((part) => part.kind === 'outer');
      return {
        ...told,
        filing: 'combination',
        backFixing: 'none',
        plateThicknessMm: first?.plateMm ?? 0,
        ...rim(told, Math.max(2, first?.teeth ?? 2)),
      };
    }
  }
}

function rim({ diameterMm: across, boreMm: hole }: Pick<CircularSaw, 'diameterMm' | 'boreMm'>, teeth: number) {
  const depth = (across - hole) / 2;
  return {
    convention: 'teeth' as const,
    toothLineMm: Math.PI * across,
    pitchMm: (Math.PI * across) / teeth,
    plateDepthHeelMm: depth,
    plateDepthToeMm: depth,
  };
}
