import { goldenStep } from './sample-step';

/** What the samples so far say of the mean over all places. */
export interface SampleEstimate {
  readonly count: number;
  readonly of: number;
  readonly meanMm: number;
  /** Standard error of the mean with the finite population's correction; infinite below two samples. mm. */
  readonly errorMm: number;
  readonly spreadMm: number;
}

/**
 * Order in which to measure when nobody will measure all: places spread evenly over
 * the line at every length of the list, by a step prime to their number near its
 * golden section, so that whoever stops early has still been everywhere (a
 * low-discrepancy sequence; Kronecker, from memory). `places` in, the same places out.
 */
export function sampleOrder(places: readonly number[]): number[] {
  const n = places.length;
  if (n < 3) return [...places];
  const step = goldenStep(n);
  return Array.from({ length: n }, (_, i) => places[(i * step) % n] as number);
}

/**
 * Mean of the samples and its standard error: s / sqrt n times sqrt((N - n) / N)
 * for n out of N (Cochran, Sampling Techniques, from memory: simple random sampling
 * without replacement). An evenly spread sample of a line that drifts errs less.
 * mm. Throws RangeError for more samples than places.
 * Example: 0.10, 0.12, 0.14 out of 100 -> 0.12 with an error of 0.0114.
 */
export function sampleEstimate(values: readonly number[], of: number): SampleEstimate {
  const count = values.length;
  if (count > of) throw new RangeError('There are not so many places to sample.');
  const meanMm = count === 0 ? 0 : values.reduce((s, v) => s + v, 0) / count;
  const variance = count < 2 ? Infinity : values.reduce((s, v) => s + (v - meanMm) ** 2, 0) / (count - 1);
  return {
    count,
    of,
    meanMm,
    spreadMm: count < 2 ? 0 : Math.sqrt(variance),
    errorMm: count < 2 ? Infinity : Math.sqrt((variance / count) * ((of - count) / of)),
  };
}

/** Whether to go on, and how many more it may take. */
export interface SampleAdvice {
  readonly enough: boolean;
  /** The mean lies over or under the limit for sure; null while it may be either. */
  readonly side: 'over' | 'under' | null;
  /** Samples in all after which it would be decided if nothing changes; null when it cannot be said yet. */
  readonly wanted: number | null;
}

/** Fewest samples before any decision, and how many errors clear of the limit is sure (about one in a hundred wrong). */
export const FEWEST_SAMPLES = 6;
export const SURE_ERRORS = 2.6;

/**
 * Stop when the decision no longer depends on it: the mean stands clear of the
 * limit that decides by so many of its errors, every reading's own error counted
 * in. Otherwise n grows until (mean - limit)^2 = z^2 (s^2 / n)(1 - n / N), so
 * n = z^2 s^2 / ((mean - limit)^2 + z^2 s^2 / N). mm.
 */
export function sampleAdvice(estimate: SampleEstimate, limitMm: number, gaugeErrorMm: number): SampleAdvice {
  const { count, of, meanMm, errorMm, spreadMm } = estimate;
  const off = meanMm - limitMm;
  const error = Math.hypot(errorMm, count > 0 ? gaugeErrorMm / Math.sqrt(count) : Infinity);
  const side = off > 0 ? 'over' : 'under';
  if (count >= of) return { enough: true, side, wanted: count };
  if (count < FEWEST_SAMPLES) return { enough: false, side: null, wanted: null };
  if (Math.abs(off) > SURE_ERRORS * error) return { enough: true, side, wanted: count };
  const z2s2 = (SURE_ERRORS * Math.hypot(spreadMm, gaugeErrorMm)) ** 2;
  const wanted = off === 0 ? of : Math.min(of, Math.ceil(z2s2 / (off * off + z2s2 / of)));
  return { enough: false, side: null, wanted: Math.max(count + 1, wanted) };
}
