import type { Reason } from '../reason/reason';
import { because, COMMON_PRACTICE, input } from '../reason/reason';
import type { Family } from '../saw/all-families';
import type { PlateMarkKind } from '../saw/plate-marks';

/** A piece of the work as the counter reckons it, minutes. */
export interface WorkPart {
  readonly what: string;
  readonly low: number;
  readonly high: number;
}

/** How a filer's own minutes stand to the reckoned ones, and how sure that is. */
export interface Pace {
  readonly factor: number;
  /** Standard error of the factor. */
  readonly error: number;
  /** Past saws it comes from; 0 before there is one. */
  readonly saws: number;
}

/** Before a filer has a past, the reckoned minutes stand, give or take a fifth. No source. */
export const NO_PACE: Pace = { factor: 1, error: 0.2, saws: 0 };

/** What the counter knows of the work, before anything is measured. */
export interface ReckonedSaw {
  readonly family: Family;
  readonly teeth: number;
  readonly rakers: number;
  readonly parts: number;
  readonly marks: readonly PlateMarkKind[];
  /** Null while it is not known which: the range then runs from the one to the other. */
  readonly work: 'sharpen' | 'tune' | null;
}

export interface ReckonedWork {
  readonly parts: readonly WorkPart[];
  readonly lowMinutes: number;
  readonly highMinutes: number;
  readonly reason: Reason;
}

interface Times {
  /** Clamping, turning, looking, minutes. */
  readonly ready: number;
  readonly sharpenSeconds: number;
  readonly tuneMinutes: number;
  readonly tuneSeconds: number;
}

/**
 * Minutes and seconds a tooth. Hand and back saws so that the trade's own times
 * come out (trade section 4: a 15-point back saw five to seven minutes, a long
 * neglected crosscut an hour for its teeth); the others by the same reckoning
 * from strokes, edges and turns. Common practice where it says so, else judgement, no source.
 */
const TIMES: Record<Family, Times> = {
  hand: { ready: 5, sharpenSeconds: 1.8, tuneMinutes: 20, tuneSeconds: 5 },
  back: { ready: 5, sharpenSeconds: 1.8, tuneMinutes: 20, tuneSeconds: 5 },
  pull: { ready: 6, sharpenSeconds: 3, tuneMinutes: 15, tuneSeconds: 9 },
  crosscut: { ready: 10, sharpenSeconds: 12, tuneMinutes: 20, tuneSeconds: 15 },
  band: { ready: 12, sharpenSeconds: 2.4, tuneMinutes: 4, tuneSeconds: 2 },
  circular: { ready: 8, sharpenSeconds: 9, tuneMinutes: 15, tuneSeconds: 8 },
  dado: { ready: 8, sharpenSeconds: 9, tuneMinutes: 15, tuneSeconds: 8 },
};
/** A raker is fitted, gulleted and measured: so much more than a cutter. Seconds, no source. */
const RAKER_SECONDS = 20;
/** Every part of a set is taken off, held and read on its own. Minutes, no source. */
const PART_MINUTES = 4;
/** Minutes for what is found on the plate, from the least to the most (trade sections 2 and 4: rust up to an hour, a bend minutes). */
const FOUND: Partial<Record<PlateMarkKind, readonly [number, number, string]>> = {
  rust: [15, 60, 'rust off'],
  pitting: [5, 15, 'pits at the line'],
  bend: [3, 10, 'bend back'],
  kink: [15, 40, 'kink'],
  twist: [10, 30, 'twist'],
  'bent-back': [10, 30, 'back'],
  'wavy-line': [5, 15, 'plate re-seated'],
  'loose-handle': [3, 10, 'handle'],
  frame: [10, 30, 'frame and pins'],
  burn: [5, 10, 'burnt teeth tried with a file'],
  'missing-teeth': [5, 20, 'missing teeth'],
  'short-teeth': [3, 10, 'short teeth'],
};

/**
 * Bench minutes before anything is measured: low to high while things are
 * unknown, at the filer's own pace. A kind of damage counts once however often it is marked.
 */
export function reckonWork(facts: ReckonedSaw, pace: Pace = NO_PACE): ReckonedWork {
  if (!(facts.teeth >= 0 && pace.factor > 0))
    throw new RangeError('Teeth are counted from none, and a pace is above zero.');
  const times = TIMES[facts.family];
  const sets = Math.max(1, facts.parts) - 1;
  const sharpen =
    times.ready + sets * PART_MINUTES + (facts.teeth * times.sharpenSeconds + facts.rakers * RAKER_SECONDS) / 60;
  const tune = times.tuneMinutes + (facts.teeth * times.tuneSeconds) / 60;
  const found = [...new Set(facts.marks)].flatMap((kind) => {
    const time = FOUND[kind];
    return time ? [{ what: time[2], low: time[0], high: time[1] }] : [];
  });
  const parts: WorkPart[] = [
    { what: 'sharpening', low: sharpen, high: sharpen },
    ...(facts.work === 'sharpen'
      ? []
      : [{ what: 'the rest of a full tune', low: facts.work === 'tune' ? tune : 0, high: tune }]),
    ...found,
  ];
  const sum = (of: 'low' | 'high'): number => parts.reduce((all, part) => all + part[of], 0);
  const lowMinutes = sum('low') * Math.max(0.25 * pace.factor, pace.factor - pace.error);
  const highMinutes = sum('high') * (pace.factor + pace.error);
  return {
    parts,
    lowMinutes,
    highMinutes,
    reason: because(
      'Bench time',
      '(parts of the work, least to most) × the filer’s own pace, give or take its error',
      [
        input('teeth', facts.teeth, 'count'),
        ...parts.flatMap((part) =>
          part.low === part.high
            ? [input(part.what, part.low, 'minutes')]
            : [input(`${part.what}, least`, part.low, 'minutes'), input(`${part.what}, most`, part.high, 'minutes')],
        ),
        input('own pace', pace.factor, 'share'),
        input('its error', pace.error, 'share'),
        input('past saws it comes from', pace.saws, 'count'),
      ],
      COMMON_PRACTICE,
      facts.work === null
        ? 'Look along the line: knowing whether it is a sharpening or a tune halves the range.'
        : undefined,
    ),
  };
}
