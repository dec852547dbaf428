import type { FileChoice } from '../../file/file-choice';
import { chooseFile } from '../../file/file-choice';
import type { FiledTooth } from '../../file/flank-angles';
import { TAPER_SECTION_DEG, toothFor, toothHeightMm } from '../../file/flank-angles';
import { SHARPENING_MM } from '../../life/sharpening-metal';
import type { Conversion } from '../../line/conversion';
import { convertTeeth } from '../../line/conversion';
import type { LeastDepth } from '../../line/depth-curve';
import { leastDepth } from '../../line/depth-curve';
import type { PreparedLine } from '../../line/flats';
import { prepareLine } from '../../line/flats';
import type { JointLine } from '../../line/joint-line';
import { datumLine, levelLineForShare, lineForShare } from '../../line/joint-line';
import type { Reason } from '../../reason/reason';
import { because, input } from '../../reason/reason';
import { woodFacts } from '../../saw/woods';
import { lineStatistics } from '../../evidence/line-statistics';
import { standingTeeth } from '../../evidence/tooth-reading';
import type { FamilySet } from '../../set/family-set';
import { familySet } from '../../set/family-set';
import type { LineInputs } from './inputs';

/** What does not move with the depth: worked out once, then looked at under the hand. */
export interface LineStudy {
  readonly inputs: LineInputs;
  /** The tooth it has, whose flanks the joint meets. */
  readonly tooth: FiledTooth;
  /** The tooth it will have: another only where the filing is changed. */
  readonly newTooth: FiledTooth;
  /** Height of the tooth it has, mm. */
  readonly toothHeightMm: number;
  /** What another filing costs; null where the filing stays. */
  readonly conversion: Conversion | null;
  readonly pitchMm: number;
  /** False when only heights were measured: spacing is then taken as even, and said so. */
  readonly placesMeasured: boolean;
  readonly prepared: PreparedLine;
  readonly datum: JointLine;
  readonly deepestMm: number;
  readonly recommended: Recommendation;
  readonly file: FileChoice;
  readonly set: FamilySet;
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
 * Prepare an order from readings. Throws RangeError on fewer than three standing
 * teeth or on angles that leave no tooth.
 */
export function studyLine(inputs: LineInputs): LineStudy {
  const { saw, habits, angles, from } = inputs;
  const newTooth = toothFor(angles.rakeDeg, angles.fleamDeg, TAPER_SECTION_DEG);
  const tooth = from ? toothFor(from.angles.rakeDeg, from.angles.fleamDeg, TAPER_SECTION_DEG) : newTooth;
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
    newTooth,
    toothHeightMm: heightMm,
    conversion: from ? convertTeeth(from.angles, angles, pitchMm, SHARPENING_MM) : null,
    pitchMm,
    placesMeasured: statistics.placesMeasured,
    prepared,
    datum,
    deepestMm,
    recommended: recommend(least, inputs, evennessMm, deepestMm),
    file: chooseFile(from ? toothHeightMm(pitchMm, newTooth) : heightMm, newTooth, angles.fleamDeg),
    set: familySet(saw.family, woodFacts(saw.wood), 'ordinary', saw.plateThicknessMm),
  };
}
function recommend(least: LeastDepth, inputs: LineInputs, evennessMm: number, deepestMm: number): Recommendation {
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
