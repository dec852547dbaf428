import type { BandRecord } from '../../saw-record';
import { DEFAULT_HABITS } from '../../habits';
import { bandTeeth } from '../../../saw/band-teeth';
import { roundWork } from '../round-work';
import type { BandInputs, BandWish } from './inputs';
import { bandInputsOf } from './of-facts';
import { orderBand } from './order';
import { studyBand } from './study';

const PLAIN: BandWish = { family: 'band', set: null, joint: null, strokes: null };

/** Endless bands: windows of the vise all round, set by sample, two circuits where it is renewed. */
export const bandWork = roundWork('band', {
  plain: PLAIN,
  ofFacts: bandInputsOf,
  ofRecord: inputsOfRecord,
  study: studyBand,
  order: orderBand,
});

/** A band without readings: what its record counts, wants and is held in. mm. */
function inputsOfRecord(record: BandRecord): BandInputs {
  return {
    saw: {
      lengthMm: record.lengthMm,
      widthMm: record.widthMm ?? USUAL_WIDTH_MM,
      plateThicknessMm: record.plateThicknessMm ?? USUAL_PLATE_MM,
      set: record.set,
      wood: record.wood ?? 'dry-soft',
    },
    teeth: record.countedTeeth ?? bandTeeth(record.lengthMm, record.pitchMm),
    counted: record.countedTeeth !== undefined,
    set: null,
    heights: null,
    gulletMm: null,
    jawMm: record.jawMm,
    filingsSinceSet: null,
    marks: [],
    keys: [],
    habits: { ...DEFAULT_HABITS, ...record.habits },
    wish: { ...PLAIN, set: record.renewSet ? 'renew' : 'leave' },
  };
}

/** A narrow band where its record does not say. Common practice, no source. mm. */
const USUAL_WIDTH_MM = 20;
const USUAL_PLATE_MM = 0.7;
