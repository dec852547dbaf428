import { median } from 'simple-statistics';
import { FRAME_S } from './band-frames';
import { NOTHING_DB } from './band-gain';
import type { Burst } from './find-bursts';
import { burstsOf } from './find-bursts';

/** A push is no shorter than this, nor longer. s */
const PUSH_S = { least: 0.12, most: 2.5 };
/** Beside the pushes of so long a burst of this share of their length is a voice's hiss or a click. */
export const SCRAP_SHARE = 0.55;
/** Loudness is looked at in steps of so much, from the loudest down so far. dB */
const STEP_DB = 0.5;
const DOWN_DB = 30;

export const lengthS = ({ from, to }: Burst): number => (to - from) * FRAME_S;

/** Those that may be pushes: of a push's length, and none much shorter than the longest of as many as were made. */
function likePushes(bursts: readonly Burst[], wanted: number): Burst[] {
  const usable = bursts.filter((b) => lengthS(b) >= PUSH_S.least && lengthS(b) <= PUSH_S.most);
  if (usable.length <= wanted) return usable;
  const longest = usable
    .map(lengthS)
    .sort((a, b) => b - a)
    .slice(0, wanted);
  return usable.filter((b) => lengthS(b) > SCRAP_SHARE * median(longest));
}

/** After which pushes, counted from 0, the file moves on to the next gullet. */
export function movesAfter(strokes: readonly number[]): ReadonlySet<number> {
  const ends = new Set<number>();
  let at = -1;
  for (const n of strokes.slice(0, -1)) ends.add((at += n));
  return ends;
}

/** Whether, cut into groups at the longest pauses, the groups are as many strokes each as they were to be. */
function grouped(bursts: readonly Burst[], strokes: readonly number[]): boolean {
  if (bursts.length !== strokes.reduce((sum, n) => sum + n, 0)) return false;
  const pauses = bursts.slice(1).map((b, i) => b.from - (bursts[i] as Burst).to);
  const ends = movesAfter(strokes);
  const moves = pauses.filter((_, i) => ends.has(i));
  const rests = pauses.filter((_, i) => !ends.has(i));
  return Math.min(Infinity, ...moves) > Math.max(0, ...rests);
}

export interface Separated {
  /** The pushes at the middle of the loudest range that gives them; null where none does. */
  readonly pushes: readonly Burst[] | null;
  /** How far that range reaches, dB. */
  readonly standsDb: number;
  /** As near to the number wanted as any threshold came. */
  readonly nearest: number;
}

/** Looks for a threshold at which just so many bursts stand, grouped by their pauses just so, over the widest range. */
export function separatePushes(levels: ArrayLike<number>, strokes: readonly number[]): Separated {
  const wanted = strokes.reduce((sum, n) => sum + n, 0);
  let loudest = NOTHING_DB;
  for (let i = 0; i < levels.length; i++) loudest = Math.max(loudest, levels[i] as number);
  let [nearest, from, best] = [0, NaN, { from: NaN, to: NaN, standsDb: -1 }];
  for (let over = loudest - 1; over > loudest - DOWN_DB; over -= STEP_DB) {
    const bursts = likePushes(burstsOf(levels, over), wanted);
    if (Math.abs(bursts.length - wanted) < Math.abs(nearest - wanted)) nearest = bursts.length;
    if (!grouped(bursts, strokes)) from = NaN;
    else {
      if (Number.isNaN(from)) from = over;
      if (from - over > best.standsDb) best = { from, to: over, standsDb: from - over };
    }
  }
  if (best.standsDb < 0) return { pushes: null, standsDb: 0, nearest };
  return { pushes: likePushes(burstsOf(levels, (best.from + best.to) / 2), wanted), standsDb: best.standsDb, nearest };
}
