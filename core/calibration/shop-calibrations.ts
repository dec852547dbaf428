import { STONING_PER_PASS_MM } from '../set/stoning';
import type { StrokeRate } from '../line/strokes';
import { UNCALIBRATED_STROKES } from '../line/strokes';
import type { Prior, ProportionalSums, RateFit } from './proportional-fit';
import { addReading, fitRate, NO_READINGS } from './proportional-fit';
import type { StraightSums } from './straight-fit';
import { addPair, fitStraight, NO_PAIRS, predict } from './straight-fit';

/** What is calibrated: strokes of a file, passes of a stone, the number on a set tool. */
export const CALIBRATIONS = ['strokes', 'stoning', 'set-tool'] as const;
export type Calibration = (typeof CALIBRATIONS)[number];

/** One measured deed: who, with which tool, how much of it, and what it did. mm. */
export interface CalibrationReading {
  readonly what: Calibration;
  readonly person: string;
  readonly tool: string;
  /** Strokes, passes, or the tool's number. */
  readonly amount: number;
  readonly didMm: number;
}

/** Before anybody has measured. Common practice, no source. */
const PRIOR: Record<'strokes' | 'stoning', Prior> = {
  strokes: { rate: UNCALIBRATED_STROKES.rateMmPerStroke, error: UNCALIBRATED_STROKES.errorMmPerStroke },
  stoning: { rate: STONING_PER_PASS_MM, error: STONING_PER_PASS_MM / 3 },
};

/** All calibrations of a shop, kept apart by person and tool: two hands with one file are two rates. */
export class ShopCalibrations {
  private readonly rates = new Map<string, ProportionalSums>();
  private readonly tools = new Map<string, StraightSums>();

  constructor(readings: readonly CalibrationReading[] = []) {
    readings.forEach((reading) => this.add(reading));
  }

  add({ what, person, tool, amount, didMm }: CalibrationReading): void {
    const key = keyOf(what, person, tool);
    if (what === 'set-tool') this.tools.set(key, addPair(this.tools.get(key) ?? NO_PAIRS, amount, didMm));
    else this.rates.set(key, addReading(this.rates.get(key) ?? NO_READINGS, amount, didMm));
  }

  /** Metal of a stroke or a pass, with its error. mm. */
  rate(what: 'strokes' | 'stoning', person: string, tool: string): RateFit {
    return fitRate(this.rates.get(keyOf(what, person, tool)) ?? NO_READINGS, PRIOR[what]);
  }

  /** The same in the form plans take. */
  strokeRate(person: string, tool: string): StrokeRate {
    const { rate, error, readings } = this.rate('strokes', person, tool);
    return { rateMmPerStroke: rate, errorMmPerStroke: error, readings };
  }

  /** Set a tool makes at a number, with its error; null before two readings at different numbers. mm. */
  setFrom(person: string, tool: string, number: number): { setMm: number; errorMm: number | null } | null {
    const sums = this.tools.get(keyOf('set-tool', person, tool)) ?? NO_PAIRS;
    const fit = fitStraight(sums);
    if (!fit) return null;
    const { value, error } = predict(sums, fit, number);
    return { setMm: value, errorMm: error };
  }

  /** The number to turn a tool to for a wanted set; null where readings do not tell. Always measured afterwards. */
  numberFor(person: string, tool: string, setMm: number): { number: number; errorMm: number | null } | null {
    const sums = this.tools.get(keyOf('set-tool', person, tool)) ?? NO_PAIRS;
    const fit = fitStraight(sums);
    if (!fit || Math.abs(fit.slope) < 1e-12) return null;
    const number = (setMm - fit.intercept) / fit.slope;
    return { number, errorMm: predict(sums, fit, number).error };
  }
}

/** No name can hold the sign between the parts. */
const keyOf = (what: Calibration, person: string, tool: string): string => [what, person, tool].join('\u0000');
