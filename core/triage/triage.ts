import type { BackFixing, StraightFamily } from '../saw/families';

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

export const VERDICTS = ['take', 'take-if', 'decline'] as const;
export type Verdict = (typeof VERDICTS)[number];

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

interface Rule {
  readonly id: string;
  readonly verdict: Verdict;
  readonly because: TriageReason['because'];
  readonly needsConsent?: boolean;
  readonly applies: (answers: IntakeAnswers) => boolean;
  readonly says: string;
}

const has = (answers: IntakeAnswers, kind: PlateMarkKind): boolean => answers.marks.some((m) => m.kind === kind);
/** A kink this near the toe is cut off; further in it is hammered. Share of length, no source. */
const NEAR_TOE = 0.85;
const kinks = (answers: IntakeAnswers, nearToe: boolean): boolean =>
  answers.marks.some((m) => m.kind === 'kink' && m.along >= NEAR_TOE === nearToe);

/**
 * The counter's judgement as rules, each with its reason (trade section 2,
 * common practice, no source). Every rule that applies is told.
 */
export const TRIAGE_RULES: readonly Rule[] = [
  {
    id: 'hardened',
    verdict: 'decline',
    because: 'hardened',
    applies: (a) => a.hardened === 'yes',
    says: 'Hardened teeth: no file cuts them, it skates and is ruined. Offer a replacement, or the plate as scraper stock.',
  },
  {
    id: 'hardened-unsure',
    verdict: 'take-if',
    because: 'hardened',
    applies: (a) => a.hardened === 'unsure',
    says: 'Take it if one light stroke of a file bites on the heel-most tooth.',
  },
  {
    id: 'crack',
    verdict: 'decline',
    because: 'marks',
    applies: (a) => has(a, 'crack'),
    says: 'A crack in the plate runs on under the file and in the cut. Not safe to put back to work.',
  },
  {
    id: 'bent-back',
    verdict: 'decline',
    because: 'marks',
    applies: (a) => a.family === 'back' && has(a, 'bent-back'),
    says: 'A back saw with a bent back cannot be made straight again.',
  },
  {
    id: 'kink-toe',
    verdict: 'take-if',
    because: 'marks',
    needsConsent: true,
    applies: (a) => kinks(a, true),
    says: 'Kink near the toe: take it if the owner agrees to have the saw shortened past it.',
  },
  {
    id: 'kink-plate',
    verdict: 'take-if',
    because: 'marks',
    needsConsent: true,
    applies: (a) => kinks(a, false),
    says: 'Kink in the plate: an even chance at best under the hammer. Take it if the owner agrees to that.',
  },
  {
    id: 'wavy-folded',
    verdict: 'take',
    because: 'marks',
    applies: (a) => has(a, 'wavy-line') && a.backFixing === 'folded',
    says: 'Wavy line under a folded back: re-seat the plate by dropping the back flat on the bench.',
  },
  {
    id: 'wavy-fixed',
    verdict: 'take-if',
    because: 'marks',
    applies: (a) => has(a, 'wavy-line') && a.backFixing !== 'folded',
    says: 'Wavy line that cannot be re-seated: take it if the owner can live with a saw that is not quite straight.',
  },
  {
    id: 'pitting',
    verdict: 'take-if',
    because: 'marks',
    applies: (a) => has(a, 'pitting'),
    says: 'Pits at the tooth line make teeth that crumble: take it if the owner accepts a short-lived edge.',
  },
  {
    id: 'missing',
    verdict: 'take-if',
    because: 'marks',
    applies: (a) => has(a, 'missing-teeth'),
    says: 'Missing teeth grow back over several sharpenings: take it if they need not all be back this time.',
  },
  {
    id: 'twist',
    verdict: 'take-if',
    because: 'marks',
    applies: (a) => has(a, 'twist'),
    says: 'A twisted plate may not come true: take it if the owner agrees to an attempt.',
  },
  {
    id: 'bend',
    verdict: 'take',
    because: 'marks',
    applies: (a) => has(a, 'bend'),
    says: 'A gradual bend comes out by hand in a few minutes and does the steel no harm.',
  },
  {
    id: 'rust',
    verdict: 'take',
    because: 'marks',
    applies: (a) => has(a, 'rust'),
    says: 'Rust comes off before any setting; a badly rusted saw takes up to an hour more.',
  },
  {
    id: 'handle',
    verdict: 'take',
    because: 'marks',
    applies: (a) => has(a, 'loose-handle'),
    says: 'Tighten or refit the handle before filing, or the test cut says nothing.',
  },
];

export interface Triage {
  readonly verdict: Verdict;
  readonly reasons: readonly TriageReason[];
}

const WEIGHT: Record<Verdict, number> = { take: 0, 'take-if': 1, decline: 2 };

/** The gravest verdict of the rules that apply, with all of them told, gravest first. */
export function triage(answers: IntakeAnswers): Triage {
  const reasons = TRIAGE_RULES.filter((rule) => rule.applies(answers))
    .map((rule): TriageReason => ({
      rule: rule.id,
      verdict: rule.verdict,
      says: rule.says,
      because: rule.because,
      needsConsent: rule.needsConsent ?? false,
    }))
    .sort((a, b) => WEIGHT[b.verdict] - WEIGHT[a.verdict]);
  return {
    verdict: reasons[0]?.verdict ?? 'take',
    reasons:
      reasons.length > 0
        ? reasons
        : [
            {
              rule: 'sound',
              verdict: 'take',
              says: 'Soft teeth and a sound plate: nothing stands against it.',
              because: 'saw',
              needsConsent: false,
            },
          ],
  };
}
