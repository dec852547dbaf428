import * as z from 'zod';
import { bounded, counted, requiredText, text } from '../units/fields';
import type { Family } from './all-families';
import { FAMILIES, teethFor } from './all-families';
import { ALL_FILINGS, BACK_FIXINGS, FILINGS } from './families';
import { POINT_CONVENTIONS, teethOnLine } from '../units/points';
import type { ToothRole } from './tooth-pattern';
import { LONGEST_PATTERN, parsePattern, rolesAlong } from './tooth-pattern';
import type { ToeZone } from './zones';
import { linedTeeth, placeInPitches, toeLengthMm, toeTeeth } from './zones';

/** The saws of cutters and rakers, and the frame saws that go with them at the counter. */
export const CROSSCUT_KINDS = ['one-man', 'two-man', 'buck', 'frame'] as const;
export type CrosscutKind = (typeof CROSSCUT_KINDS)[number];
/** How a band's teeth are bent in turn. */
export const BAND_SETS = ['alternate', 'left-right-straight'] as const;
export type BandSet = (typeof BAND_SETS)[number];
export const TIPS = ['steel', 'carbide'] as const;
export type Tips = (typeof TIPS)[number];
export const PART_KINDS = ['outer', 'chipper', 'shim'] as const;

/** Teeth of a blade: fewer cut nothing, more do not fit one that a shop lifts. */
export const BLADE_TEETH = { least: 4, most: 1000 } as const;

const filing = z.enum(FILINGS, { error: 'The filing must be rip or crosscut.' });
const backFixing = z.enum(BACK_FIXINGS);
const noBack = z.literal('none', { error: 'This saw has no stiffening back.' });
const convention = z.enum(POINT_CONVENTIONS);
const tipped = z.enum(TIPS, { error: 'Say whether the teeth are steel or carbide-tipped.' });
const pitch = bounded(0.5, 60, 'The pitch, tip to tip,', 'mm');
const toothPattern = z
  .string()
  .regex(/^[CR]{1,40}$/, 'The tooth pattern is written in C and R, such as CCR; plain teeth are C.')
  .refine((p) => p.includes('C'), 'A line of rakers alone cuts nothing: it needs a cutter, C.');

/** {@link ToeZone}, as it is typed, kept and written to files. */
export const toeZone = z.object({
  teeth: counted(1, 300, 'The teeth at the toe', 'teeth'),
  pitchFromMm: pitch,
  pitchToMm: pitch,
  relaxFromDeg: bounded(-30, 45, 'How much more relaxed the teeth at the toe are', 'degrees'),
  relaxToDeg: bounded(-30, 45, 'How much more relaxed the last tooth is', 'degrees'),
});
/** Heel to toe; left out where the line is of one pitch and rake. */
const toeZones = z.array(toeZone).min(1).max(3, 'At most three zones at the toe.').optional();

/** What every saw has, whatever its family. Lengths mm. */
const head = {
  name: requiredText(120, 'What the saw is'),
  marksOnIt: text(500, 'What is stamped or written on it'),
  /** How its owner counts its teeth: in points or in teeth to the inch. */
  convention,
  plateThicknessMm: bounded(0.2, 6, 'The plate thickness', 'mm'),
};
/** Along the tooth line, and the plate over its gullets at heel and toe. */
const line = {
  pitchMm: pitch,
  toothLineMm: bounded(50, 3000, 'The length of the tooth line', 'mm'),
  plateDepthHeelMm: bounded(5, 400, 'The plate depth at the heel', 'mm'),
  plateDepthToeMm: bounded(5, 400, 'The plate depth at the toe', 'mm'),
};
/** Round blades: the line is the rim, the plate runs from the bore to it. {@link bladeMeasures} works these out. */
const rim = {
  pitchMm: z.number().positive(),
  toothLineMm: z.number().positive(),
  plateDepthHeelMm: z.number(),
  plateDepthToeMm: z.number(),
  diameterMm: bounded(50, 2000, 'The diameter', 'mm'),
  boreMm: bounded(3, 200, 'The bore', 'mm'),
  tipped,
  /** Turns a minute the maker marked; null where none can be read. None is ever guessed. */
  markedLimitRpm: bounded(100, 100_000, 'The marked limit', 'turns a minute').nullable(),
};

/** A part of a dado set, every one with its own teeth. */
export const setPart = z.object({
  id: requiredText(40, 'The part’s name'),
  kind: z.enum(PART_KINDS),
  teeth: counted(0, 200, 'The part’s teeth', ''),
  plateMm: bounded(0.02, 20, 'The part’s thickness', 'mm'),
  cutMm: bounded(0.02, 30, 'The width the part cuts', 'mm'),
});
export type SetPart = z.infer<typeof setPart>;

/**
 * A saw of any family: the one description of it in the house. The counter fills it in, the
 * database keeps it, the command line and the files carry it, the page draws it. Lengths mm.
 * What cannot be of its measures together is said by `sawFaults`.
 */
export const SAW_SHAPES = {
  hand: z.object({ family: z.literal('hand'), ...head, ...line, filing, backFixing, toeZones }),
  back: z.object({ family: z.literal('back'), ...head, ...line, filing, backFixing, toeZones }),
  pull: z.object({
    family: z.literal('pull'),
    ...head,
    ...line,
    filing,
    backFixing,
    /** Teeth on one edge or on both. */
    edges: counted(1, 2, 'The edges with teeth', ''),
    /** Of a two-edged saw: the pitch of its rip edge, where it is another than the crosscut edge's. */
    ripPitchMm: pitch.optional(),
    /** The edge whose teeth are hardened beside a soft one: no file cuts it. */
    hardEdge: filing.optional(),
  }),
  crosscut: z.object({
    family: z.literal('crosscut'),
    ...head,
    ...line,
    filing,
    backFixing: noBack,
    kind: z.enum(CROSSCUT_KINDS, { error: 'Say which it is: one-man, two-man, buck or frame saw.' }),
    /** One repeat of the teeth in C and R; plain teeth are C. */
    pattern: toothPattern,
    /** Letters of the pattern before the first tooth: the first group is often short. Left out, the line begins with a whole group. */
    patternOffset: z
      .int('How far into its pattern the line begins is a whole number of teeth.')
      .min(0)
      .max(LONGEST_PATTERN - 1)
      .optional(),
  }),
  band: z.object({
    family: z.literal('band'),
    ...head,
    filing: z.literal('rip'),
    backFixing: noBack,
    pitchMm: pitch,
    toothLineMm: bounded(200, 30_000, 'The band’s length', 'mm'),
    /** The band's width, at both. */
    plateDepthHeelMm: bounded(3, 400, 'The band’s width', 'mm'),
    plateDepthToeMm: z.number(),
    set: z.enum(BAND_SETS, { error: 'Say how the teeth are bent: alternately, or left, right and straight.' }),
  }),
  circular: z.object({
    family: z.literal('circular'),
    ...head,
    ...rim,
    filing: z.enum(ALL_FILINGS, { error: 'The filing must be rip, crosscut or combination.' }),
    backFixing: noBack,
    /** One repeat of scorers (C) and rakers (R) of a combination blade; left out, every tooth scores. */
    pattern: toothPattern.optional(),
  }),
  dado: z.object({
    family: z.literal('dado'),
    ...head,
    ...rim,
    filing: z.literal('combination'),
    backFixing: noBack,
    parts: z.array(setPart).min(2, 'A dado set has two outer blades.').max(14, 'At most 14 parts.'),
  }),
} as const satisfies Record<Family, z.ZodObject>;

export const saw = z.discriminatedUnion(
  'family',
  [
    SAW_SHAPES.hand,
    SAW_SHAPES.back,
    SAW_SHAPES.pull,
    SAW_SHAPES.crosscut,
    SAW_SHAPES.band,
    SAW_SHAPES.circular,
    SAW_SHAPES.dado,
  ],
  { error: 'Say which saw it is: choose it by its picture.' },
);
export type Saw = z.infer<typeof saw>;
/** The saw of one family. */
export type SawOf<F extends Family> = Extract<Saw, { family: F }>;

export const family = z.enum(FAMILIES, { error: 'Say which saw it is: choose it by its picture.' });

/** A round blade's line and plate out of what is measured of it: its rim, the pitch round it, bore to rim. mm. */
export function bladeMeasures(diameterMm: number, boreMm: number, teeth: number) {
  const depthMm = (diameterMm - boreMm) / 2;
  return {
    convention: 'teeth' as const,
    toothLineMm: Math.PI * diameterMm,
    pitchMm: (Math.PI * diameterMm) / teeth,
    plateDepthHeelMm: depthMm,
    plateDepthToeMm: depthMm,
  };
}

/** A set is measured by its first outer blade: that one's teeth and plate. */
export function setMeasures(diameterMm: number, boreMm: number, parts: readonly SetPart[]) {
  const first = parts.find((part) => part.kind === 'outer');
  return {
    ...bladeMeasures(diameterMm, boreMm, Math.max(2, first?.teeth || 2)),
    plateThicknessMm: first?.plateMm ?? 0,
  };
}

/** Teeth to be worked: on both soft edges of a two-edged pull saw, on every part of a set. */
export function teethOf(of: Saw): number {
  if (of.family === 'dado') return of.parts.reduce((sum, part) => sum + part.teeth, 0);
  const toe = toeZonesOf(of);
  if (toe.length > 0) return teethOnLine(of.toothLineMm - toeLengthMm(of.pitchMm, toe), of.pitchMm) + toeTeeth(toe);
  const teeth = teethFor(of.family, of.toothLineMm, of.pitchMm);
  if (of.family !== 'pull' || of.edges === 1) return teeth;
  const rip = teethFor('pull', of.toothLineMm, of.ripPitchMm ?? of.pitchMm);
  return (of.hardEdge === 'crosscut' ? 0 : teeth) + (of.hardEdge === 'rip' ? 0 : rip);
}

/** Teeth at the toe unlike the rest; none on most saws, and none is known of other families. */
export const toeZonesOf = (of: Saw): readonly ToeZone[] => ('toeZones' in of && of.toeZones) || [];

/** Place of each tooth in pitches of the main stretch, of a line of which so many were read. {@link placeInPitches} */
export const placesOn = (of: Saw, read: number): ((tooth: number) => number) =>
  placeInPitches(linedTeeth(read, teethOf(of)), of.pitchMm, toeZonesOf(of));

/** What each tooth of a line or rim is there for, by the pattern that was told; null where none was, and all are cutters. */
export function rolesOn(of: Saw, teeth: number): readonly ToothRole[] | null {
  if (!('pattern' in of) || of.pattern === undefined) return null;
  const pattern = parsePattern(of.pattern);
  if (!pattern.ok) return null;
  return rolesAlong(pattern.roles, teeth, of.family === 'crosscut' ? of.patternOffset : 0);
}

/** Rakers among the teeth of a line, by its pattern; none on a plain one. */
export const rakersOf = (of: Saw): number =>
  of.family === 'crosscut' ? (rolesOn(of, teethOf(of)) ?? []).filter((role) => role === 'raker').length : 0;

/**
 * Whether its teeth are cutters pointed one by one with a flat file: saws with rakers, and plain long
 * saws. The fine teeth of frame saws are filed through their gullets like any hand saw's.
 */
export const isPointed = (of: Saw): of is SawOf<'crosscut'> =>
  of.family === 'crosscut' && (of.kind !== 'frame' || of.pattern.includes('R'));

/** Carbide tips are ground, not filed: such a blade is only handled here. */
export const isCarbide = (of: Saw): boolean => 'tipped' in of && of.tipped === 'carbide';
