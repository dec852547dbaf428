import { mean, median, quantileSorted, sampleStandardDeviation } from 'simple-statistics';
import type { BandFrame } from './band-frames';
import { BANDS, FRAME_S } from './band-frames';
import { bandGain, bandWeights, toDb } from './band-gain';
import type { FilerEar, Spread } from './filer-ear';
import { movesAreHeard } from './filer-ear';
import type { Burst } from './find-bursts';
import { burstsOf } from './find-bursts';
import { lengthS, movesAfter, SCRAP_SHARE, separatePushes } from './separate-pushes';

/** Why nothing could be learned. */
export const UNLEARNED = ['silence', 'too-few', 'not-as-many', 'as-loud', 'uneven', 'no-pauses'] as const;
export type Learned =
  | { readonly ok: true; readonly ear: FilerEar; readonly strokes: readonly Burst[] }
  | { readonly ok: false; readonly code: (typeof UNLEARNED)[number]; readonly heard: number };

/** Gullets whose strokes are told before the ear goes by itself. */
export const LEARNS_FROM = 4;
/** Pushes stand clear of what is none over a range of thresholds so wide. dB */
const STANDS_DB = 1.5;
/** The gain of so many frames together. */
const SMOOTH = 2;
/** Before anybody was heard: spreads of lengths and pauses of a usual hand, and what they count for, in readings. Judgement, no source. */
const USUAL = { pushS: 0.15, restS: 0.13, moveS: 0.17, levelDb: 2, counts: 3 };

/** A file drawn back begins so soon after its push; what else is as long as a push must be so much quieter. */
const BACK_WITHIN_S = 0.3;
const ELSE_UNDER_DB = 9;

/** Pushes of one hand differ by less. Judgement, no source. */
const UNEVEN = { length: 0.22, levelDb: 3.5 };

/** Gains of frames as levels, dB, over a few frames together. */
export function levelsOf(
  frames: readonly BandFrame[],
  floor: ArrayLike<number>,
  profile: ArrayLike<number>,
  lines: readonly number[],
): Float32Array {
  const weights = bandWeights(lines);
  const gains = Float32Array.from(frames, ({ powers }) => bandGain(powers, floor, profile, weights));
  return gains.map((_, i) => {
    const [from, to] = [Math.max(0, i - SMOOTH), Math.min(gains.length, i + SMOOTH + 1)];
    let sum = 0;
    for (let k = from; k < to; k++) sum += gains[k] as number;
    return toDb(sum / (to - from));
  });
}

const spreadOf = (values: readonly number[], usual: number, fallback: number): Spread => {
  if (values.length === 0) return { middle: fallback, spread: usual };
  const logs = values.map(Math.log);
  const middle = median(logs);
  const square = logs.reduce((sum, v) => sum + (v - middle) ** 2, 0);
  return {
    middle: Math.exp(middle),
    spread: Math.sqrt((USUAL.counts * usual ** 2 + square) / (USUAL.counts + Math.max(0, values.length - 1))),
  };
};

/**
 * Learn how a filer's strokes sound from a stretch in which so many were made in gullet after gullet. A threshold is
 * looked for at which just so many bursts stand, grouped by their pauses just so; it must hold over a range of
 * loudness, so that what is a little quieter (a file drawn back) is clearly no push.
 */
export function learnEar(frames: readonly BandFrame[], lines: readonly number[], strokes: readonly number[]): Learned {
  const no = (code: (typeof UNLEARNED)[number], heard = 0): Learned => ({ ok: false, code, heard });
  const wanted = strokes.reduce((sum, n) => sum + n, 0);
  if (strokes.length < 2 || wanted < 3) return no('too-few');
  if (frames.every(({ peak }) => peak < 1e-4)) return no('silence');
  const floor = Array.from({ length: BANDS }, (_, b) =>
    quantileSorted(
      frames.map(({ powers }) => powers[b] as number).sort((x, y) => x - y),
      0.2,
    ),
  );
  // First by a sound that is alike in every band; then once more by what that found.
  let profile: readonly number[] = Array.from({ length: BANDS }, () => 1);
  let levels: Float32Array = new Float32Array();
  let separated = separatePushes(levels, strokes);
  for (let round = 0; round < 2; round++) {
    levels = levelsOf(frames, floor, profile, lines);
    separated = separatePushes(levels, strokes);
    const { pushes } = separated;
    if (!pushes) return no('not-as-many', separated.nearest);
    const raw = Array.from({ length: BANDS }, (_, b) => {
      const own = pushes.flatMap(({ from, to }) => frames.slice(from, to).map(({ powers }) => powers[b] as number));
      return Math.max(0, median(own) - (floor[b] as number));
    });
    const middle = mean(raw);
    if (!(middle > 0)) return no('as-loud', pushes.length);
    profile = raw.map((power) => Math.max(power / middle, 0.02));
  }
  const { pushes, standsDb } = separated;
  if (!pushes || standsDb < STANDS_DB) return no('as-loud', wanted);
  const pauses = pushes.slice(1).map((b, i) => (b.from - (pushes[i] as Burst).to) * FRAME_S);
  const ends = movesAfter(strokes);
  const levelOf = (b: Burst): number => {
    let sum = 0;
    for (let i = b.from; i < b.to; i++) sum += 10 ** ((levels[i] as number) / 10);
    return toDb(sum / (b.to - b.from));
  };
  const own = pushes.map(levelOf);
  const levelDb = median(own);
  const others = burstsOf(levels, levelDb - 25).filter(
    (b) => lengthS(b) >= 0.08 && !pushes.some((p) => p.from < b.to && b.from < p.to),
  );
  // A file drawn back follows its push at once; what sounds like a push at any other time is somebody else's.
  const follows = (b: Burst): boolean =>
    pushes.some((p) => b.from >= p.to && (b.from - p.to) * FRAME_S < BACK_WITHIN_S);
  const pushLengthS = median(pushes.map(lengthS));
  if (others.some((b) => lengthS(b) > SCRAP_SHARE * pushLengthS && levelOf(b) > levelDb - ELSE_UNDER_DB && !follows(b)))
    return no('as-loud', wanted);
  const pushS = spreadOf(pushes.map(lengthS), USUAL.pushS, 0);
  // One hand's strokes are alike.
  const alike = pushS.spread < UNEVEN.length && sampleStandardDeviation(own) < UNEVEN.levelDb;
  if (!alike) return no('uneven', wanted);
  const restS = spreadOf(
    pauses.filter((_, i) => !ends.has(i)),
    USUAL.restS,
    pushS.middle,
  );
  const moveS = spreadOf(
    pauses.filter((_, i) => ends.has(i)),
    USUAL.moveS,
    3 * restS.middle,
  );
  const squares = own.reduce((sum, db) => sum + (db - levelDb) ** 2, 0);
  const ear: FilerEar = {
    profile,
    levelDb: {
      middle: levelDb,
      spread: Math.sqrt((USUAL.counts * USUAL.levelDb ** 2 + squares) / (USUAL.counts + own.length - 1)),
    },
    backDb: others.length === 0 ? null : Math.max(...others.map(levelOf)),
    ...{ pushS, restS, moveS },
  };
  return movesAreHeard(ear) ? { ok: true, ear, strokes: pushes } : no('no-pauses', wanted);
}
