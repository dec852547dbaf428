import { bandPattern, bandTeeth } from '../../../band/band-teeth';
import { bandWindows, planBand } from '../../../band/band-windows';
import type { BandRecord } from '../../saw-record';

/** A band from its record: its teeth, how they lean by turns, and the windows of the vise it is worked in. mm. */
export function studyBand(record: BandRecord) {
  const reckoned = bandTeeth(record.lengthMm, record.pitchMm);
  const teeth = record.countedTeeth ?? reckoned;
  const pattern = bandPattern(teeth, record.set);
  const windows = bandWindows(teeth, record.lengthMm / teeth, record.jawMm);
  const strokes = record.habits?.strokesPerGullet;
  const work = planBand(pattern.leans, windows, record.renewSet, strokes);
  return { teeth, reckoned, counted: record.countedTeeth !== undefined, pattern, work };
}
