import * as z from 'zod';
import type { Learned } from '../learn/learned';
import type { StrokeRate } from '../line/strokes';
import { fitStrokeRate } from '../line/strokes';
import { STONING_PER_PASS_MM } from '../set/stoning';
import { bounded, counted, requiredText, text } from '../units/fields';
import type { RateFit } from './proportional-fit';
import { addReading, fitRate, NO_READINGS } from './proportional-fit';
import type { StraightSums } from './straight-fit';
import { addPair, fitStraight, NO_PAIRS, predict } from './straight-fit';

/** What is calibrated of a hand: strokes of a file, passes of a stone, the number on a set tool. */
export const CALIBRATIONS = ['strokes', 'stoning', 'set-tool'] as const;
export type Calibration = (typeof CALIBRATIONS)[number];

/** One measured deed: how much of it was done, with which tool, and what came of it. mm. */
export const calibrationReading = z.discriminatedUnion('what', [
  z.object({
    what: z.literal('strokes'),
    tool: text(60, 'The file'),
    amount: counted(1, 200, 'Strokes', 'strokes'),
    didMm: bounded(0.001, 5, 'The measured drop', 'mm'),
  }),
  z.object({
    what: z.literal('stoning'),
    tool: text(60, 'The stone'),
    amount: counted(1, 50, 'Passes', 'passes'),
    didMm: bounded(0.0005, 0.5, 'What came off the side', 'mm'),
  }),
  z.object({
    what: z.literal('set-tool'),
    tool: requiredText(60, 'The set tool’s name'),
    amount: bounded(-20, 40, 'The number on the set tool', ''),
    didMm: bounded(0.005, 1.5, 'The set it made', 'mm'),
  }),
]);
export type CalibrationReading = z.infer<typeof calibrationReading>;

/** A stone before anybody has measured: give or take a third. Common practice, no source. */
const STONE = { rate: STONING_PER_PASS_MM, error: STONING_PER_PASS_MM / 3 };
export const UNCALIBRATED_STONE = fitRate(NO_READINGS, STONE);

/** What one set tool does in one hand. */
export interface SetTool {
  readonly name: string;
  readonly readings: number;
  /** The number to turn it to for a wanted set; null where its readings do not tell yet. Always measured afterwards. */
  numberFor(setMm: number): { readonly number: number; readonly errorMm: number | null } | null;
  /** Set it makes at a number, mm; null before two readings at different numbers. */
  setAt(number: number): { readonly setMm: number; readonly errorMm: number | null } | null;
}

/** One person's hand, as far as it was measured: two hands with one tool are two. */
export interface Hand {
  /**
   * What a stroke of this file takes (geometry section 4: a rate is a file's in one hand): of the readings
   * with this file, of all where it was never measured. `null` asks after all files together.
   */
  strokeRateOf(file: string | null): StrokeRate;
  /** The files that were measured, by name. */
  readonly files: readonly string[];
  /** Off one side in a pass, mm. */
  readonly stoning: RateFit;
  /** By name, as they were first read. */
  readonly setTools: readonly SetTool[];
}

/** A person's hand from everything measured of it; what was never measured is as the shop's others do it, or as the trade's usual. O(readings). */
export function handOf(readings: readonly CalibrationReading[], shop?: Pick<Learned, 'strokes' | 'stone'>): Hand {
  const of = (what: Calibration): CalibrationReading[] => readings.filter((r) => r.what === what);
  const strokes = of('strokes');
  const rateOf = (these: readonly CalibrationReading[]): StrokeRate =>
    these.length === 0 && shop?.strokes
      ? { rateMmPerStroke: shop.strokes.rate, errorMmPerStroke: shop.strokes.error, readings: 0 }
      : fitStrokeRate(these.map((r) => ({ strokes: r.amount, dropMm: r.didMm })));
  const tools = new Map<string, StraightSums>();
  for (const { tool, amount, didMm } of of('set-tool'))
    tools.set(tool, addPair(tools.get(tool) ?? NO_PAIRS, amount, didMm));
  return {
    strokeRateOf: (file) => {
      const own = strokes.filter((r) => r.tool === file);
      return rateOf(own.length > 0 ? own : strokes);
    },
    files: [...new Set(strokes.map((r) => r.tool).filter((tool) => tool !== ''))],
    stoning: fitRate(
      of('stoning').reduce((sums, r) => addReading(sums, r.amount, r.didMm), NO_READINGS),
      shop?.stone ?? STONE,
    ),
    setTools: [...tools].map(([name, sums]) =>
      setTool(name, sums, of('set-tool').filter((r) => r.tool === name).length),
    ),
  };
}

/** A tool whose number changes its set by less than this is one whose number says nothing, mm a step. */
const LEAST_SLOPE_MM = 1e-6;

function setTool(name: string, sums: StraightSums, readings: number): SetTool {
  const fit = fitStraight(sums);
  return {
    name,
    readings,
    numberFor: (setMm) => {
      if (!fit || Math.abs(fit.slope) < LEAST_SLOPE_MM) return null;
      const number = (setMm - fit.intercept) / fit.slope;
      return { number, errorMm: predict(sums, fit, number).error };
    },
    setAt: (number) => {
      if (!fit) return null;
      const { value, error } = predict(sums, fit, number);
      return { setMm: value, errorMm: error };
    },
  };
}
