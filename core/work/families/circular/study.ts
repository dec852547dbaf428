import { POWERED_BLADE_CAUTION, rimPitchMm, rimSpeed } from '../../../circular/blade-geometry';
import { splitDial, tellBladeFromArbor, withoutArbor } from '../../../circular/dial-harmonics';
import { equalise, fileBelow } from '../../../circular/equalise';
import { UNCALIBRATED_STROKES } from '../../../line/strokes';
import type { CircularRecord } from '../../saw-record';

/** A circular blade from its record: blade and arbor told apart, scorers made equal, rakers under them. mm. */
export function studyCircular(record: CircularRecord) {
  const split = splitDial(record.dial, record.teeth);
  const rate = record.strokeRate ?? UNCALIBRATED_STROKES;
  const bladeAndArbor = record.again
    ? tellBladeFromArbor(split, splitDial(record.again.dial, record.teeth), record.again.turnedDeg)
    : null;
  // An arbor that is out is the machine's: no tooth is filed for it.
  const own = bladeAndArbor ? withoutArbor(record.dial, record.teeth, bladeAndArbor) : record.dial;
  const scorers = equalise(own, 'scorer', rate);
  return {
    pitchMm: rimPitchMm(record.diameterMm, record.teeth),
    split,
    bladeAndArbor,
    filedFrom: bladeAndArbor ? ('blade' as const) : ('blade-and-arbor' as const),
    scorers,
    below: fileBelow(own, scorers.targetMm, rate),
    speed: rimSpeed(record.diameterMm, record.turnsPerMinute ?? 0, record.markedLimitRpm),
    caution: POWERED_BLADE_CAUTION,
  };
}
