import { addReading, fitRate, NO_READINGS } from '../calibration/proportional-fit';

/** Metal a stroke takes, fitted from counted strokes and measured drops (geometry section 4). */
export interface StrokeRate {
  readonly rateMmPerStroke: number;
  /** Standard error of the rate, mm per stroke. */
  readonly errorMmPerStroke: number;
  readonly readings: number;
}

/**
 * Before anybody has measured: two strokes a gullet take about 0.05 mm in an
 * ordinary sharpening (trade section 4, geometry section 6), give or take a third.
 * Common practice, no source.
 */
export const UNCALIBRATED_STROKES: StrokeRate = { rateMmPerStroke: 0.025, errorMmPerStroke: 0.004, readings: 0 };

/** The upper end of the rate is this many standard errors above it. */
export const UPPER_END_ERRORS = 2;

export interface StrokeOrder {
  readonly strokes: number;
  /** What is left to go at the expected rate, mm: re-measured, never guessed. */
  readonly leftMm: number;
}

/**
 * Strokes that cannot overshoot: the whole number that stays within the drop
 * even at the upper end of the calibrated rate. Metal cannot be put back.
 * Example: drop 0.2, rate 0.025 +- 0.004 -> floor(0.2 / 0.033) = 6 strokes.
 */
export function strokesFor(dropMm: number, rate: StrokeRate): StrokeOrder {
  if (!(rate.rateMmPerStroke > 0)) throw new RangeError('A stroke must take some metal.');
  const upper = rate.rateMmPerStroke + UPPER_END_ERRORS * rate.errorMmPerStroke;
  const strokes = Math.max(0, Math.floor(dropMm / upper + 1e-9));
  return { strokes, leftMm: Math.max(0, dropMm - strokes * rate.rateMmPerStroke) };
}

export interface StrokeReading {
  readonly strokes: number;
  readonly dropMm: number;
}

/** A filer's rate from all their readings at once; those of nothing counted or nothing taken are passed over. */
export function fitStrokeRate(readings: readonly StrokeReading[]): StrokeRate {
  const { rateMmPerStroke, errorMmPerStroke } = UNCALIBRATED_STROKES;
  const sums = readings
    .filter((r) => r.strokes > 0 && r.dropMm > 0)
    .reduce((all, r) => addReading(all, r.strokes, r.dropMm), NO_READINGS);
  if (sums.readings === 0) return UNCALIBRATED_STROKES;
  const fit = fitRate(sums, { rate: rateMmPerStroke, error: errorMmPerStroke });
  return { rateMmPerStroke: fit.rate, errorMmPerStroke: fit.error, readings: fit.readings };
}
