import { judge } from '../judgement/rule-book';
import { TRIAGE_BOOK } from '../judgement/triage-book';
import type { BackFixing, StraightFamily } from '../saw/families';
import type { Verdict } from './verdicts';

export { VERDICTS } from './verdicts';
export type { Verdict } from './verdicts';

export const PLATE_MARKS = [
  'bend',
  'kink',
  'twist',
  'rust',
  'pitting',
  'crack',
  'missing-teeth',
  'bent-back',
  'wavy-line',
  'loose-handle',
] as const;
export type PlateMarkKind = (typeof PLATE_MARKS)[number];

/** A mark on the picture of the plate: places as shares of its length and depth, heel and back at 0. */
export interface PlateMark {
  readonly kind: PlateMarkKind;
  readonly along: number;
  readonly down: number;
}

export const HARDENED_ANSWERS = ['no', 'yes', 'unsure'] as const;
export type HardenedAnswer = (typeof HARDENED_ANSWERS)[number];

export interface IntakeAnswers {
  readonly family: StraightFamily;
  readonly backFixing: BackFixing;
  readonly hardened: HardenedAnswer;
  readonly marks: readonly PlateMark[];
}

export interface TriageReason {
  readonly rule: string;
  readonly verdict: Verdict;
  readonly says: string;
  /** The answer that caused it, to be shown beside the question. */
  readonly because: 'hardened' | 'marks' | 'saw';
  /** The customer's word is needed: it cannot be undone. */
  readonly needsConsent: boolean;
}

export interface Triage {
  readonly verdict: Verdict;
  readonly reasons: readonly TriageReason[];
}

/** A kink this near the toe is cut off; further in it is hammered. Share of length, no source. */
const NEAR_TOE = 0.85;

/** Answers at the counter as facts the rules read: where a kink is decides what can be done about it. */
export function factsFrom(answers: IntakeAnswers): Record<string, string | boolean | readonly string[]> {
  const kinks = answers.marks.filter((m) => m.kind === 'kink');
  return {
    family: answers.family,
    backFixing: answers.backFixing,
    hardened: answers.hardened,
    marks: answers.marks.map((m) => m.kind),
    kinkNearToe: kinks.some((m) => m.along >= NEAR_TOE),
    kinkInPlate: kinks.some((m) => m.along < NEAR_TOE),
  };
}

/** The counter's judgement: the gravest verdict of the rules that apply, with all of them told, gravest first. */
export function triage(answers: IntakeAnswers, book = TRIAGE_BOOK): Triage {
  const { verdict, reasons } = judge(book, factsFrom(answers));
  return {
    verdict,
    reasons: reasons.map(({ rule, verdict: own, says, because, needsConsent }) => ({
      rule,
      verdict: own,
      says,
      because: because as TriageReason['because'],
      needsConsent,
    })),
  };
}
