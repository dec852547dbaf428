import type { ToothReading } from './tooth-reading';

/** What can be wrong with a line of readings, tooth by tooth. `stop` faults forbid a plan. */
export type ReadingFaultCode =
  | 'tooth-repeated'
  | 'tooth-skipped'
  | 'place-not-rising'
  | 'place-jump'
  | 'height-jump'
  | 'set-over-half-plate'
  | 'not-finite';

export interface ReadingFault {
  readonly code: ReadingFaultCode;
  readonly tooth: number;
  /** `stop`: no plan can be made; `look`: probably a slip, the person decides. */
  readonly weight: 'stop' | 'look';
  readonly value: number;
  /** What the value was compared with. */
  readonly against: number;
}

/** A neighbour spacing off by more than this share of the pitch looks like a slip. No source. */
const PLACE_JUMP_SHARE = 0.45;
/** A height differing from both neighbours by more than this share of the pitch looks like a slip. */
const HEIGHT_JUMP_SHARE = 0.35;

/**
 * Slips in keyed readings, shown at once and never dropped. O(n).
 * `pitchMm` and `plateThicknessMm` are the saw's, `placeOf` a tooth's place in pitches where they
 * change along the line; readings are heel first.
 */
export function findReadingFaults(
  readings: readonly ToothReading[],
  pitchMm: number,
  plateThicknessMm: number,
  placeOf: (tooth: number) => number = (tooth) => tooth,
): ReadingFault[] {
  const faults: ReadingFault[] = [];
  // The last tooth whose height was believed: a slip must not throw doubt on the tooth after it.
  let believed: ToothReading | undefined;
  const note = (code: ReadingFaultCode, r: ToothReading, weight: 'stop' | 'look', value: number, against: number) =>
    faults.push({ code, tooth: r.tooth, weight, value, against });
  readings.forEach((reading, index) => {
    const before = readings[index - 1];
    const after = readings[index + 1];
    const ownPitchMm = pitchMm * (placeOf(reading.tooth) - placeOf(reading.tooth - 1));
    if (!Number.isFinite(reading.xMm) || !Number.isFinite(reading.yMm)) {
      note('not-finite', reading, 'stop', NaN, 0);
      return;
    }
    if (before) {
      if (reading.tooth === before.tooth) note('tooth-repeated', reading, 'stop', reading.tooth, before.tooth);
      else if (reading.tooth !== before.tooth + 1) note('tooth-skipped', reading, 'stop', reading.tooth, before.tooth);
      const step = reading.xMm - before.xMm;
      if (step <= 0) note('place-not-rising', reading, 'stop', reading.xMm, before.xMm);
      else if (Math.abs(step - ownPitchMm) > PLACE_JUMP_SHARE * ownPitchMm)
        note('place-jump', reading, 'look', step, ownPitchMm);
    }
    const set = reading.setMm ?? 0;
    if (Math.abs(set) > plateThicknessMm / 2) {
      note('set-over-half-plate', reading, 'look', set, plateThicknessMm / 2);
    }
    if (reading.kind !== 'tooth') return;
    const near = [believed, after?.kind === 'tooth' ? after : undefined].filter((r) => r !== undefined);
    const least = Math.min(...near.map((r) => Math.abs(reading.yMm - r.yMm)));
    if (near.length > 0 && least > HEIGHT_JUMP_SHARE * ownPitchMm) {
      note('height-jump', reading, 'look', least, HEIGHT_JUMP_SHARE * ownPitchMm);
    } else believed = reading;
  });
  return faults;
}
