/**
 * A rate fitted through the origin from readings that come one at a time: metal
 * over strokes, metal over stoning passes. Only sums are kept, so a reading is
 * added in no time and the fit never has to be done again.
 */
export interface ProportionalSums {
  readonly readings: number;
  readonly sumXX: number;
  readonly sumXY: number;
  readonly sumYY: number;
}

export interface RateFit {
  readonly rate: number;
  /** Standard error of the rate. */
  readonly error: number;
  /** Scatter of a single reading about the line, in the reading's own unit. */
  readonly scatter: number;
  readonly readings: number;
}

export const NO_READINGS: ProportionalSums = { readings: 0, sumXX: 0, sumXY: 0, sumYY: 0 };

/** A counted number and what it did. Throws RangeError on a count not above zero or a measure not finite. */
export function addReading(sums: ProportionalSums, count: number, measured: number): ProportionalSums {
  if (!(count > 0) || !Number.isFinite(count)) throw new RangeError('A reading needs a count above zero.');
  if (!Number.isFinite(measured)) throw new RangeError('A reading needs a measure.');
  return {
    readings: sums.readings + 1,
    sumXX: sums.sumXX + count * count,
    sumXY: sums.sumXY + count * measured,
    sumYY: sums.sumYY + measured * measured,
  };
}

/** What is believed before anybody has measured: a rate, and how far it may be off. */
export interface Prior {
  readonly rate: number;
  readonly error: number;
}

/**
 * Rate = sum(xy) / sum(xx), error = scatter / sqrt(sum(xx)), scatter squared =
 * (sum(yy) - rate sum(xy)) / (m - 1) (Draper and Smith, Applied Regression
 * Analysis, from memory). With no reading the prior; with one its relative error
 * is kept, as one reading tells nothing of scatter. RangeError on a prior rate not above zero.
 */
export function fitRate(sums: ProportionalSums, prior: Prior): RateFit {
  if (!(prior.rate > 0)) throw new RangeError('The usual rate must be above zero.');
  const m = sums.readings;
  if (m === 0) return { rate: prior.rate, error: prior.error, scatter: 0, readings: 0 };
  const rate = sums.sumXY / sums.sumXX;
  if (m === 1) return { rate, error: Math.abs(rate) * (prior.error / prior.rate), scatter: 0, readings: 1 };
  const scatter = Math.sqrt(Math.max(0, sums.sumYY - rate * sums.sumXY) / (m - 1));
  return { rate, error: scatter / Math.sqrt(sums.sumXX), scatter, readings: m };
}
