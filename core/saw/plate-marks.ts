import type { Family } from './all-families';
import type { BackFixing } from './families';

/** What can be wrong with a plate, each put on its picture where it is. */
export const PLATE_MARKS = [
  'bend',
  'kink',
  'twist',
  'rust',
  'pitting',
  'crack',
  'burn',
  'missing-teeth',
  'short-teeth',
  'bent-back',
  'wavy-line',
  'loose-handle',
  'frame',
] as const;
export type PlateMarkKind = (typeof PLATE_MARKS)[number];

/** How far a mark has gone that is neither measured nor counted. */
export const GRADES = ['light', 'moderate', 'heavy'] as const;
export type Grade = (typeof GRADES)[number];
/** Marks that come in grades, and marks that are counted. */
export const GRADED: readonly PlateMarkKind[] = ['rust', 'pitting', 'loose-handle', 'frame'];
export const COUNTED: readonly PlateMarkKind[] = ['missing-teeth', 'short-teeth', 'burn'];

/** Which way a bend or a kink goes, seen from the handle; of a blade, from the marked side. */
export const BEND_SIDES = ['left', 'right'] as const;
export type BendSide = (typeof BEND_SIDES)[number];

/**
 * A mark on the picture of the plate. Places are shares: along from the heel (0)
 * to the toe (1), round the loop from the weld, or round the blade from the mark
 * at its top; down from the back (0) to the teeth (1), or from the bore to the rim.
 */
export interface PlateMark {
  readonly kind: PlateMarkKind;
  readonly along: number;
  readonly down: number;
  readonly side?: BendSide;
  /** How far a bend stands off a straight edge, mm, and over what length of plate. */
  readonly sagMm?: number;
  readonly spanMm?: number;
  /** How far it has gone, of what comes in grades; left out where nobody said. */
  readonly grade?: Grade;
  /** How many teeth, of what is counted; left out where nobody did. */
  readonly count?: number;
  /** Which part of a set, counted from 0. */
  readonly part?: number;
}

/** Grades that were said of the kinds marked, the furthest of each kind. */
export function gradesOf(marks: readonly PlateMark[]): Partial<Record<PlateMarkKind, Grade>> {
  const found: Partial<Record<PlateMarkKind, Grade>> = {};
  for (const { kind, grade } of marks) {
    const before = found[kind];
    if (grade && (before === undefined || GRADES.indexOf(grade) > GRADES.indexOf(before))) found[kind] = grade;
  }
  return found;
}

/** How many teeth are marked as of a kind; null where a mark of it does not say. */
export function countOf(marks: readonly PlateMark[], kind: PlateMarkKind): number | null {
  const own = marks.filter((mark) => mark.kind === kind);
  return own.some((mark) => mark.count === undefined) ? null : own.reduce((sum, mark) => sum + (mark.count ?? 0), 0);
}

const EVERYWHERE: readonly PlateMarkKind[] = [
  'kink',
  'twist',
  'rust',
  'pitting',
  'crack',
  'missing-teeth',
  'short-teeth',
];
const HANDLED: readonly PlateMarkKind[] = ['bend', ...EVERYWHERE, 'loose-handle'];

/** The marks a family can have: a band has no handle, a hand saw no stiffening back. */
export const MARKS_OF: Record<Family, readonly PlateMarkKind[]> = {
  hand: [...HANDLED, 'wavy-line'],
  back: [...HANDLED, 'bent-back', 'wavy-line'],
  pull: [...HANDLED, 'bent-back', 'wavy-line'],
  crosscut: [...HANDLED, 'frame'],
  band: [...EVERYWHERE, 'burn'],
  circular: ['bend', ...EVERYWHERE, 'burn'],
  dado: ['bend', ...EVERYWHERE, 'burn'],
};

/** The same, of a saw whose back is known: a pull saw may have one or not. */
export const marksFor = (family: Family, backFixing: BackFixing | undefined): readonly PlateMarkKind[] =>
  backFixing === 'none' ? MARKS_OF[family].filter((kind) => kind !== 'bent-back') : MARKS_OF[family];

/** What a mark is said to be of, where a family cannot have it. */
const NEEDS: Partial<Record<PlateMarkKind, string>> = {
  'loose-handle': 'handle',
  'bent-back': 'stiffening back',
  'wavy-line': 'line that could leave its seat',
  frame: 'frame',
  bend: 'length of plate to be bent',
  burn: 'motor to burn its teeth',
};
const FAMILY_WORDS: Record<Family, string> = {
  hand: 'A hand saw',
  back: 'A back saw',
  pull: 'A pull saw',
  crosscut: 'A crosscut saw',
  band: 'A band',
  circular: 'A circular blade',
  dado: 'A dado set',
};

/** What is wrong with marking this on such a saw, in a sentence; null where nothing is. */
export function markFault(family: Family, kind: PlateMarkKind, backFixing?: BackFixing): string | null {
  if (marksFor(family, backFixing).includes(kind)) return null;
  return `${FAMILY_WORDS[family]} has no ${NEEDS[kind] ?? 'place for that'}: that mark belongs to another saw.`;
}
