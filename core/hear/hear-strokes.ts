import type { BandFrame } from './band-frames';
import { BANDS, FRAME_S } from './band-frames';
import { bandGain, bandWeights, NOTHING_DB, toDb } from './band-gain';
import type { FilerEar } from './filer-ear';
import { HOLD_S, HYSTERESIS_DB } from './find-bursts';
import type { SoundFloor } from './sound-floor';
import { soundFloor } from './sound-floor';
import type { Trouble } from './stroke-trouble';
import { skates, troubleIn } from './stroke-trouble';

/** A push that was heard. Seconds since the listening began. */
export interface HeardStroke {
  readonly fromS: number;
  readonly toS: number;
  /** How surely it is one of this filer's pushes, 0 to 1. */
  readonly confidence: number;
  readonly levelDb: number;
  /** Beside the filer's own pushes: loudness dB, length as a share. */
  readonly overLevelDb: number;
  readonly lengthShare: number;
  /** What was wrong with it. */
  readonly trouble: Trouble | null;
}

/** One frame's finding: what is going on, and what has just ended. */
export interface Heard {
  readonly atS: number;
  /** Something as loud as a push sounds now. */
  readonly sounding: boolean;
  /** A push could hide in what else sounds. */
  readonly masked: boolean;
  /** What has ended by now, if it may have been a push. */
  readonly stroke: HeardStroke | null;
  /** What sounds falls off just now as a push's end does, though it may not have ended: how surely it was one. */
  readonly ending: number | null;
  /** A push's length of hiss without a bite has just been heard. */
  readonly skated: boolean;
}

/** A pause of the threshold under the push's own level, at the most. dB */
const UNDER_DB = 8;
/** The threshold stands so far under a push, as a share of the way down to what is none. */
const WAY_DOWN = 0.7;
/** The gain of so many frames together, the newest among them. */
const SMOOTH = 5;
/** A push differs by no less than this from the middle of its kind before that counts. Judgement, no source. */
const LEAST = { length: 0.2, levelDb: 2, profileDb: 2.5 };
/** Odds that what lies just in a push's middle is one: what is loud for a while mostly is, and what is none lies anywhere. Judgement, no source. */
const ODDS = 320;
/** A push is masked where the room holds so much of its power. */
const MASK_DB = -2;
/** A hiss of this share of a push's length is a file that slides. */
const SKATE_SHARE = 0.5;
/** A push falls off where it is so far under its own level, for so many frames, after so much of a push's length. Judgement, no source. */
const FALLS = { db: 4, frames: 2, lengthShare: 0.6 };
/** Shorter or quieter by far, nobody asks whether it was a push. */
const SCRAP_LENGTH = 0.35;

export interface StrokeEar {
  readonly take: (frame: BandFrame) => Heard;
  /** What is known of the hand by now. */
  readonly know: (ear: FilerEar) => void;
}

/** Hears one filer's pushes in frames as they come. */
export function hearStrokes(first: FilerEar, lines: readonly number[]): StrokeEar {
  const floor: SoundFloor = soundFloor();
  const weights = bandWeights(lines);
  let ear = first;
  let overDb = thresholdDb(first);
  const recent = new Float64Array(SMOOTH);
  const hold = Math.round(HOLD_S / FRAME_S);
  let n = 0;
  let [from, last, sum] = [-1, -1, 0];
  const bands = new Float64Array(BANDS);
  /** The frames of what sounds now. */
  let own: BandFrame[] = [];
  let gainsDb: number[] = [];
  let [hiss, hissLast] = [0, -1];
  /** Frames that it has been under its own level by now; -1 once that was told of this burst. */
  let falling = 0;

  const ended = (last: number): HeardStroke | null => {
    // Smoothing lays an edge half its reach late.
    const lag = (SMOOTH - 1) / 2;
    const [start, end] = [from - lag, last - lag + 1];
    const lengthS = (end - start) * FRAME_S;
    const level = toDb(sum / Math.max(1, last - from + 1));
    const lengthShare = lengthS / ear.pushS.middle;
    if (lengthShare < SCRAP_LENGTH) return null;
    const z = [
      Math.log(lengthShare) / Math.max(ear.pushS.spread, LEAST.length),
      (level - ear.levelDb.middle) / Math.max(ear.levelDb.spread, LEAST.levelDb),
      profileOff(bands, own.length, ear.profile, level) / LEAST.profileDb,
    ].reduce((square, v) => square + v * v, 0);
    const odds = ODDS * Math.exp(-z / 2);
    return {
      fromS: start * FRAME_S,
      toS: end * FRAME_S,
      confidence: odds / (1 + odds),
      levelDb: level,
      overLevelDb: level - ear.levelDb.middle,
      lengthShare,
      trouble: troubleIn(own, gainsDb),
    };
  };

  return {
    know: (now) => {
      ear = now;
      overDb = thresholdDb(now);
    },
    take: (frame) => {
      const gain = bandGain(frame.powers, floor.powers, ear.profile, weights);
      recent[n % SMOOTH] = gain;
      let smooth = 0;
      for (const one of recent) smooth += one / SMOOTH;
      const level = n < SMOOTH ? NOTHING_DB : toDb(smooth);
      floor.take(frame.powers);
      let stroke: HeardStroke | null = null;
      if (from < 0) {
        if (level > overDb) {
          [from, last, sum] = [n, n, Math.max(0, smooth)];
          bands.fill(0);
          [own, gainsDb] = [[], []];
          falling = 0;
        }
      } else if (level > overDb - HYSTERESIS_DB) {
        last = n;
        sum += Math.max(0, smooth);
        for (let b = 0; b < BANDS; b++)
          bands[b] = (bands[b] as number) + (frame.powers[b] as number) - (floor.powers[b] as number);
        own.push(frame);
        gainsDb.push(Math.max(toDb(gain), ear.levelDb.middle - 20));
      } else if (n - last > hold) {
        stroke = ended(last);
        from = -1;
      }
      let ending: number | null = null;
      if (from >= 0 && falling >= 0) {
        const under = level < toDb(sum / (last - from + 1)) - FALLS.db;
        falling = under ? falling + 1 : 0;
        if (falling >= FALLS.frames && (n - from) * FRAME_S > FALLS.lengthShare * ear.pushS.middle) {
          ending = ended(n - falling)?.confidence ?? null;
          falling = -1;
        }
      }
      // A hiss counts by its frames, a dip in it included.
      let skated = false;
      if (level <= overDb && skates(frame.powers, floor.powers, ear.profile, ear.levelDb.middle)) {
        hiss++;
        hissLast = n;
      } else if (hiss > 0 && n - hissLast > hold) {
        skated = hiss * FRAME_S > SKATE_SHARE * ear.pushS.middle;
        hiss = 0;
      }
      const masked = maskOf(frame.powers, floor.powers, ear.profile, ear.levelDb.middle) && level <= overDb;
      const atS = n * FRAME_S;
      n++;
      return { atS, sounding: from >= 0, masked, stroke, ending, skated };
    },
  };
}

/** Louder than this a push may be going on: well under its own level, and some way up from what is no push. dB */
function thresholdDb({ levelDb: { middle }, backDb }: FilerEar): number {
  return Math.max(middle - UNDER_DB, backDb === null ? -Infinity : middle - WAY_DOWN * (middle - backDb));
}

/** How unlike a push's own bands these are: middle of the differences, dB; 0 where nothing was gathered. */
function profileOff(bands: Float64Array, frames: number, profile: readonly number[], levelDb: number): number {
  if (frames === 0) return 0;
  const level = 10 ** (levelDb / 10);
  const offs = profile.map((share, b) => {
    const power = Math.max((bands[b] as number) / frames, 0.01 * level * share);
    return Math.abs(10 * Math.log10(power / (level * share)));
  });
  offs.sort((a, b) => a - b);
  return offs[Math.floor(offs.length / 2)] as number;
}

/** Whether the room, as it sounds now, could hold a push unheard: in half of the bands it is about as loud. */
function maskOf(
  powers: ArrayLike<number>,
  floor: ArrayLike<number>,
  profile: readonly number[],
  levelDb: number,
): boolean {
  const least = 10 ** ((levelDb + MASK_DB) / 10);
  let over = 0;
  for (let b = 0; b < BANDS; b++)
    if (Math.max(powers[b] as number, floor[b] as number) > least * (profile[b] as number)) over++;
  return over > BANDS / 2;
}
