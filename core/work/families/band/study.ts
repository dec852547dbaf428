import type { BandPattern } from '../../../saw/band-teeth';
import { bandPattern } from '../../../saw/band-teeth';
import type { BandWindow } from '../../../band/band-windows';
import { bandWindows } from '../../../band/band-windows';
import { toothFor, toothHeightMm } from '../../../file/flank-angles';
import { ownBook } from '../../../judgement/books';
import { WORK_BOOK } from '../../../judgement/work-books';
import { SHARPENING_MM } from '../../../life/sharpening-metal';
import type { Reason } from '../../../reason/reason';
import { because, COMMON_PRACTICE, input } from '../../../reason/reason';
import { woodFacts } from '../../../saw/woods';
import type { FamilySet } from '../../../set/family-set';
import { familySet } from '../../../set/family-set';
import type { SettingDecision } from '../../judge-reset';
import { judgeReset } from '../../judge-reset';
import type { BandInputs } from './inputs';

/** What is known of a band, whatever is chosen of it. mm. */
export interface BandStudy {
  readonly family: 'band';
  readonly inputs: BandInputs;
  readonly pitchMm: number;
  readonly pattern: BandPattern;
  readonly windows: readonly BandWindow[];
  readonly strokes: number;
  readonly wanted: FamilySet;
  readonly setting: SettingDecision;
  readonly joint: { readonly wanted: boolean; readonly reason: Reason };
}

/** The school that trusts equal strokes never joints a band; the other does, lightly, every time (trade section 7). */
function jointing({ heights, habits, wish, judgement }: BandInputs): BandStudy['joint'] {
  const limitMm = ownBook(WORK_BOOK, judgement).thresholds['heightSpreadMm'] ?? 0;
  const gone = heights !== null && heights.spreadMm > limitMm;
  const school = habits.bandJoint ?? 'never';
  const wanted = wish.joint ?? (gone || school === 'lightly');
  const says = gone
    ? 'The heights that were sampled differ by more than a filing evens out: the line has gone.'
    : school === 'lightly'
      ? 'This shop joints every band, lightly.'
      : 'Equal strokes all round keep a band level: it is not jointed.';
  return {
    wanted,
    reason: because(
      wanted ? 'Joint lightly' : 'Leave the tips',
      'where a sample of heights says the line has gone, or as the shop always does',
      [
        input('heights sampled', heights?.count ?? 0, 'count'),
        ...(heights ? [input('highest to lowest', heights.spreadMm, 'mm')] : []),
        input('put up with', limitMm, 'mm'),
      ],
      COMMON_PRACTICE,
      wish.joint !== null && wish.joint !== (gone || school === 'lightly') ? `Chosen on the plan. ${says}` : says,
    ),
  };
}

/** Throws RangeError on jaws shorter than a tooth. O(n). */
export function studyBand(inputs: BandInputs): BandStudy {
  const { saw, teeth, set, wish } = inputs;
  const pitchMm = saw.lengthMm / teeth;
  const wanted = familySet('band', woodFacts(saw.wood), 'ordinary', saw.plateThicknessMm, {
    tableMm: inputs.habits.setMm?.band,
    sawMm: wish.setMm ?? undefined,
  });
  const joint = jointing(inputs);
  const setting = judgeReset(
    {
      sides: set,
      targetMm: wanted.perSideMm,
      filedMm: SHARPENING_MM,
      bySpread: true,
      wearTimes: inputs.habits.learned?.wearTimes,
      toothHeightMm: inputs.gulletMm ?? toothHeightMm(pitchMm, toothFor(0, 0)),
      filingsSinceSet: inputs.filingsSinceSet,
      // A light touch over the tips leaves the set where it is.
      work: 'sharpen',
      judgement: inputs.judgement,
    },
    null,
    wish.set === null ? null : wish.set === 'renew',
  );
  return {
    family: 'band',
    inputs,
    pitchMm,
    pattern: bandPattern(teeth, saw.set),
    windows: bandWindows(teeth, pitchMm, inputs.jawMm),
    strokes: wish.strokes ?? inputs.habits.strokesPerGullet,
    wanted,
    setting,
    joint,
  };
}
