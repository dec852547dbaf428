import * as z from 'zod';
import { reason } from '../reason/reason-shape';
import { PULL_EDGES } from '../pull/pull-tooth';
import { FILINGS } from '../saw/families';
import { LEANS } from '../evidence/tooth-reading';

/** Every kind of step there is, in no order: the order of work says in which. */
export const STEP_KINDS = [
  'clean',
  'straighten',
  'tighten',
  'set-out',
  'flatten-set',
  'joint',
  'shape',
  'reshape',
  'file-off',
  'cut',
  'joint-again',
  'look',
  'set',
  'sharpen',
  'last-pass',
  'stone',
  'finish',
  'test',
  'by-hand',
  'dress-rakers',
  'raker-gullets',
  'raker-tips',
  'thin-rakers',
  'swage',
  'point',
  'touch-up',
  'rakers-again',
  'edge',
  'uncoil',
  'joint-round',
  'coil',
  'inspect',
  'round',
  'round-rakers',
  'round-gullets',
  'grinder',
  'home',
  'chipper',
  'stack',
  'mark-part',
  'swage-teeth',
  'blend',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

export const HEAVIER = ['even', 'face', 'back'] as const;
/** Which flank of the gullet gets the heavier strokes. */
export type Heavier = (typeof HEAVIER)[number];

/** What a step goes over, one stop each. */
export const UNITS = ['whole', 'tooth', 'gullet', 'raker', 'window', 'part'] as const;

/** One place to stop at: a gullet, a tooth, or 0 for the saw as a whole. */
export const stop = z
  .object({
    at: z.int().min(0),
    /** The last tooth of a stretch that is one stop: of a window of the vise, whose first is `at`. */
    to: z.int().min(1).optional(),
    /** Which part of a set, counted from 0. */
    part: z.int().min(0).optional(),
    strokes: z.int().min(0),
    heavier: z.enum(HEAVIER),
    /** Aimed at here alone, mm; left out, the step's own target holds. */
    targetMm: z.number().optional(),
    /** Width of the flat that shows when it is filed so far, mm: what the eye goes by. */
    flatMm: z.number().optional(),
  })
  .readonly();
export type Stop = z.infer<typeof stop>;

/** Edges of a tooth or raker that are filed apart: a raker's two tips by the end they look to, a pull saw's three edges. */
export const EDGES = ['heel-tip', 'toe-tip', ...PULL_EDGES] as const;
export type Edge = (typeof EDGES)[number];

/** One pass of work without turning the saw. Numbers are mm, degrees and minutes; words are made by the screens. */
export const step = z
  .object({
    kind: z.enum(STEP_KINDS),
    unit: z.enum(UNITS),
    /** Stand on this side; of a setting step the side its teeth lean to. Null: either. */
    side: z.enum(LEANS).nullable(),
    /** The edge of each stop that is filed; left out where there is but one. */
    edge: z.enum(EDGES).optional(),
    /** Which part of a set, by its name; left out where it is of the whole. */
    part: z.string().optional(),
    /** Which line of teeth, of a saw with two. */
    line: z.enum(FILINGS).optional(),
    /** How the jointer is set for a line that is not straight: its shoes, the bend of its file at the middle, and how often the file is moved on. */
    jointer: z.object({ shoesMm: z.number(), bendMm: z.number(), turns: z.int() }).readonly().optional(),
    tipTowards: z.enum(['toe', 'heel', 'across']).nullable(),
    /** What it is done with; null where the step's name says it. */
    tool: z.string().nullable(),
    /** Depth, set or excess aimed at, mm; null where the eye decides. */
    targetMm: z.number().nullable(),
    /** Over which teeth, and to which rake, where that changes along the line: starter teeth. Degrees. */
    stretch: z.object({ fromTooth: z.int(), toTooth: z.int(), rakeDeg: z.number() }).readonly().optional(),
    passes: z.int().min(0),
    minutes: z.number().min(0),
    stops: z.array(stop).readonly(),
    cautions: z.array(z.string()).readonly(),
    reasons: z.array(reason).readonly(),
    /** What is done, where no kind says it: a step by hand. */
    says: z.string().optional(),
  })
  .readonly();
export type Step = z.infer<typeof step>;

/** Every stop of an order in bench order, with the step it belongs to. */
export interface WalkStop extends Stop {
  readonly index: number;
  readonly step: number;
}

export function walkOf(steps: readonly Step[]): WalkStop[] {
  const walk: WalkStop[] = [];
  steps.forEach((one, number) => {
    for (const place of one.stops) walk.push({ ...place, index: walk.length, step: number });
  });
  return walk;
}

/** The one stop of a step done to the whole saw. */
export const WHOLE_SAW_STOP: readonly Stop[] = [{ at: 0, strokes: 0, heavier: 'even' }];

/** Minutes a stop takes by its step, whose time is shared over its stops; 0 of a step that is none. */
export const minutesAtStop = (step: Step | undefined): number => (step ? step.minutes / step.stops.length : 0);

/** Strokes made at a stop: of a window of the vise those of every gullet in it. Example: 2 strokes, teeth 11 to 36 -> 52. */
export const strokesAtStop = ({ unit }: Pick<Step, 'unit'>, { at, to, strokes }: Stop): number =>
  unit === 'window' ? strokes * ((to ?? at) - at + 1) : strokes;

/** Strokes of a step, and of all steps. */
export const strokesOfStep = (step: Pick<Step, 'unit' | 'stops'>): number =>
  step.stops.reduce((sum, stop) => sum + strokesAtStop(step, stop), 0);
export const strokesOfSteps = (steps: readonly Step[]): number =>
  steps.reduce((sum, step) => sum + strokesOfStep(step), 0);

/**
 * Minutes of every step as they are told, whole and adding up to the whole order's: each rounded down, what is left
 * going to those that lost most (largest remainder; from memory). Example: 2.4, 2.4, 2.4 -> 3, 2, 2.
 */
export function wholeMinutes(steps: readonly Pick<Step, 'minutes'>[]): number[] {
  const total = Math.round(steps.reduce((sum, { minutes }) => sum + minutes, 0));
  const whole = steps.map(({ minutes }) => Math.floor(minutes));
  const lost = steps
    .map(({ minutes }, i) => ({ i, rest: minutes - Math.floor(minutes) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i);
  const left = Math.max(0, total - whole.reduce((sum, n) => sum + n, 0));
  for (const { i } of lost.slice(0, left)) whole[i] = (whole[i] ?? 0) + 1;
  return whole;
}
