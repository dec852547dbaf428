import type { Judgement } from '../judgement/books';
import { ownBook } from '../judgement/books';
import type { Judged } from '../judgement/rule-book';
import { judge } from '../judgement/rule-book';
import { TRIAGE_BOOK } from '../judgement/triage-book';
import { FILING_BOOK, STRAIGHTEN_BOOK, WORK_BOOK } from '../judgement/work-books';
import { SHARPENING_MM } from '../life/sharpening-metal';
import { convertTeeth } from '../line/conversion';
import type { AngleTable } from '../work/habits';
import { anglesFor } from '../work/habits';
import { countFromPitchMm } from '../saw/points';
import type { Filing, StraightFamily } from '../saw/families';
import type { PlateMark } from '../triage/plate-marks';
import type { Grain, IntakeAnswers, LineLook, Triage } from '../triage/triage';
import { factsFrom, triage } from '../triage/triage';

/** What the counter knows of a saw, beyond what decides whether it is taken. */
export interface CounterAnswers extends IntakeAnswers {
  readonly pitchMm: number;
  readonly lineLook: LineLook;
  readonly grain: Grain;
}

type VerdictOf<Book> = Book extends { verdicts: readonly (infer V extends string)[] } ? V : never;

/** Every question judged at the counter, each with its reasons. */
export interface CounterJudgement {
  readonly taken: Triage;
  /** Sharpening or the full tune; null while nobody has looked along the line. */
  readonly work: Judged<VerdictOf<typeof WORK_BOOK>> | null;
  /** Rip, crosscut or converted; only saws filed either way are asked about. */
  readonly filing: Judged<VerdictOf<typeof FILING_BOOK>> | null;
  /** How the plate is straightened; null where there is nothing to straighten. */
  readonly straighten: Judged<VerdictOf<typeof STRAIGHTEN_BOOK>> | null;
}

/** Judge by the shop's own books. `angles` are the shop's, for what a conversion would cost. O(rules). */
export function judgeAtCounter(
  answers: CounterAnswers,
  own: Judgement | undefined,
  angles: AngleTable,
): CounterJudgement {
  const { saw, marks } = answers;
  const base = factsFrom(answers);
  const looked = answers.lineLook !== 'not-looked';
  const workFacts = { ...base, lineLook: looked ? answers.lineLook : null };
  const work = judge(ownBook(WORK_BOOK, own), workFacts);
  const crooked = marks.some((m) => ['bend', 'kink', 'twist', 'bent-back'].includes(m.kind));
  return {
    taken: triage(answers, ownBook(TRIAGE_BOOK, own)),
    // Nothing found wrong is not the same as having looked.
    work: looked || work.verdict === 'tune' ? work : null,
    filing:
      (saw.family === 'hand' || saw.family === 'back') && saw.filing && answers.pitchMm > 0
        ? judge(ownBook(FILING_BOOK, own), filingFacts(answers, saw.family, saw.filing as Filing, angles))
        : null,
    straighten: crooked ? judge(ownBook(STRAIGHTEN_BOOK, own), { ...base, ...worstBend(marks) }) : null,
  };
}

/** The bend that stands off furthest. */
function worstBend(marks: readonly PlateMark[]): { bendSagMm: number | null; bendLengthMm: number | null } {
  const bends = marks.filter((m) => m.kind === 'bend').sort((a, b) => (b.sagMm ?? 0) - (a.sagMm ?? 0));
  return { bendSagMm: bends[0]?.sagMm ?? null, bendLengthMm: bends[0]?.spanMm ?? null };
}

function filingFacts(answers: CounterAnswers, family: StraightFamily, filing: Filing, angles: AngleTable) {
  const other: Filing = filing === 'rip' ? 'crosscut' : 'rip';
  const cost = convertTeeth(
    anglesFor(angles, family, filing),
    anglesFor(angles, family, other),
    answers.pitchMm,
    SHARPENING_MM,
  );
  const across = answers.grain === 'across' && filing === 'rip';
  const along = answers.grain === 'along' && filing === 'crosscut';
  return {
    points: countFromPitchMm(answers.pitchMm, 'points'),
    worksOtherGrain: answers.grain === 'unsaid' ? null : across || along,
    heightLeftShare: cost.heightLeftMm / cost.newHeightMm,
  };
}
