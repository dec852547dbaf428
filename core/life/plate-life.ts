import { SHARPENING_MM } from './sharpening-metal';

/** A visit as life is counted from: when, and how far the line went down. Days are whole days of any one calendar count. */
export interface PastVisit {
  readonly day: number;
  readonly lineDownMm: number;
  readonly work: 'sharpen' | 'tune';
}

export interface MetalPerVisit {
  readonly meanMm: number;
  /** Standard error of the mean; null with fewer than two visits. */
  readonly errorMm: number | null;
  readonly visits: number;
}

/** Metal of an ordinary sharpening from this saw's own history; the trade's 0.05 mm before there is one. mm. */
export function metalPerSharpening(visits: readonly PastVisit[]): MetalPerVisit {
  const own = visits.filter((v) => v.work === 'sharpen').map((v) => v.lineDownMm);
  if (own.length === 0) return { meanMm: SHARPENING_MM, errorMm: null, visits: 0 };
  const meanMm = own.reduce((s, v) => s + v, 0) / own.length;
  if (own.length === 1) return { meanMm, errorMm: null, visits: 1 };
  const squares = own.reduce((s, v) => s + (v - meanMm) ** 2, 0);
  return { meanMm, errorMm: Math.sqrt(squares / (own.length - 1) / own.length), visits: own.length };
}

/**
 * Sharpenings left in a plate: what may still go over the metal of one, and at two standard
 * errors more and less of it; alike where the error is not known. mm. Never negative.
 */
export function sharpeningsLeft(
  plateDepthMm: number,
  leastDepthMm: number,
  metal: MetalPerVisit,
): { readonly likely: number; readonly least: number; readonly most: number } {
  const room = Math.max(0, plateDepthMm - leastDepthMm);
  const of = (perMm: number): number => Math.floor(room / perMm + 1e-9);
  if (!(metal.meanMm > 0)) throw new RangeError('A sharpening must take some metal.');
  const error = 2 * (metal.errorMm ?? 0);
  // Half the mean at least: a history that scatters wildly does not make a plate last for ever.
  return {
    likely: of(metal.meanMm),
    least: of(metal.meanMm + error),
    most: of(Math.max(metal.meanMm / 2, metal.meanMm - error)),
  };
}

export interface NextDay {
  readonly likely: number;
  readonly from: number;
  readonly to: number;
  /** Whether the saw's own visits say it or the trade's table. */
  readonly by: 'history' | 'table';
}

/** Days in a month, taken over the year. */
const MONTH_DAYS = 365.25 / 12;

/**
 * Day of the next sharpening: the last visit and the median gap between this
 * saw's visits, give or take their quartiles; before three visits the trade's
 * months for its kind and use. Days in the visits' own count.
 */
export function nextSharpeningDay(
  visits: readonly PastVisit[],
  today: number,
  tableMonths: readonly [number, number],
): NextDay {
  const days = visits.map((v) => v.day).sort((a, b) => a - b);
  const gaps = days
    .slice(1)
    .map((d, i) => d - (days[i] as number))
    .filter((g) => g > 0)
    .sort((a, b) => a - b);
  const last = days[days.length - 1] ?? today;
  if (gaps.length < 2) {
    const [from, to] = tableMonths.map((m) => Math.round(last + m * MONTH_DAYS)) as [number, number];
    return { likely: Math.round((from + to) / 2), from, to, by: 'table' };
  }
  const at = (share: number): number => gaps[Math.min(gaps.length - 1, Math.floor(share * gaps.length))] as number;
  return { likely: last + at(0.5), from: last + at(0.25), to: last + at(0.75), by: 'history' };
}

export interface CostPerYear {
  readonly sharpening: number;
  readonly replacing: number;
  readonly cheaper: 'sharpening' | 'replacing' | 'alike';
}

/** A difference within this share is no difference. */
const ALIKE_SHARE = 0.1;
/** A hardened pull saw outlasts a soft saw's edge by about six to one (trade section 2). Common practice, no source. */
export const HARDENED_EDGE_TIMES = 6;

/**
 * What keeping a saw sharp costs a year against replacing it: price over
 * years between sharpenings, against price over years a new one lasts as it is.
 * Money a year. Throws RangeError on times not above zero.
 */
export function costPerYear(
  sharpeningPrice: number,
  yearsBetween: number,
  replacementPrice: number,
  yearsReplacementLasts: number,
): CostPerYear {
  if (!(yearsBetween > 0 && yearsReplacementLasts > 0)) throw new RangeError('Both must last some time.');
  const [sharpening, replacing] = [sharpeningPrice / yearsBetween, replacementPrice / yearsReplacementLasts];
  const alike = Math.abs(sharpening - replacing) <= ALIKE_SHARE * Math.max(sharpening, replacing);
  return { sharpening, replacing, cheaper: alike ? 'alike' : sharpening < replacing ? 'sharpening' : 'replacing' };
}
