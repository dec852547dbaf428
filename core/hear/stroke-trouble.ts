import type { BandFrame } from './band-frames';
import { BANDS } from './band-frames';

/** What a file says when something is wrong. */
export const TROUBLES = ['screech', 'chatter', 'skate'] as const;
export type Trouble = (typeof TROUBLES)[number];

/** A line that stands so far over its band for so much of a push, at one pitch, is a screech. dB. Judgement, no source. */
const SCREECH = { lineDb: 12, share: 0.6, apart: 0.06 };
/** A push that swells and dies so much from hundredth to hundredth chatters: standard deviation, dB. Judgement, no source. */
const CHATTER_DB = 4.5;
/** On hard steel a file hisses high and bites not at all: the upper bands so near a push's own, the lower so far under the upper. dB. Judgement, no source. */
const SKATE = { upperUnderDb: 10, lowerUnderDb: 9 };
const UPPER_FROM = BANDS - 4;
const LOWER_TO = BANDS / 2;
/** Its ends swell and die by themselves. Frames. */
const ENDS = 5;

/** What was wrong in the frames of a push. */
export function troubleIn(
  frames: readonly Pick<BandFrame, 'lineDb' | 'lineHz'>[],
  gainsDb: readonly number[],
): Trouble | null {
  const lines = frames.filter(({ lineDb }) => lineDb > SCREECH.lineDb).map(({ lineHz }) => lineHz);
  if (lines.length > SCREECH.share * frames.length) {
    const middle = [...lines].sort((a, b) => a - b)[Math.floor(lines.length / 2)] as number;
    const near = lines.filter((hz) => Math.abs(hz / middle - 1) < SCREECH.apart);
    if (near.length > SCREECH.share * frames.length) return 'screech';
  }
  const core = gainsDb.slice(ENDS, -ENDS);
  if (core.length < 8) return null;
  const mean = core.reduce((sum, db) => sum + db, 0) / core.length;
  const spread = Math.sqrt(core.reduce((sum, db) => sum + (db - mean) ** 2, 0) / core.length);
  return spread > CHATTER_DB ? 'chatter' : null;
}

/** Whether a frame hisses as a file that slides: the upper bands alone. */
export function skates(
  powers: ArrayLike<number>,
  floor: ArrayLike<number>,
  profile: readonly number[],
  levelDb: number,
): boolean {
  const meanOf = (from: number, to: number): number => {
    let sum = 0;
    for (let b = from; b < to; b++)
      sum += ((powers[b] as number) - (floor[b] as number)) / ((profile[b] as number) * (to - from));
    return sum;
  };
  const upper = meanOf(UPPER_FROM, BANDS);
  if (upper < 10 ** ((levelDb - SKATE.upperUnderDb) / 10)) return false;
  return meanOf(0, LOWER_TO) < upper * 10 ** (-SKATE.lowerUnderDb / 10);
}
