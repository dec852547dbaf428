import { quantitiesOf } from '../../../evidence/quantities';
import type { RoundWork } from '../../family-work';
import type { WorkOrder } from '../../order';
import type { BandRecord } from '../../saw-record';
import { DEFAULT_HABITS } from '../../habits';
import { bandTeeth } from '../../../saw/band-teeth';
import type { BandWish } from './inputs';
import { bandInputsOf } from './of-facts';
import { orderBand } from './order';
import { studyBand } from './study';

const PLAIN: BandWish = { family: 'band', set: null, joint: null, strokes: null };

/** Endless bands: windows of the vise all round, set by sample, two circuits where it is renewed. */
export const bandWork: RoundWork = {
  family: 'band',
  way: 'round',
  measured: quantitiesOf,
  plain: PLAIN,
  study: (facts, wish) => {
    if (facts.saw.family !== 'band' || wish.family !== 'band') throw new RangeError('This is no band.');
    try {
      return { ok: true, study: studyBand(bandInputsOf(facts, facts.saw, wish)) };
    } catch (error) {
      if (error instanceof RangeError) return { ok: false, code: 'readings-unfit', says: error.message };
      throw error;
    }
  },
  order: (study, rates) => {
    if (study.family !== 'band') throw new RangeError('This is no band’s study.');
    return orderBand(study, rates);
  },
  ofRecord: (record) => {
    if (record.family !== 'band') throw new RangeError('This is no band record.');
    return { family: record.family, order: orderOfRecord(record) };
  },
};

/** A band without readings: what its record counts, wants and is held in. mm. */
function orderOfRecord(record: BandRecord): WorkOrder {
  const study = studyBand({
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
  });
  return orderBand(study, null);
}

/** A narrow band where its record does not say. Common practice, no source. mm. */
const USUAL_WIDTH_MM = 20;
const USUAL_PLATE_MM = 0.7;
