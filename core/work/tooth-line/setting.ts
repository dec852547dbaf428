import { setOfLine } from '../../evidence/line-statistics';
import { SHARPENING_MM } from '../../life/sharpening-metal';
import type { SettingDecision } from '../judge-reset';
import { judgeReset } from '../judge-reset';
import type { WorkOrder } from '../order';
import type { LineStudy } from './study';

/** Why a pull saw's set is left, whatever is left of it. */
const PULL_SET_LEFT =
  'The set of a pull saw is usually left alone: its thin, hard plate breaks rather than bends, and a bevel filed from the top leaves the bend where it is.';

/** Set anew or left, of a line as it was measured and jointed so deep. mm. */
export function decideSetting(study: LineStudy, work: WorkOrder['work'], depthMm: number): SettingDecision {
  const { inputs } = study;
  const sides = setOfLine(inputs.readings);
  const read = sides !== null && sides.left.count > 0 && sides.right.count > 0;
  // Thin hard plate breaks rather than bends: a pull saw's set is left alone where nobody measured it short.
  const left = study.pull !== null && (!read || study.pull.filing.kind === 'top-only');
  return judgeReset(
    {
      sides,
      targetMm: study.set.perSideMm,
      filedMm: depthMm + SHARPENING_MM,
      jointMm: depthMm,
      wearTimes: inputs.habits.learned?.wearTimes,
      toothHeightMm: study.toothHeightMm,
      filingsSinceSet: inputs.filingsSinceSet,
      work,
      judgement: inputs.judgement,
    },
    left ? PULL_SET_LEFT : null,
    inputs.setWish?.choice ? inputs.setWish.choice === 'renew' : null,
  );
}
