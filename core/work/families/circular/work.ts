import { rimSpeed } from '../../../circular/blade-geometry';
import { UNCALIBRATED_STROKES } from '../../../line/strokes';
import { DEFAULT_HABITS } from '../../habits';
import type { CircularRecord } from '../../saw-record';
import { roundWork } from '../round-work';
import type { BladeInputs, BladeWish } from './inputs';
import { bladeInputsOf } from './of-facts';
import { orderBlade } from './order';
import { studyBlade, TURNED_DEG } from './study';

const PLAIN: BladeWish = { family: 'circular', depthMm: null, set: null, burnt: null, asked: '' };

/** Circular blades: jointed round to the lowest tooth worth keeping, every stroke from the blade's own error. */
export const circularWork = roundWork('circular', {
  plain: PLAIN,
  ofFacts: bladeInputsOf,
  ofRecord: inputsOfRecord,
  study: studyBlade,
  order: orderBlade,
  beside: ({ diameterMm, turnsPerMinute, markedLimitRpm }) =>
    turnsPerMinute === undefined ? {} : { speed: rimSpeed(diameterMm, turnsPerMinute, markedLimitRpm) },
});

/** A blade of dial readings with their kinds. mm. */
function inputsOfRecord(record: CircularRecord): BladeInputs {
  const rakers = record.dial.filter((r) => r.kind === 'raker').map((r) => r.tooth);
  return {
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
    rakers,
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
  };
}

/** A steel blade of ordinary size where its record does not say. Common practice, no source. mm. */
const USUAL_PLATE_MM = 2.2;
