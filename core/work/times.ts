import type { Grade, PlateMarkKind } from '../saw/plate-marks';

/**
 * Times of bench work, minutes. Chosen so that the trade's own times come out
 * (trade section 4: a 15-point back saw five to seven minutes to sharpen).
 * Common practice, no source; a shop's own times replace them later.
 */
export const SECONDS_PER_STROKE = 0.6;
const SECONDS_TO_NEXT_GULLET = 0.6;
const SECONDS_PER_SET_TOOTH = 2;
const MINUTES_TO_CLAMP = 0.75;
const MINUTES_PER_JOINT_PASS = 0.5;
/** A pass of a mill file over the tips of a whole saw, mm. Common practice, no source. */
const JOINT_PASS_MM = 0.04;

/** Strokes through gullets in one clamping. */
export const filingMinutes = (strokes: number, gullets: number): number =>
  gullets === 0 ? 0 : MINUTES_TO_CLAMP + (strokes * SECONDS_PER_STROKE + gullets * SECONDS_TO_NEXT_GULLET) / 60;

/** Shaping goes over the saw once, turning it once. */
export const shapeMinutes = (strokes: number, gullets: number): number =>
  strokes === 0 ? 0 : MINUTES_TO_CLAMP + filingMinutes(strokes, gullets);

export const jointPasses = (depthMm: number): number => Math.max(1, Math.ceil(depthMm / JOINT_PASS_MM - 1e-9));

export const jointMinutes = (depthMm: number): number =>
  MINUTES_TO_CLAMP + jointPasses(depthMm) * MINUTES_PER_JOINT_PASS;

export const settingMinutes = (teeth: number): number => (teeth * SECONDS_PER_SET_TOOTH) / 60;

/** Minutes at one raker, by what is done to it. Judgement, no source. */
export const RAKER_MINUTES = { dress: 0.4, tip: 0.35, swage: 0.75, look: 0.15 } as const;
/** From one cutter to the next, the gauge or the eye between. Judgement, no source. */
const SECONDS_TO_NEXT_CUTTER = 10;

/** Cutters pointed one by one in one standing. */
export const pointingMinutes = (strokes: number, cutters: number): number =>
  cutters === 0 ? 0 : MINUTES_TO_CLAMP + (strokes * SECONDS_PER_STROKE + cutters * SECONDS_TO_NEXT_CUTTER) / 60;

/** From one tooth of a pull saw to the next but one, the guard moved along. Judgement, no source. */
const SECONDS_TO_NEXT_EDGE = 1.5;

/** The next window drawn between the jaws, the markers moved. Judgement, no source. */
const MINUTES_TO_MOVE_ON = 0.6;

/** A band filed window by window. */
export const windowMinutes = (strokes: number, gullets: number, windows: number): number =>
  windows * MINUTES_TO_MOVE_ON + (strokes * SECONDS_PER_STROKE + gullets * SECONDS_TO_NEXT_GULLET) / 60;

/** Teeth of one side set window by window. */
export const windowSetMinutes = (teeth: number, windows: number): number =>
  windows * MINUTES_TO_MOVE_ON + settingMinutes(teeth);

/** The stone or file along the tips of a window, turn by turn. Judgement, no source. */
const MINUTES_TO_JOINT_A_WINDOW = 0.25;
export const windowJointMinutes = (windows: number): number =>
  windows * (MINUTES_TO_MOVE_ON + MINUTES_TO_JOINT_A_WINDOW);

/** One edge of every second tooth in one clamping. */
export const edgeMinutes = (strokes: number, teeth: number): number =>
  teeth === 0 ? 0 : MINUTES_TO_CLAMP + (strokes * SECONDS_PER_STROKE + teeth * SECONDS_TO_NEXT_EDGE) / 60;

/** Rakers gone over once: so long at each, and its strokes. */
export const rakerMinutes = (each: number, rakers: number, strokes = 0): number =>
  rakers === 0 ? 0 : MINUTES_TO_CLAMP + each * rakers + (strokes * SECONDS_PER_STROKE) / 60;

/** A jointer rides on one place of its file: after so many cutters met by it, it is moved on. Judgement, no source. */
const CUTTERS_A_FILE_PLACE = 400;

/** How often a jointer's file is moved or turned for so many passes over so many cutters. */
export const fileTurns = (passes: number, cutters: number): number =>
  Math.floor((passes * cutters) / CUTTERS_A_FILE_PLACE);

/**
 * Rust off by how far it has gone: an hour is for heavy rust alone (trade section 4); light and moderate by the same
 * reasoning. Judgement, no source. Minutes.
 */
export const RUST_MINUTES: Readonly<Record<Grade, number>> = { light: 15, moderate: 30, heavy: 60 };
/** A handle's fasteners drawn tight, bedded anew, or made fit again; a frame's pins likewise. Judgement, no source. Minutes. */
export const HANDLE_MINUTES: Readonly<Record<Grade, number>> = { light: 4, moderate: 10, heavy: 20 };

/**
 * Cleaning a saw with such marks, minutes; null where it asks for none of its own. What nobody graded is taken as
 * moderate, never as the worst. Pits stay: only what stands on them comes off.
 */
export function rustMinutes(marks: readonly PlateMarkKind[], grades: Grades | undefined): number | null {
  if (marks.includes('rust')) return RUST_MINUTES[grades?.rust ?? 'moderate'];
  return marks.includes('pitting') ? RUST_MINUTES.light : null;
}

/** Handle or frame made fast, minutes; null where neither is loose. */
export function handleMinutes(marks: readonly PlateMarkKind[], grades: Grades | undefined): number | null {
  const loose = (['loose-handle', 'frame'] as const).filter((kind) => marks.includes(kind));
  return loose.length === 0
    ? null
    : loose.reduce((sum, kind) => sum + HANDLE_MINUTES[grades?.[kind] ?? (kind === 'frame' ? 'moderate' : 'light')], 0);
}
type Grades = Partial<Record<PlateMarkKind, Grade>>;

/** Fixed times of the steps that are done to the whole saw at once, minutes. */
export const WHOLE_SAW_MINUTES = {
  clean: 10,
  straighten: 8,
  'flatten-set': 4,
  look: 2,
  'set-out': 3,
  test: 2,
  stone: 1,
  finish: 3,
  uncoil: 3,
  coil: 3,
} as const;
