import { lineStatistics } from '../../evidence/line-statistics';
import type { ToothReading } from '../../evidence/tooth-reading';
import { standingTeeth } from '../../evidence/tooth-reading';

/** How what was measured stands to what the ticket says of the saw. */
export interface Coverage {
  readonly toldTeeth: number;
  readonly measuredTeeth: number;
  readonly toldPitchMm: number;
  /** Null where places were not measured: the pitch is then the ticket's own. */
  readonly measuredPitchMm: number | null;
  /** Teeth of the saw were left out. */
  readonly partial: boolean;
  /** More teeth were measured than the ticket knows. */
  readonly more: boolean;
  readonly otherPitch: boolean;
}

/**
 * A count this far from the ticket's is another saw's: a tooth or two are lost at heel and toe,
 * and people miscount by as much in a hundred. No source.
 */
const COUNT_SHARE = 0.05;
const COUNT_TEETH = 2;
/** A pitch this far from the ticket's is another pitch, not a reading's error: a tenth. No source. */
const PITCH_SHARE = 0.1;

/** Measured against told: teeth, and pitch where places were read. Lengths mm. O(n). */
export function coverageOf(
  readings: readonly ToothReading[],
  saw: { readonly teeth: number; readonly pitchMm: number },
): Coverage {
  const statistics = lineStatistics(readings);
  const measuredPitchMm = statistics?.placesMeasured ? statistics.pitchMm : null;
  const slack = Math.max(COUNT_TEETH, COUNT_SHARE * saw.teeth);
  return {
    toldTeeth: saw.teeth,
    measuredTeeth: readings.length,
    toldPitchMm: saw.pitchMm,
    measuredPitchMm,
    partial: readings.length < saw.teeth - slack,
    more: readings.length > saw.teeth + slack,
    otherPitch: measuredPitchMm !== null && Math.abs(measuredPitchMm - saw.pitchMm) > PITCH_SHARE * saw.pitchMm,
  };
}

/**
 * The measured teeth, then as many more that they stand for: each at the next pitch, as far off
 * the line as the tooth it repeats, and marked `sample`. Broken and missing teeth are not
 * repeated: nobody saw one there. Throws RangeError on fewer than three standing teeth. mm. O(n).
 */
export function standForRest(readings: readonly ToothReading[], teeth: number): readonly ToothReading[] {
  const statistics = lineStatistics(readings);
  if (!statistics) throw new RangeError('A sample needs three standing teeth at least.');
  const sound = standingTeeth(readings).filter((r) => r.kind === 'tooth');
  const n = sound.length;
  const meanX = sound.reduce((s, r) => s + r.xMm, 0) / n;
  const meanY = sound.reduce((s, r) => s + r.yMm, 0) / n;
  const across = sound.reduce((s, r) => s + (r.xMm - meanX) ** 2, 0);
  const tilt = across > 0 ? sound.reduce((s, r) => s + (r.xMm - meanX) * (r.yMm - meanY), 0) / across : 0;
  const last = readings[readings.length - 1] as ToothReading;
  const rest = Array.from({ length: Math.max(0, teeth - readings.length) }, (_, k): ToothReading => {
    const as = sound[k % n] as ToothReading;
    const xMm = last.xMm + (k + 1) * statistics.pitchMm;
    const off = as.yMm - meanY - tilt * (as.xMm - meanX);
    return { tooth: last.tooth + k + 1, xMm, yMm: meanY + tilt * (xMm - meanX) + off, kind: 'tooth', sample: true };
  });
  return [...readings, ...rest];
}
