/** Made-up sounds of a workshop, mono, about 1 at their loudest; for tests and the long run. Seeded: the same seed, the same sound. */
import { normal, randomFrom } from './made-line';

type Random = () => number;
export type NoiseKind = 'quiet' | 'planer' | 'speech' | 'music' | 'hammer' | 'another filer';
export const NOISE_KINDS: readonly NoiseKind[] = ['quiet', 'planer', 'speech', 'music', 'hammer', 'another filer'];

/** A resonance: a two-pole filter of unit gain at its middle (the cookbook's constant-peak band-pass). Hz. */
export interface Resonance {
  readonly hz: number;
  readonly q: number;
  readonly gain: number;
}

/** Adds `source` through a resonance into `out`. */
export function resonate(source: Float32Array, out: Float32Array, { hz, q, gain }: Resonance, rate: number): void {
  const w = (2 * Math.PI * Math.min(hz, 0.45 * rate)) / rate;
  const alpha = Math.sin(w) / (2 * q);
  const a0 = 1 + alpha;
  const b = alpha / a0;
  const a1 = (-2 * Math.cos(w)) / a0;
  const a2 = (1 - alpha) / a0;
  let [x1, x2, y1, y2] = [0, 0, 0, 0];
  for (let i = 0; i < source.length; i++) {
    const x = source[i] as number;
    const y = b * (x - x2) - a1 * y1 - a2 * y2;
    x2 = x1;
    x1 = x;
    y2 = y1;
    y1 = y;
    out[i] = (out[i] as number) + gain * y;
  }
}

/** White noise of unit variance; the sum of three uniforms, which is near enough to a normal and quick. */
export function white(samples: number, random: Random): Float32Array {
  const out = new Float32Array(samples);
  for (let i = 0; i < samples; i++) out[i] = 2 * (random() + random() + random() - 1.5);
  return out;
}

export function rmsOf(sound: Float32Array, active?: Uint8Array): number {
  let [sum, count] = [0, 0];
  for (let i = 0; i < sound.length; i++)
    if (!active || active[i]) {
      sum += (sound[i] as number) ** 2;
      count++;
    }
  return Math.sqrt(sum / Math.max(1, count));
}

/** A planer next door: its drum's hum, air, and boards that go through. */
function planer(samples: number, rate: number, random: Random): Float32Array {
  const [hiss, out] = [white(samples, random), new Float32Array(samples)];
  for (const hz of [300, 900, 2200, 4500, 8000]) resonate(hiss, out, { hz, q: 0.7, gain: 0.6 + 0.6 * random() }, rate);
  const hum = 95 + 20 * random();
  let [board, until] = [1, 0];
  let level = 1;
  for (let i = 0; i < samples; i++) {
    if (i >= until) {
      board = random() < 0.5 ? 1 : 1.8 + random();
      until = i + rate * (1.5 + 4 * random());
    }
    level += (board - level) / (0.08 * rate);
    const t = i / rate;
    out[i] =
      level * (out[i] as number) +
      0.3 * Math.sin(2 * Math.PI * hum * t) +
      0.2 * Math.sin(2 * Math.PI * 3 * hum * t) +
      0.1 * Math.sin(2 * Math.PI * 12 * hum * t);
  }
  return out;
}

/** Three formants of a few vowels, Hz; from memory of any phonetics text. */
const VOWELS = [
  [730, 1090, 2440],
  [270, 2290, 3010],
  [300, 870, 2240],
  [530, 1840, 2480],
  [570, 840, 2410],
  [660, 1720, 2410],
] as const;

/** A voice: sounding and hissing pieces of syllables, with breaths between sentences. */
function speech(samples: number, rate: number, random: Random): Float32Array {
  const out = new Float32Array(samples);
  const pitch = 90 + 120 * random();
  let at = 0;
  while (at < samples) {
    const syllables = 4 + Math.floor(10 * random());
    for (let s = 0; s < syllables && at < samples; s++) {
      if (random() < 0.55) {
        // A hiss (s, sh, f) or the burst of a stop.
        const length = Math.round(rate * (random() < 0.4 ? 0.02 + 0.02 * random() : 0.06 + 0.1 * random()));
        const [hiss, own] = [white(length, random), new Float32Array(length)];
        resonate(hiss, own, { hz: 2800 + 4500 * random(), q: 1 + 1.5 * random(), gain: 0.5 }, rate);
        for (let i = 0; i < length && at + i < samples; i++)
          out[at + i] = (out[at + i] as number) + 1.1 * (own[i] as number) * Math.sin((Math.PI * i) / length);
        at += Math.round(0.8 * length);
      }
      const length = Math.round(rate * (0.1 + 0.16 * random()));
      const [pulses, own] = [new Float32Array(length), new Float32Array(length)];
      let phase = 0;
      const own0 = pitch * (0.85 + 0.3 * random());
      for (let i = 0; i < length; i++) {
        phase += (own0 * (1 + 0.03 * Math.sin((30 * i) / rate))) / rate;
        if (phase >= 1) {
          phase -= 1;
          pulses[i] = 8 + random();
        } else pulses[i] = 0.15 * (random() - 0.5);
      }
      const vowel = VOWELS[Math.floor(random() * VOWELS.length)] as readonly number[];
      vowel.forEach((hz, k) => resonate(pulses, own, { hz, q: 7 + 3 * k, gain: 2 / (1 + 0.8 * k) }, rate));
      for (let i = 0; i < length && at + i < samples; i++)
        out[at + i] = (out[at + i] as number) + (own[i] as number) * Math.sin((Math.PI * i) / length) ** 0.6;
      at += Math.round(length * (0.9 + 0.2 * random()));
    }
    at += Math.round(rate * (0.15 + 0.8 * random() ** 2));
  }
  return out;
}

/** A radio: chords, a bass, and drums whose snare and cymbals hiss. */
function music(samples: number, rate: number, random: Random): Float32Array {
  const out = new Float32Array(samples);
  const beat = rate * (60 / (84 + 50 * random()));
  // One turn of a plucked tone, six of its overtones.
  const turn = Float32Array.from({ length: 2048 }, (_, i) => {
    let value = 0;
    for (let k = 1; k <= 6; k++) value += Math.sin((2 * Math.PI * k * i) / 2048) / k ** 1.2;
    return value;
  });
  const ring = (from: number, seconds: number, hz: number, gain: number): void => {
    const length = Math.round(seconds * rate);
    for (let i = 0; i < length && from + i < samples; i++) {
      const t = i / rate;
      const decay = Math.exp((-3 * i) / length) * Math.min(1, t / 0.01);
      out[from + i] = (out[from + i] as number) + gain * decay * (turn[Math.floor(2048 * hz * t) % 2048] as number);
    }
  };
  const hiss = (from: number, seconds: number, hz: number, q: number, gain: number): void => {
    const length = Math.round(seconds * rate);
    const [source, own] = [white(length, random), new Float32Array(length)];
    resonate(source, own, { hz, q, gain }, rate);
    for (let i = 0; i < length && from + i < samples; i++)
      out[from + i] = (out[from + i] as number) + (own[i] as number) * Math.exp((-4 * i) / length);
  };
  const roots = Array.from({ length: 4 }, () => 110 * 2 ** (Math.floor(12 * random()) / 12));
  for (let n = 0; n * beat < samples; n++) {
    const from = Math.round(n * beat);
    const root = roots[Math.floor(n / 4) % 4] as number;
    ring(from, (1.6 * beat) / rate, root / 2, 0.5);
    if (n % 2 === 0) for (const step of [0, 4, 7, 12]) ring(from, (2 * beat) / rate, root * 2 ** (step / 12), 0.18);
    if (random() < 0.7) ring(from, beat / rate, 2 * root * 2 ** (Math.floor(12 * random()) / 12), 0.22);
    if (n % 2 === 1) hiss(from, 0.14 + 0.06 * random(), 2500, 0.6, 1.1);
    hiss(from, 0.05, 8500, 1, 0.6);
    hiss(Math.round(from + beat / 2), 0.05, 8500, 1, 0.6);
    if (n % 16 === 15) hiss(from, 1.2, 6500, 0.7, 0.7);
  }
  return out;
}

/** Somebody drives nails or peens a plate: blows that ring and die away. */
function hammer(samples: number, rate: number, random: Random): Float32Array {
  const out = new Float32Array(samples);
  let at = Math.round(0.5 * rate * random());
  while (at < samples) {
    const blows = 2 + Math.floor(7 * random());
    const gap = 0.28 + 0.5 * random();
    const modes = Array.from({ length: 4 }, () => [700 + 6000 * random(), 0.02 + 0.1 * random()] as const);
    for (let b = 0; b < blows && at < samples; b++) {
      const length = Math.round(0.3 * rate);
      for (let i = 0; i < length && at + i < samples; i++) {
        const t = i / rate;
        let value = t < 0.012 ? 3 * (random() - 0.5) * (1 - t / 0.012) : 0;
        for (const [hz, dies] of modes) value += 0.6 * Math.sin(2 * Math.PI * hz * t) * Math.exp(-t / dies);
        out[at + i] = (out[at + i] as number) + value;
      }
      at += Math.round(rate * gap * (0.9 + 0.2 * random()));
    }
    at += Math.round(rate * (0.5 + 3 * random()));
  }
  return out;
}

/** A noise beside the work; of silence only what a room and a microphone have of themselves. `active` marks where it sounds. */
export function madeNoise(
  kind: Exclude<NoiseKind, 'another filer'>,
  seconds: number,
  rate: number,
  seed: number,
): { readonly sound: Float32Array; readonly active: Uint8Array } {
  const random = randomFrom(seed);
  for (let k = 0; k < 20; k++) random();
  const samples = Math.round(seconds * rate);
  const sound =
    kind === 'quiet' ? new Float32Array(samples) : { planer, speech, music, hammer }[kind](samples, rate, random);
  // Active is where a twentieth of a second is within 25 dB of the loudest.
  const block = Math.round(0.05 * rate);
  const energies = Array.from({ length: Math.ceil(samples / block) }, (_, b) =>
    rmsOf(sound.subarray(b * block, Math.min(samples, (b + 1) * block))),
  );
  const least = energies.reduce((most, e) => Math.max(most, e), 0) * 10 ** (-25 / 20);
  const active = new Uint8Array(samples);
  for (let i = 0; i < samples; i++) active[i] = (energies[Math.floor(i / block)] as number) > least ? 1 : 0;
  return { sound, active };
}

/** What a room and a microphone have of themselves, rms about 1. */
export function roomTone(samples: number, rate: number, random: Random): Float32Array {
  const [source, out] = [white(samples, random), new Float32Array(samples)];
  for (let i = 0; i < samples; i++) out[i] = 0.5 * (source[i] as number);
  resonate(source, out, { hz: 120, q: 0.6, gain: 2 }, rate);
  const rms = rmsOf(out);
  for (let i = 0; i < samples; i++) out[i] = (out[i] as number) / rms;
  return out;
}

/** A length, level or time that varies as a hand does: lognormal about its middle. */
export const varied = (middle: number, spread: number, random: Random): number =>
  middle * Math.exp(spread * normal(random));
