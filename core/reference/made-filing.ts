/**
 * Made-up recordings of a file at work, with exact truth: strokes, returns, moves from gullet to gullet, in a room
 * with or without other noise. For tests, the long run and the journey. What a stroke sounds like is invented after
 * its physics: broad noise through a few wide resonances, shaken by the cut of the file; common practice, no source.
 */
import { normal, randomFrom } from './made-line';
import type { NoiseKind, Resonance } from './made-sound';
import { madeNoise, resonate, rmsOf, roomTone, varied, white } from './made-sound';

/** How somebody files. Seconds, dB. */
export interface FilingHand {
  readonly pushS: number;
  /** From a push's end to the next one's beginning in the same gullet. */
  readonly restS: number;
  /** From the last push's end to the next gullet's first. */
  readonly moveS: number;
  /** Drawn back in the gullet, so much quieter; null where the file is lifted. */
  readonly backDb: number | null;
  /** Spread of lengths (of their logarithm) and of levels. */
  readonly spread: number;
  readonly levelSpreadDb: number;
}

/** Lifts the file clear between strokes. */
export const LIFTING: FilingHand = {
  pushS: 0.42,
  restS: 0.45,
  moveS: 1.15,
  backDb: null,
  spread: 0.11,
  levelSpreadDb: 1.3,
};
/** Draws it back lightly in the gullet. */
export const DRAWING_BACK: FilingHand = {
  pushS: 0.6,
  restS: 0.72,
  moveS: 1.9,
  backDb: -11,
  spread: 0.11,
  levelSpreadDb: 1.5,
};

export interface FilingWish {
  readonly hand: FilingHand;
  /** Strokes, gullet by gullet. */
  readonly strokes: readonly number[];
  readonly rate?: number;
  readonly noise?: NoiseKind;
  /** A stroke's level over the noise where that sounds, dB; over the room's own it is 45. */
  readonly snrDb?: number;
  /** The noise begins when so many gullets are done: what was learned was learned in a quiet room. */
  readonly noiseAfterGullet?: number;
  readonly seed?: number;
  /** Something goes wrong from this gullet on, counted from 1. */
  readonly trouble?: { readonly kind: 'screech' | 'chatter' | 'skate'; readonly fromGullet: number };
  /** The file walks along the saw, towards the microphone and away: so much louder and quieter on the way, dB. */
  readonly walkDb?: number;
  /** The gullets after which the filer rests, and how long, s. */
  readonly rests?: Readonly<Record<number, number>>;
  /** Sound of its own beside the work instead of a made one: a voice read in from elsewhere. */
  readonly beside?: Float32Array;
}

export interface TrueStroke {
  readonly gullet: number;
  readonly fromS: number;
  readonly toS: number;
}

export interface FilingRecording {
  readonly rate: number;
  readonly samples: Float32Array;
  readonly strokes: readonly TrueStroke[];
  /** End of each gullet's last stroke, s. */
  readonly doneS: readonly number[];
}

/** Over the room's own noise, dB. */
const OVER_ROOM_DB = 45;
/** A stroke's rms of full scale. */
const STROKE_RMS = 0.12;

/** A file in its saw: resonances of the plate and the file, its cut. */
function voiceOf(random: () => number): readonly Resonance[] {
  return [
    { hz: 1500 + 900 * random(), q: 0.9, gain: 0.7 + 0.3 * random() },
    { hz: 3000 + 1500 * random(), q: 1.1, gain: 1 },
    { hz: 5500 + 2500 * random(), q: 1.2, gain: 0.6 + 0.4 * random() },
    { hz: 800 + 300 * random(), q: 0.8, gain: 0.3 },
  ];
}

export function madeFiling(wish: FilingWish): FilingRecording {
  const {
    hand,
    strokes: wanted,
    rate = 24_000,
    noise = 'quiet',
    snrDb = 20,
    seed = 1,
    trouble,
    walkDb = 0,
    rests = {},
  } = wish;
  const random = randomFrom(seed);
  for (let k = 0; k < 20; k++) random();
  const voice = voiceOf(random);
  // When: first the rhythm, then the sound.
  const strokes: (TrueStroke & { level: number; backDb: number | null; backS: number; backFromS: number })[] = [];
  const doneS: number[] = [];
  let now = 1.2;
  wanted.forEach((count, g) => {
    for (let s = 0; s < count; s++) {
      const length = varied(hand.pushS, hand.spread, random);
      const rest = varied(hand.restS, hand.spread, random);
      const back = hand.backDb === null ? null : hand.backDb + 1.5 * normal(random);
      const pause = 0.12 + 0.05 * random();
      strokes.push({
        gullet: g + 1,
        fromS: now,
        toS: now + length,
        level: 10 ** ((hand.levelSpreadDb * normal(random) + walkDb * Math.sin((Math.PI * g) / wanted.length)) / 20),
        backDb: back,
        backFromS: now + length + pause,
        backS: Math.max(0.1, rest - 2 * pause),
      });
      now += length;
      if (s === count - 1) doneS.push(now);
      now += s === count - 1 ? varied(hand.moveS, hand.spread, random) + (rests[g + 1] ?? 0) : rest;
    }
  });
  const samples = Math.round((now + 1) * rate);
  const sound = new Float32Array(samples);
  const lay = (fromS: number, lengthS: number, level: number, kind: 'push' | 'back', gullet: number): void => {
    const length = Math.round(lengthS * rate);
    const own = new Float32Array(length);
    const source = white(length, random);
    const bad = trouble && kind === 'push' && gullet >= trouble.fromGullet ? trouble.kind : null;
    // On hard steel it slides: no bite, a thin high hiss.
    const parts = bad === 'skate' ? [{ hz: 8000, q: 2, gain: 0.45 }] : voice;
    for (const part of parts) resonate(source, own, part, rate);
    let shake = 1;
    const [shakeHz, phase] = [18 + 20 * random(), 6 * random()];
    const screech = 2600 + 900 * random();
    for (let i = 0; i < length; i++) {
      const t = i / rate;
      const [rise, fall] = [Math.min(1, t / 0.04), Math.min(1, (lengthS - t) / 0.05)];
      shake += (1 + 0.25 * Math.sin(2 * Math.PI * shakeHz * t + phase) - shake) * 0.05;
      let value = (own[i] as number) * shake;
      if (bad === 'chatter') value *= Math.max(0, 1 + 1.2 * Math.sin(2 * Math.PI * 32 * t));
      if (bad === 'screech')
        value += 2.2 * Math.sin(2 * Math.PI * screech * t) + 0.8 * Math.sin(4 * Math.PI * screech * t);
      own[i] = value * Math.max(0, Math.min(rise, fall)) ** 0.7;
    }
    const at = Math.round(fromS * rate);
    for (let i = 0; i < length && at + i < samples; i++)
      sound[at + i] = (sound[at + i] as number) + level * (own[i] as number);
  };
  for (const one of strokes) {
    lay(one.fromS, one.toS - one.fromS, one.level, 'push', one.gullet);
    if (one.backDb !== null) lay(one.backFromS, one.backS, one.level * 10 ** (one.backDb / 20), 'back', one.gullet);
  }
  // Moving on: cloth, a guide that touches, now and then a click.
  doneS.forEach((end) => {
    const length = Math.round(0.25 * rate);
    const [source, own] = [white(length, random), new Float32Array(length)];
    resonate(source, own, { hz: 1200, q: 0.7, gain: 0.06 }, rate);
    const at = Math.round((end + 0.25 + 0.3 * random()) * rate);
    for (let i = 0; i < length && at + i < samples; i++)
      sound[at + i] = (sound[at + i] as number) + (own[i] as number) * Math.sin((Math.PI * i) / length);
    if (random() < 0.3)
      for (let i = 0; i < 0.015 * rate; i++)
        sound[at + i] = (sound[at + i] ?? 0) + 0.8 * (random() - 0.5) * (1 - i / (0.015 * rate));
  });
  const working = new Uint8Array(samples);
  for (const { fromS, toS } of strokes)
    working.fill(1, Math.round((fromS + 0.05) * rate), Math.round((toS - 0.05) * rate));
  const strokeRms = rmsOf(sound, working);
  const gain = STROKE_RMS / strokeRms;
  for (let i = 0; i < samples; i++) sound[i] = gain * (sound[i] as number);
  const room = roomTone(samples, rate, random);
  const roomGain = STROKE_RMS * 10 ** (-OVER_ROOM_DB / 20);
  for (let i = 0; i < samples; i++) sound[i] = (sound[i] as number) + roomGain * (room[i] as number);
  const other = besideOf(wish, samples, rate, seed, noise);
  if (other) {
    const otherGain = (STROKE_RMS * 10 ** (-snrDb / 20)) / rmsOf(other.sound, other.active);
    const from = Math.round((doneS[(wish.noiseAfterGullet ?? 0) - 1] ?? 0) * rate);
    for (let i = from; i < samples; i++) sound[i] = (sound[i] as number) + otherGain * (other.sound[i] as number);
  }
  return { rate, samples: sound, strokes: strokes.map(({ gullet, fromS, toS }) => ({ gullet, fromS, toS })), doneS };
}

function besideOf(
  { beside, hand }: FilingWish,
  samples: number,
  rate: number,
  seed: number,
  noise: NoiseKind,
): { sound: Float32Array; active: Uint8Array } | null {
  if (beside) {
    const sound = new Float32Array(samples).map((_, i) => beside[i % beside.length] as number);
    const least = 0.05 * rmsOf(sound);
    return { sound, active: new Uint8Array(samples).map((_, i) => (Math.abs(sound[i] as number) > least ? 1 : 0)) };
  }
  if (noise === 'quiet') return null;
  if (noise !== 'another filer') return madeNoise(noise, samples / rate, rate, seed + 7919);
  // Another file in the room, at a rhythm of its own.
  const each = 2 * (hand.pushS + hand.restS) + hand.moveS;
  const gullets = Math.ceil((1.4 * samples) / rate / each);
  const theirs = madeFiling({
    hand: { ...hand, pushS: 0.85 * hand.pushS, restS: 1.2 * hand.restS, moveS: 0.9 * hand.moveS },
    strokes: Array.from({ length: gullets }, () => 2),
    rate,
    seed: seed + 104_729,
  });
  const working = new Uint8Array(samples);
  for (const { fromS, toS } of theirs.strokes) working.fill(1, Math.round(fromS * rate), Math.round(toS * rate));
  return { sound: theirs.samples.slice(0, samples), active: working };
}
