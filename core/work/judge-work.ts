import type { LineStatistics } from '../evidence/line-statistics';
import type { AnglePair } from '../file/angle-pair';
import type { Judgement } from '../judgement/books';
import { ownBook } from '../judgement/books';
import type { Judged } from '../judgement/rule-book';
import { judge } from '../judgement/rule-book';
import { FILING_BOOK, STRAIGHTEN_BOOK, WORK_BOOK } from '../judgement/work-books';
import { SHARPENING_MM } from '../life/sharpening-metal';
import type { Conversion } from '../line/conversion';
import { convertTeeth } from '../line/conversion';
import type { PlateBend } from '../plate/plate-bend';
import type { Reason } from '../reason/reason';
import { because, COMMON_PRACTICE, input } from '../reason/reason';
import type { Family } from '../saw/all-families';
import type { Filing } from '../saw/families';
import { countFromPitchMm } from '../units/points';
import type { PlateMark } from '../saw/plate-marks';
import { kinksOf } from '../judgement/triage';
import type { Grain, LineLook } from '../judgement/triage';

// One answer to each question of the work, from whatever is known when it is asked: the counter's look, or measurements.

export type VerdictOf<Book> = Book extends { verdicts: readonly (infer V extends string)[] } ? V : never;
export type WorkJudged = Judged<VerdictOf<typeof WORK_BOOK>>;
export type FilingJudged = Judged<VerdictOf<typeof FILING_BOOK>>;
export type StraightenJudged = Judged<VerdictOf<typeof STRAIGHTEN_BOOK>>;

/** What is known of a line when sharpening or tuning is judged. */
export interface LineKnown {
  /** As looked at, where it was not measured; null where nobody looked or it was measured since. */
  readonly lineLook: Exclude<LineLook, 'not-looked'> | null;
  readonly marks: readonly string[];
  readonly converting: boolean;
  /** Null before it is measured. */
  readonly measured: LineStatistics | null;
  /** Rake as measured less the rake wanted, degrees; null where one of them is not known. */
  readonly rakeOffDeg: number | null;
}

/** A sharpening, or the full tune. */
export function judgeWork(known: LineKnown, own: Judgement | undefined): WorkJudged {
  const { measured, rakeOffDeg } = known;
  return judge(ownBook(WORK_BOOK, own), {
    lineLook: known.lineLook,
    marks: known.marks,
    converting: known.converting,
    heightSpreadMm: measured?.heightSpreadMm ?? null,
    worstSpacingShare: measured?.placesMeasured ? measured.worstSpacingMm / measured.pitchMm : null,
    hollowMm: measured ? Math.max(0, -measured.crownMm) : null,
    rakeOffDeg: rakeOffDeg === null ? null : Math.abs(rakeOffDeg),
  });
}

/** Whether a saw works the other way of the grain than it is filed for; null where nobody said. */
export const worksOtherGrain = (grain: Grain, filing: Filing): boolean | null =>
  grain === 'unsaid' ? null : (grain === 'across' && filing === 'rip') || (grain === 'along' && filing === 'crosscut');

/** Rip, crosscut or converted, with what a conversion from the one pair of angles to the other would cost. mm. */
export function judgeFiling(
  pitchMm: number,
  from: AnglePair,
  to: AnglePair,
  otherGrain: boolean | null,
  own: Judgement | undefined,
): { readonly judged: FilingJudged; readonly conversion: Conversion; readonly reason: Reason } {
  const conversion = convertTeeth(from, to, pitchMm, SHARPENING_MM);
  const points = countFromPitchMm(pitchMm, 'points');
  const heightLeftShare = conversion.heightLeftMm / conversion.newHeightMm;
  const judged = judge(ownBook(FILING_BOOK, own), { points, worksOtherGrain: otherGrain, heightLeftShare });
  const reason = because(
    judged.verdict === 'keep' ? 'Keep the filing it has' : 'Another filing',
    'loss = old height × angles gained ÷ (T of the new tooth + angles given up), in tangents',
    [
      input('points to the inch', points, 'count'),
      input('old tooth height', conversion.heightLeftMm + conversion.lossMm, 'mm'),
      input('tips come down', conversion.lossMm, 'mm'),
      input('height left', conversion.heightLeftMm, 'mm'),
      input('of the new tooth', heightLeftShare, 'share'),
    ],
    COMMON_PRACTICE,
    judged.reasons.map((r) => r.says).join(' '),
  );
  return { judged, conversion, reason };
}

const CROOKED: readonly string[] = ['bend', 'kink', 'twist', 'bent-back'];

/** How the plate is straightened: by what was marked on it, and by its bend where that was measured. Null where it is straight. */
export function judgeStraightening(
  family: Family,
  marks: readonly PlateMark[],
  bow: PlateBend | null,
  own: Judgement | undefined,
): StraightenJudged | null {
  if (!bow && !marks.some((m) => CROOKED.includes(m.kind))) return null;
  const [worst] = marks.filter((m) => m.kind === 'bend').sort((a, b) => (b.sagMm ?? 0) - (a.sagMm ?? 0));
  const kinds = marks.map((m) => m.kind);
  return judge(ownBook(STRAIGHTEN_BOOK, own), {
    family,
    marks: bow ? [...new Set([...kinds, 'bend'])] : kinds,
    bendSagMm: bow?.sagMm ?? worst?.sagMm ?? null,
    bendLengthMm: bow?.lengthMm ?? worst?.spanMm ?? null,
    ...kinksOf(marks),
  });
}
