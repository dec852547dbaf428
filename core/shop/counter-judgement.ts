import type { Judgement } from '../judgement/books';
import { ownBook } from '../judgement/books';
import { TRIAGE_BOOK } from '../judgement/triage-book';
import type { AngleTable } from '../work/habits';
import { anglesFor } from '../work/habits';
import type { FilingJudged, StraightenJudged, WorkJudged } from '../work/judge-work';
import { judgeFiling, judgeStraightening, judgeWork, worksOtherGrain } from '../work/judge-work';
import type { Grain, IntakeAnswers, LineLook, Triage } from '../judgement/triage';
import { isConverting, triage } from '../judgement/triage';

/** What the counter knows of a saw, beyond what decides whether it is taken. */
export interface CounterAnswers extends IntakeAnswers {
  readonly pitchMm: number;
  readonly lineLook: LineLook;
  readonly grain: Grain;
}

/** Every question judged at the counter, each with its reasons. */
export interface CounterJudgement {
  readonly taken: Triage;
  /** Sharpening or the full tune; null while nobody has looked along the line. */
  readonly work: WorkJudged | null;
  /** Rip, crosscut or converted; only saws filed either way are asked about. */
  readonly filing: FilingJudged | null;
  /** How the plate is straightened; null where there is nothing to straighten. */
  readonly straighten: StraightenJudged | null;
}

/** Judge by the shop's own books. `angles` are the shop's, for what a conversion would cost. O(rules). */
export function judgeAtCounter(
  answers: CounterAnswers,
  own: Judgement | undefined,
  angles: AngleTable,
): CounterJudgement {
  const { saw, marks } = answers;
  const looked = answers.lineLook !== 'not-looked';
  const work = judgeWork(
    {
      lineLook: answers.lineLook === 'not-looked' ? null : answers.lineLook,
      marks: marks.map((m) => m.kind),
      converting: isConverting(saw.filing, answers.wantsFiling),
      measured: null,
      rakeOffDeg: null,
    },
    own,
  );
  return {
    taken: triage(answers, ownBook(TRIAGE_BOOK, own)),
    // Nothing found wrong is not the same as having looked.
    work: looked || work.verdict === 'tune' ? work : null,
    filing: filingOf(answers, own, angles),
    straighten: judgeStraightening(saw.family, marks, null, own),
  };
}

/** Only saws filed either way are asked about. */
function filingOf({ saw, pitchMm, grain }: CounterAnswers, own: Judgement | undefined, angles: AngleTable) {
  const { family, filing } = saw;
  if ((family !== 'hand' && family !== 'back') || !filing || filing === 'combination' || !(pitchMm > 0)) return null;
  const [from, to] = [
    anglesFor(angles, family, filing),
    anglesFor(angles, family, filing === 'rip' ? 'crosscut' : 'rip'),
  ];
  return judgeFiling(pitchMm, from, to, worksOtherGrain(grain, filing), own).judged;
}
