/** What the last marker says of the count, once it has come up again. */
export type CountCheck =
  | { readonly finds: 'as-foretold' }
  /** So many windows were passed over without being worked, or worked twice over. */
  | { readonly finds: 'skipped' | 'twice'; readonly windows: number; readonly offTeeth: number }
  /** No whole window: the band has another number of teeth than was counted. */
  | { readonly finds: 'miscounted'; readonly teeth: number; readonly offTeeth: number };

/** A window begun a tooth early or late each time it was moved: no source. */
const SLIP_A_WINDOW = 0.1;

/**
 * The last tooth to do, marked before the start, is foretold to come up as tooth n. Where it comes up at
 * another number, the place was lost once: early by about whole windows, they were moved past without
 * being worked; late by whole windows, they were worked twice; by less, the band was counted wrong.
 * Counts. RangeError on windows of no tooth. Example: 378 teeth in windows of 23, the marker at 355 -> one skipped.
 */
export function countCheck(teeth: number, each: number, cameUpAt: number): CountCheck {
  if (!(each >= 1)) throw new RangeError('A window holds a tooth at least.');
  const offTeeth = cameUpAt - teeth;
  if (offTeeth === 0) return { finds: 'as-foretold' };
  const windows = Math.round(offTeeth / each);
  const rest = Math.abs(offTeeth - windows * each);
  if (windows !== 0 && rest <= Math.max(1, SLIP_A_WINDOW * each))
    return { finds: windows < 0 ? 'skipped' : 'twice', windows: Math.abs(windows), offTeeth };
  return { finds: 'miscounted', teeth: cameUpAt, offTeeth };
}

/** The longest time away between two presses, where it stands out from the others. */
export interface Pause {
  /** Between this stop of the walk and the next. */
  readonly afterStop: number;
  readonly minutes: number;
}

/** A pause is one that is longer than so many of the usual. No source. */
const LONG_PAUSES = 4;
const LEAST_PAUSE_MINUTES = 5;

/**
 * Where the place was most likely lost: the longest time between two presses following each other, at
 * least five minutes and four times the median. Moments in ms, by stop. Null where nothing stands out. O(n log n).
 */
export function longestPause(pressed: readonly { readonly stop: number; readonly atMs: number }[]): Pause | null {
  const inTime = [...pressed].sort((a, b) => a.atMs - b.atMs);
  const gaps = inTime.slice(1).map((p, i) => ({
    afterStop: inTime[i]?.stop ?? 0,
    minutes: (p.atMs - (inTime[i]?.atMs ?? 0)) / 60_000,
  }));
  const sorted = gaps.map((g) => g.minutes).sort((a, b) => a - b);
  const median = sorted[Math.floor(sorted.length / 2)] ?? 0;
  const longest = gaps.reduce<Pause | null>((most, g) => (g.minutes > (most?.minutes ?? 0) ? g : most), null);
  return longest && longest.minutes >= Math.max(LEAST_PAUSE_MINUTES, LONG_PAUSES * median) ? longest : null;
}
