/** A straight line fitted to readings that come one at a time, such as a set tool's number against the set it made. */
export interface StraightSums {
  readonly readings: number;
  readonly meanX: number;
  readonly meanY: number;
  readonly sxx: number;
  readonly sxy: number;
  readonly syy: number;
}

export const NO_PAIRS: StraightSums = { readings: 0, meanX: 0, meanY: 0, sxx: 0, sxy: 0, syy: 0 };

/** Adds a pair by Welford's running means, which lose no digits (Welford 1962). */
export function addPair(sums: StraightSums, x: number, y: number): StraightSums {
  if (!Number.isFinite(x) || !Number.isFinite(y)) throw new RangeError('A reading needs two numbers.');
  const readings = sums.readings + 1;
  const [dx, dy] = [x - sums.meanX, y - sums.meanY];
  const meanX = sums.meanX + dx / readings;
  const meanY = sums.meanY + dy / readings;
  return {
    readings,
    meanX,
    meanY,
    sxx: sums.sxx + dx * (x - meanX),
    sxy: sums.sxy + dx * (y - meanY),
    syy: sums.syy + dy * (y - meanY),
  };
}

export interface StraightFit {
  readonly intercept: number;
  readonly slope: number;
  /** Scatter of a reading about the line; null below three readings. */
  readonly scatter: number | null;
  readonly readings: number;
}

/** Ordinary least squares; null until two readings at different places have come. */
export function fitStraight(sums: StraightSums): StraightFit | null {
  if (sums.readings < 2 || !(sums.sxx > 0)) return null;
  const slope = sums.sxy / sums.sxx;
  const left = Math.max(0, sums.syy - slope * sums.sxy);
  return {
    slope,
    intercept: sums.meanY - slope * sums.meanX,
    scatter: sums.readings < 3 ? null : Math.sqrt(left / (sums.readings - 2)),
    readings: sums.readings,
  };
}

/**
 * What the line says at x, and the standard error of a new reading there:
 * scatter sqrt(1 + 1/m + (x - mean)^2 / sxx) (Draper and Smith, from memory);
 * null below three readings.
 */
export function predict(sums: StraightSums, fit: StraightFit, x: number): { value: number; error: number | null } {
  const value = fit.intercept + fit.slope * x;
  if (fit.scatter === null) return { value, error: null };
  return { value, error: fit.scatter * Math.sqrt(1 + 1 / sums.readings + (x - sums.meanX) ** 2 / sums.sxx) };
}
