import { quantitiesOf } from '../../../evidence/quantities';
import { UNCALIBRATED_STROKES } from '../../../line/strokes';
import type { RoundWork } from '../../family-work';
import { DEFAULT_HABITS } from '../../habits';
import type { WorkOrder } from '../../order';
import type { CircularRecord } from '../../saw-record';
import type { BladeWish } from './inputs';
import { bladeInputsOf, toldRakers } from './of-facts';
import { orderBlade } from './order';
import { studyBlade, TURNED_DEG } from './study';

const PLAIN: BladeWish = { family: 'circular', depthMm: null, set: null, burnt: null, asked: '' };

/** Circular blades: jointed round to the lowest tooth worth keeping, every stroke from the blade's own error. */
export const circularWork: RoundWork = {
  family: 'circular',
  way: 'round',
  measured: quantitiesOf,
  plain: PLAIN,
  study: (facts, wish) => {
    if (facts.saw.family !== 'circular' || wish.family !== 'circular') throw new RangeError('This is no blade.');
    try {
      const inputs = bladeInputsOf(facts, facts.saw, wish);
      return { ok: true, study: { ...studyBlade(inputs), told: toldRakers(facts.saw) } };
    } catch (error) {
      if (error instanceof RangeError) return { ok: false, code: 'readings-unfit', says: error.message };
      throw error;
    }
  },
  order: (study, rates) => {
    if (study.family !== 'circular') throw new RangeError('This is no blade’s study.');
    return orderBlade(study, rates, study.told);
  },
  ofRecord: (record) => {
    if (record.family !== 'circular') throw new RangeError('This is no circular record.');
    return { family: record.family, order: orderOfRecord(record) };
  },
};

/** A blade of dial readings with their kinds. mm. */
function orderOfRecord(record: CircularRecord): WorkOrder {
  const rakers = record.dial.filter((r) => r.kind === 'raker').map((r) => r.tooth);
  const study = studyBlade({
    saw: {
      diameterMm: record.diameterMm,
      plateThicknessMm: record.plateThicknessMm ?? USUAL_PLATE_MM,
      filing: rakers.length > 0 ? 'combination' : (record.filing ?? 'crosscut'),
      tipped: 'steel',
      markedLimitRpm: record.markedLimitRpm,
      wood: record.wood ?? 'dry-soft',
    },
    teeth: record.teeth,
    dial: [...record.dial],
    again: [...(record.again?.dial ?? [])],
    turnedDeg: record.again?.turnedDeg ?? TURNED_DEG,
    hookDeg: null,
    bevelDeg: null,
    gulletMm: null,
    set: null,
    filingsSinceSet: null,
    marks: [],
    keys: [],
    strokeRate: record.strokeRate ?? UNCALIBRATED_STROKES,
    habits: { ...DEFAULT_HABITS, ...record.habits },
    wish: PLAIN,
  });
  return orderBlade(study, null, rakers);
}

/** A steel blade of ordinary size where its record does not say. Common practice, no source. mm. */
const USUAL_PLATE_MM = 2.2;
