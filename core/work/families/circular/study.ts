import type { BladeAndArbor, DialReading, DialSplit } from '../../../circular/dial-harmonics';
import { circleOf, tellBladeFromArbor, withoutArbor } from '../../../circular/dial-harmonics';
import type { BelowFiling, EqualisePlan } from '../../../circular/equalise';
import { equalise, fileBelow } from '../../../circular/equalise';
import type { JointRound } from '../../../circular/joint-round';
import { jointRound } from '../../../circular/joint-round';
import { rimPitchMm } from '../../../circular/blade-geometry';
import { strokesFor } from '../../../line/strokes';
import { SHARPENING_MM } from '../../../life/sharpening-metal';
import type { Reason } from '../../../reason/reason';
import { because, COMMON_PRACTICE, input } from '../../../reason/reason';
import { woodFacts } from '../../../saw/woods';
import type { FamilySet } from '../../../set/family-set';
import { familySet } from '../../../set/family-set';
import type { SettingDecision } from '../../judge-reset';
import { judgeReset } from '../../judge-reset';
import type { BladeInputs } from './inputs';

/** Hook where nobody laid a straight edge on a face, degrees. Common practice, no source. */
const USUAL_HOOK_DEG = { rip: 20, crosscut: 10, combination: 15 } as const;

/** The second reading is taken with the blade turned half round on its arbor. */
export const TURNED_DEG = 180;

/** What is known of a blade, whatever is chosen of it. mm. */
export interface BladeStudy {
  readonly family: 'circular';
  readonly inputs: BladeInputs;
  readonly pitchMm: number;
  readonly hookDeg: number;
  /** Blade, arbor and teeth told apart; null where too few teeth were read, or all in one place. */
  readonly split: DialSplit | null;
  readonly apart: BladeAndArbor | null;
  /** Readings as the blade alone gives them. */
  readonly own: readonly DialReading[];
  /** The scoring teeth worth keeping, and those left short. */
  readonly equal: EqualisePlan | null;
  readonly deepestMm: number;
  readonly advisedMm: number;
  readonly joint: JointRound | null;
  readonly jointMm: number;
  /** Strokes of every scoring tooth, where it was read. */
  readonly strokes: ReadonlyMap<number, number>;
  readonly below: readonly BelowFiling[];
  readonly wanted: FamilySet;
  readonly setting: SettingDecision;
  readonly reason: Reason;
}

/** Jointed down to the lowest scoring tooth worth keeping, unless another depth was chosen. O(n log n). */
export function studyBlade(inputs: BladeInputs): BladeStudy {
  const { teeth, saw, strokeRate, wish } = inputs;
  const split = circleOf(inputs.dial, teeth);
  const second = circleOf(inputs.again, teeth);
  const apart = split && second ? tellBladeFromArbor(split, second, inputs.turnedDeg) : null;
  // An arbor that is out is the machine's: no tooth is filed for it.
  const own = apart ? withoutArbor(inputs.dial, teeth, apart) : inputs.dial;
  const scorers = own.filter((r) => r.kind === 'scorer');
  const equal = scorers.length > 0 ? equalise(own, 'scorer', strokeRate) : null;
  const kept = equal ? scorers.filter((r) => !equal.leftShort.includes(r.tooth)) : [];
  const highest = Math.max(...kept.map((r) => r.offMm));
  const advisedMm = equal ? highest - equal.targetMm : 0;
  const deepestMm = equal ? highest - Math.min(...scorers.map((r) => r.offMm)) : 0;
  const jointMm = equal ? Math.min(wish.depthMm ?? advisedMm, deepestMm) : 0;
  const targetMm = highest - jointMm;
  const hookDeg = inputs.hookDeg ?? USUAL_HOOK_DEG[saw.filing];
  const joint = equal ? jointRound(kept, targetMm, { hookDeg, plateThicknessMm: saw.plateThicknessMm }) : null;
  const wanted = familySet('circular', woodFacts(saw.wood), 'ordinary', saw.plateThicknessMm, {
    tableMm: inputs.habits.setMm?.circular,
    sawMm: inputs.wish.setMm ?? undefined,
  });
  const setting = judgeReset(
    {
      sides: inputs.set,
      targetMm: wanted.perSideMm,
      filedMm: jointMm + SHARPENING_MM,
      wearTimes: inputs.habits.learned?.wearTimes,
      toothHeightMm: inputs.gulletMm ?? 0.4 * rimPitchMm(saw.diameterMm, teeth),
      filingsSinceSet: inputs.filingsSinceSet,
      work: 'sharpen',
      judgement: inputs.judgement,
    },
    null,
    wish.set === null ? null : wish.set === 'renew',
  );
  return {
    family: 'circular',
    inputs,
    pitchMm: rimPitchMm(saw.diameterMm, teeth),
    hookDeg,
    split,
    apart,
    own,
    equal,
    deepestMm,
    advisedMm,
    joint,
    jointMm,
    strokes: new Map(kept.map((r) => [r.tooth, strokesFor(Math.max(0, r.offMm - targetMm), strokeRate).strokes])),
    below: equal ? fileBelow(own, targetMm, strokeRate) : [],
    wanted,
    setting,
    reason: because(
      'Joint round',
      'down to the lowest scoring tooth worth keeping',
      [
        input('scoring teeth read', scorers.length, 'count'),
        ...(equal ? [input('highest to lowest kept', advisedMm, 'mm')] : []),
        ...(equal && equal.leftShort.length > 0 ? [input('left short', equal.leftShort.join(', '), 'text')] : []),
        ...(apart ? [input('the arbor’s part, put aside', apart.arborMm, 'mm')] : []),
      ],
      COMMON_PRACTICE,
      equal
        ? undefined
        : 'Not read by dial: bring the rim round against a stone until every scoring tooth shows a flat.',
    ),
  };
}
