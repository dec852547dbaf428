import type { FileChoice } from '../file/file-choice';
import { chooseFile } from '../file/file-choice';
import type { FiledTooth } from '../file/flank-angles';
import { TAPER_SECTION_DEG, toothFor, toothHeightMm } from '../file/flank-angles';
import { SHARPENING_MM } from '../life/life';
import type { LeastDepth } from '../line/depth-curve';
import { leastDepth } from '../line/depth-curve';
import type { PreparedLine } from '../line/flats';
import { prepareLine } from '../line/flats';
import type { JointLine } from '../line/joint-line';
import { datumLine, levelLineForShare, lineForShare } from '../line/joint-line';
import type { Reason } from '../reason/reason';
import { because, input } from '../reason/reason';
import { lineStatistics } from '../evidence/line-statistics';
import { standingTeeth } from '../evidence/tooth-reading';
import type { SetTarget } from '../set/set-target';
import { setTarget } from '../set/set-target';
import type { PlanInputs } from './plan-inputs';

/** What does not move with the depth: worked out once, then looked at under the hand. */
export interface PlanStudy {
  readonly inputs: PlanInputs;
  readonly tooth: FiledTooth;
  readonly toothHeightMm: number;
  readonly pitchMm: number;
  /** False when only heights were measured: spacing is then taken as even, and said so. */
  readonly placesMeasured: boolean;
  readonly prepared: PreparedLine;
  readonly datum: JointLine;
  readonly deepestMm: number;
  readonly recommended: Recommendation;
  readonly file: FileChoice;
  readonly set: SetTarget;
}

export interface Recommendation {
  readonly depthMm: number;
  readonly least: LeastDepth;
  /** Nothing to joint: the line is level and even enough to sharpen as it stands. */
  readonly sharpenOnly: boolean;
  readonly reason: Reason;
}

/** Jointing past this share of the tooth is re-toothing, not jointing. Common practice, no source. */
const DEEPEST_SHARE = 0.6;

/** A line this level is not worth a pass of the mill file, which would take as much, mm. Common practice, no source. */
export const LEVEL_ENOUGH_MM = 0.04;

/**
 * Prepare a plan from readings. Throws RangeError on fewer than three standing
 * teeth or on angles that leave no tooth.
 */
export function studyLine(inputs: PlanInputs): PlanStudy {
  const { saw, habits, angles } = inputs;
  const tooth = toothFor(angles.rakeDeg, angles.fleamDeg, TAPER_SECTION_DEG);
  const statistics = lineStatistics(inputs.readings);
  if (!statistics) throw new RangeError('A plan needs three standing teeth at least.');
  const tips = standingTeeth(inputs.readings);
  const line =
    inputs.line === 'level' ? levelLineForShare(tips, habits.shareOnLine) : lineForShare(tips, habits.shareOnLine);
  const prepared = prepareLine(inputs.readings, tooth);
  const datum = datumLine(tips, line.beta);
  const pitchMm = statistics.pitchMm;
  const heightMm = toothHeightMm(pitchMm, tooth);
  const deepestMm = DEEPEST_SHARE * heightMm;
  const evennessMm = habits.evennessShare * pitchMm;
  const least = leastDepth(prepared, datum, pitchMm, { share: habits.shareOnLine, evennessMm }, deepestMm);
  return {
    inputs,
    tooth,
    toothHeightMm: heightMm,
    pitchMm,
    placesMeasured: statistics.placesMeasured,
    prepared,
    datum,
    deepestMm,
    recommended: recommend(least, inputs, evennessMm, deepestMm),
    file: chooseFile(heightMm, tooth, angles.fleamDeg),
    set: setTarget(saw.family, saw.wood, saw.plateThicknessMm),
  };
}

function recommend(least: LeastDepth, inputs: PlanInputs, evennessMm: number, deepestMm: number): Recommendation {
  const { habits } = inputs;
  const dearest = least.byTeethMm + habits.chaseSharpenings * SHARPENING_MM;
  const pays = least.byEvennessMm !== null && least.byEvennessMm <= dearest;
  const wanted = Math.min(deepestMm, pays ? Math.max(least.byTeethMm, least.byEvennessMm ?? 0) : least.byTeethMm);
  const sharpenOnly = wanted <= LEVEL_ENOUGH_MM && (pays || least.byEvennessMm === 0);
  const depthMm = sharpenOnly ? 0 : wanted;
  const inputsShown = [
    input('share of teeth to reach', habits.shareOnLine, 'share'),
    input('depth that reaches them', least.byTeethMm, 'mm'),
    input('spacing error allowed', evennessMm, 'mm'),
    input(
      'depth that evens the spacing',
      least.byEvennessMm ?? 'not within the tooth',
      least.byEvennessMm === null ? 'text' : 'mm',
    ),
    input('metal of one sharpening', SHARPENING_MM, 'mm'),
  ];
  const otherwise = sharpenOnly
    ? 'The line is level and even within a light pass: jointing would only cost metal.'
    : pays
      ? 'Less deep leaves teeth that do not reach the line or points that cannot be evened; deeper only costs life.'
      : `Evening the spacing would cost more than ${habits.chaseSharpenings} sharpenings: it is not chased, it comes back by itself.`;
  return {
    depthMm,
    least,
    sharpenOnly,
    reason: because(
      sharpenOnly ? 'No jointing needed' : 'Joint to this depth',
      'least depth that puts the wanted share of teeth on the line and, where it pays, the points evenly apart',
      inputsShown,
      'geometry section 4 (least metal); share and evenness from the shop book',
      otherwise,
    ),
  };
}
