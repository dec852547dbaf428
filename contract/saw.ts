import { z } from 'zod';
import { BAND_SETS } from '@odontis/core/band/band-teeth';
import type { CircularSaw } from '@odontis/core/saw/any-saw';
import { CROSSCUT_KINDS } from '@odontis/core/saw/any-saw';
import { ALL_FILINGS, BACK_FIXINGS } from '@odontis/core/saw/families';
import { pitchMmFromCount, POINT_CONVENTIONS } from '@odontis/core/saw/points';
import type { NewSaw } from './new-saw';
import { filing, setPart, tipped } from './told-saw';

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
