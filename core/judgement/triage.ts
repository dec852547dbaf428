import { judge } from './rule-book';
import type { FactsOfBook } from './saw-facts';
import { TRIAGE_BOOK } from './triage-book';
import { leastPlateMm, lifeCost } from '../life/life';
import type { Saw } from '../saw/saw';
import type { BackFixing, Filing } from '../saw/families';
import type { Family } from '../saw/all-families';
import type { PlateMark } from '../saw/plate-marks';
import type { Verdict } from './verdicts';

export { VERDICTS } from './verdicts';
export type { Verdict } from './verdicts';

export const HARDENED_ANSWERS = ['no', 'yes', 'unsure'] as const;
export type HardenedAnswer = (typeof HARDENED_ANSWERS)[number];

/** How the tooth line looks along a straight edge, before anything is measured. */
export const LINE_LOOKS = ['not-looked', 'even', 'hollow', 'uneven'] as const;
export type LineLook = (typeof LINE_LOOKS)[number];

/** Which way of the grain the saw is to work. */
export const GRAINS = ['unsaid', 'along', 'across', 'both'] as const;
export type Grain = (typeof GRAINS)[number];

/** Whether the owner wants another filing than the saw has. */
export const WANTED_FILINGS = ['as-it-is', 'rip', 'crosscut'] as const;
export type WantedFiling = (typeof WANTED_FILINGS)[number];

/** The saw as far as it is judged. */
export interface JudgedSaw {
  readonly family: Family;
  readonly backFixing: BackFixing;
  readonly filing?: Saw['filing'];
  readonly tipped?: 'steel' | 'carbide';
  readonly markedLimitRpm?: number | null;
  readonly toothLineMm?: number;
  readonly plateDepthHeelMm?: number;
  readonly plateDepthToeMm?: number;
  readonly parts?: readonly { readonly id: string; readonly kind: 'outer' | 'chipper' | 'shim' }[];
}

export interface IntakeAnswers {
  readonly saw: JudgedSaw;
  readonly hardened: HardenedAnswer;
  readonly marks: readonly PlateMark[];
  readonly etch?: boolean;
  readonly collectible?: boolean;
  readonly wantsFiling?: WantedFiling;
  /** Keeping it sharp over replacing it, money a year over money a year; null while one of them is not known. */
  readonly costOverReplacing?: number | null;
  /** Whether the shop files soft pull saws or sells a blade (trade section 9). */
  readonly filesPullSaws?: boolean;
}

/** The question whose answer caused a reason, to be shown beside it. */
export const BECAUSE = ['hardened', 'marks', 'saw', 'wants'] as const;
export type Because = (typeof BECAUSE)[number];

export interface TriageReason {
  readonly rule: string;
  readonly verdict: Verdict;
  readonly says: string;
  readonly because: Because;
  /** The customer's word is needed: it cannot be undone. */
  readonly needsConsent: boolean;
  /** The verdict were it not for this; left out where that would change nothing. */
  readonly withoutIt?: Verdict;
  /** The part of a set it is about. */
  readonly part?: string;
}

export interface Triage {
  readonly verdict: Verdict;
  readonly reasons: readonly TriageReason[];
}

/** A kink this near the toe is cut off; further in it is hammered. Share of length, no source. */
const NEAR_TOE = 0.85;
/** Burn marks from here on down are on the teeth; further in, the plate itself was too hot. Share of depth, no source. */
const AT_THE_TEETH = 0.75;

/** The filing the owner wants another of, if it is another. */
export function isConverting(filing: Saw['filing'] | undefined, wants: WantedFiling | undefined): boolean {
  return wants !== undefined && wants !== 'as-it-is' && filing !== 'combination' && wants !== (filing as Filing);
}

/** Where a plate is kinked decides what can be done about it. */
export function kinksOf(marks: readonly PlateMark[]): { readonly kinkNearToe: boolean; readonly kinkInPlate: boolean } {
  const kinks = marks.filter((m) => m.kind === 'kink');
  return { kinkNearToe: kinks.some((m) => m.along >= NEAR_TOE), kinkInPlate: kinks.some((m) => m.along < NEAR_TOE) };
}

/** Answers at the counter as facts the rules read: where a kink is decides what can be done about it. */
export function factsFrom(answers: IntakeAnswers): FactsOfBook<typeof TRIAGE_BOOK> {
  const { saw, marks } = answers;
  const depths = [saw.plateDepthHeelMm, saw.plateDepthToeMm].filter((mm): mm is number => mm !== undefined && mm > 0);
  return {
    family: saw.family,
    backFixing: saw.backFixing,
    tipped: saw.tipped ?? null,
    // Carbide is judged by being carbide: nobody tries a file on it.
    hardened: saw.tipped === 'carbide' ? null : answers.hardened,
    marks: marks.map((m) => m.kind),
    ...kinksOf(marks),
    plateOverheated: marks.some((m) => m.kind === 'burn' && m.down < AT_THE_TEETH),
    speedMarked: saw.markedLimitRpm === undefined ? null : saw.markedLimitRpm !== null,
    lengthMm: saw.toothLineMm ?? null,
    plateDepthMm: depths.length > 0 ? Math.min(...depths) : null,
    sharpeningsLeft:
      depths.length > 0 && (saw.family === 'hand' || saw.family === 'back')
        ? lifeCost(0, Math.min(...depths), leastPlateMm(saw.family)).left.likely
        : null,
    etch: answers.etch ?? null,
    collectible: answers.collectible ?? null,
    converting: isConverting(saw.filing, answers.wantsFiling),
    costOverReplacing: answers.costOverReplacing ?? null,
    filesPullSaws: answers.filesPullSaws ?? null,
    outersRefused: null,
    partsRefused: null,
  };
}

/**
 * The counter's judgement: the gravest verdict of the rules that apply, with all
 * of them told, gravest first, each with what would be judged without it. A set
 * is judged part by part and then as a whole: a refused chipper is left out, a
 * refused outer blade stops the set.
 */
export function triage(answers: IntakeAnswers, book: typeof TRIAGE_BOOK = TRIAGE_BOOK): Triage {
  if (answers.saw.family === 'dado' && answers.saw.parts) return triageSet(answers, answers.saw.parts, book);
  return told(judge(book, factsFrom(answers)).reasons as readonly TriageReason[], book);
}

function triageSet(answers: IntakeAnswers, parts: NonNullable<JudgedSaw['parts']>, book: typeof TRIAGE_BOOK): Triage {
  const judged = parts.map((part, i) => {
    const marks = answers.marks.filter((m) => (m.part ?? 0) === i);
    const own = judge(book, factsFrom({ ...answers, marks }));
    // What is true of the whole set is told once, below.
    const reasons = own.reasons.filter((r) => r.because === 'marks');
    return { part, refused: reasons.some((r) => r.verdict === 'decline'), reasons };
  });
  const outersRefused = judged.filter((j) => j.refused && j.part.kind === 'outer').length;
  const partsRefused = judged.filter((j) => j.refused).length;
  const whole = judge(book, { ...factsFrom({ ...answers, marks: [] }), outersRefused, partsRefused });
  const ofParts = judged.flatMap(({ part, reasons }) =>
    reasons.map((reason) => ({ ...(reason as TriageReason), part: part.id })),
  );
  const ofSet = whole.reasons.filter(
    (r) => r.rule !== book.otherwise.rule || ofParts.length === 0,
  ) as readonly TriageReason[];
  // A part's own refusal is told, but it is the set's rules that say what it means.
  const deciding = [...ofSet, ...ofParts.filter((r) => r.verdict !== 'decline')];
  const { verdict } = told(deciding, book);
  return { verdict, reasons: told([...ofSet, ...ofParts], book).reasons.map((r) => (r.part ? plain(r) : r)) };
}

const plain = ({ withoutIt: _without, ...reason }: TriageReason): TriageReason => reason;

function told(reasons: readonly TriageReason[], book: typeof TRIAGE_BOOK): Triage {
  const gravity = (verdict: Verdict): number => book.verdicts.indexOf(verdict);
  const gravest = (all: readonly TriageReason[]): Verdict =>
    all.reduce<Verdict>(
      (worst, r) => (gravity(r.verdict) > gravity(worst) ? r.verdict : worst),
      book.verdicts[0] as Verdict,
    );
  const verdict = gravest(reasons);
  const sorted = [...reasons].sort((a, b) => gravity(b.verdict) - gravity(a.verdict));
  return {
    verdict,
    reasons: sorted.map(({ rule, verdict: own, says, because, needsConsent, part }) => {
      const without = gravest(reasons.filter((r) => r.rule !== rule || r.part !== part));
      return {
        rule,
        verdict: own,
        says,
        because,
        needsConsent,
        ...(without !== verdict && { withoutIt: without }),
        ...(part !== undefined && { part }),
      };
    }),
  };
}
