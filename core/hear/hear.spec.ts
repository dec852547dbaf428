import { LEARNS_FROM } from './learn-ear';
import { heardRun, hearRecording } from '../reference/heard-run';
import type { FilingHand, FilingWish } from '../reference/made-filing';
import { DRAWING_BACK, LIFTING, madeFiling } from '../reference/made-filing';
import { randomFrom } from '../reference/made-line';
import type { NoiseKind } from '../reference/made-sound';
import { madeNoise } from '../reference/made-sound';
import type { BenchEarEvent } from './bench-ear';
import { benchEar } from './bench-ear';
import { BANDS, splitIntoBands } from './band-frames';
import { bandGain } from './band-gain';
import { movedAfterS, movesAreHeard } from './filer-ear';

const HANDS: readonly FilingHand[] = [LIFTING, DRAWING_BACK];
const twos = (gullets: number): number[] => Array.from({ length: gullets }, () => 2);
const run = (wish: Omit<FilingWish, 'strokes'>, gullets = 24) =>
  heardRun({ ...wish, strokes: twos(gullets + LEARNS_FROM) });

describe('hearing the file', () => {
  const RATE = 24_000;
  it('in a quiet room every stroke of either hand is counted, the place follows, and a tick comes within 150 ms', () => {
    for (const hand of HANDS)
      for (const seed of [2, 3]) {
        const heard = run({ hand, seed, walkDb: 4 });
        expect(heard.learned).toBeTrue();
        expect(heard.counted - heard.invented).toBeGreaterThanOrEqual(0.99 * heard.strokes);
        expect(heard.byEar).toBeGreaterThanOrEqual(22);
        expect([heard.skipped, heard.lagged]).toEqual([0, 0]);
        expect(Math.max(...heard.latenciesS)).toBeLessThan(0.15);
        expect(heard.untrue).toBeLessThanOrEqual(2);
      }
  });

  it('beside a voice 6 dB under the file 95 of 100 are counted', () => {
    for (const hand of HANDS) {
      const heard = run({ hand, seed: 5, noise: 'speech', snrDb: 6, noiseAfterGullet: LEARNS_FROM }, 30);
      expect(heard.counted - heard.invented).toBeGreaterThanOrEqual(0.95 * heard.strokes);
      expect(heard.strokes).toBeGreaterThan(30);
      expect(heard.skipped).toBe(0);
      // Shown as the stroke falls off, whatever draws its end out; now and then in vain.
      const late = [...heard.latenciesS].sort((a, b) => a - b);
      expect(late[Math.floor(0.95 * late.length)]).toBeLessThan(0.15);
      expect(heard.untrue).toBeLessThanOrEqual(0.08 * heard.strokes);
    }
  });

  it('whatever else sounds, and however loud, no gullet is skipped without a question', () => {
    const kinds: NoiseKind[] = ['planer', 'speech', 'music', 'hammer', 'another filer'];
    kinds.forEach((noise, k) => {
      for (const snrDb of [6, -3]) {
        const heard = run(
          { hand: HANDS[k % 2] as FilingHand, seed: 7, noise, snrDb, noiseAfterGullet: LEARNS_FROM },
          16,
        );
        expect(heard.learned).toBeTrue();
        expect(heard.skipped).toBe(0);
        // Where it could not go by itself it asked.
        expect(heard.byEar + heard.doubts.length).toBeGreaterThan(1);
      }
    });
  });

  it('more strokes in a gullet than two, and gullets of different strokes, are followed', () => {
    const strokes = [3, 2, 4, 3, 3, 5, 2, 3, 4, 2, 3, 6, 2];
    const heard = heardRun({ hand: LIFTING, strokes, seed: 11 });
    expect([heard.learned, heard.byEar, heard.skipped, heard.doubts.length]).toEqual([true, 9, 0, 0]);
  });

  it('a gullet with a stroke too few or two too many is a question; one more is not', () => {
    const asked = (strokes: number): readonly string[] =>
      hearRecording(madeFiling({ hand: LIFTING, strokes: [...twos(6), strokes, ...twos(2)], seed: 13 }), twos(9))
        .doubts;
    expect(asked(1)).toEqual(['fewer']);
    expect(asked(3)).toEqual([]);
    expect(asked(4)).toEqual(['more']);
  });

  it('three questions in eight gullets and it gives up; but not where each was called for', () => {
    const strokes = [...twos(4), ...[1, 2, 1, 2, 1, 2, 1, 2]];
    const rests = Object.fromEntries(strokes.map((n, k) => [k + 1, n === 1 ? 4 : 0]).filter(([, s]) => s));
    const recording = madeFiling({ hand: LIFTING, strokes, rests, seed: 37, rate: RATE });
    const doubts = (rightly: boolean): boolean[] => {
      const ear = benchEar(RATE);
      const cut = ((recording.doneS[3] as number) + 0.3) * RATE;
      const restless: boolean[] = [];
      for (let at = 0; at < recording.samples.length; at += 480) {
        if (at < cut && at + 480 >= cut) ear.learn(twos(4));
        for (const event of ear.take(recording.samples.subarray(at, at + 480), 2))
          if (event.is === 'doubt') {
            restless.push(event.restless);
            ear.anew(rightly);
          }
      }
      return restless;
    };
    expect(doubts(true)).toEqual([false, false, false, false]);
    expect(doubts(false)).toEqual([false, false, true, true]);
  });

  it('a screech is said once, chatter too, and a file that slides stops it', () => {
    const troubles = (kind: 'screech' | 'chatter' | 'skate') => {
      const heard = run({ hand: LIFTING, seed: 17, trouble: { kind, fromGullet: 8 } }, 12);
      return { ...heard, skated: heard.doubts.includes('skate') };
    };
    expect(troubles('screech').troubles).toEqual(['screech']);
    expect(troubles('chatter').troubles).toEqual(['chatter']);
    const skate = troubles('skate');
    expect(skate.skated).toBeTrue();
    // Nothing is counted that did not bite.
    expect(skate.byEar).toBe(8 - 1 - LEARNS_FROM);
    expect(run({ hand: DRAWING_BACK, seed: 17 }, 12).troubles).toEqual([]);
  });

  const played = (sound: Float32Array): { events: BenchEarEvent[]; ear: ReturnType<typeof benchEar> } => {
    const ear = benchEar(RATE);
    const events: BenchEarEvent[] = [];
    for (let at = 0; at < sound.length; at += 480) events.push(...ear.take(sound.subarray(at, at + 480), 2));
    return { events, ear };
  };

  it('silence, music alone, or other strokes than were told teach nothing, and say so', () => {
    const code = (sound: Float32Array, strokes = twos(4)): string => {
      const learned = played(sound).ear.learn(strokes);
      return learned.ok ? 'learned' : learned.code;
    };
    expect(code(new Float32Array(8 * RATE))).toBe('silence');
    for (const kind of ['music', 'speech', 'planer'] as const)
      expect(code(madeNoise(kind, 12, RATE, 3).sound.map((v) => 0.1 * v))).not.toBe('learned');
    const four = madeFiling({ hand: LIFTING, strokes: twos(4), seed: 19, rate: RATE }).samples;
    expect(code(four)).toBe('learned');
    expect(code(four, twos(3))).toBe('not-as-many');
    expect(code(four, [2])).toBe('too-few');
    const hasty = { ...LIFTING, moveS: 0.5 };
    expect(code(madeFiling({ hand: hasty, strokes: twos(4), seed: 19, rate: RATE }).samples)).not.toBe('learned');
  });

  it('when nobody files, a minute of anything counts nothing', () => {
    const four = madeFiling({ hand: LIFTING, strokes: twos(4), seed: 23, rate: RATE });
    for (const kind of ['music', 'speech', 'planer', 'hammer'] as const) {
      const { ear } = played(four.samples);
      expect(ear.learn(twos(4)).ok).toBeTrue();
      const { sound } = madeNoise(kind, 60, RATE, 29);
      const events: BenchEarEvent[] = [];
      for (let at = 0; at < sound.length; at += 480)
        events.push(
          ...ear.take(
            sound.subarray(at, at + 480).map((v) => 0.1 * v),
            2,
          ),
        );
      expect(events.filter((event) => event.is === 'done')).toEqual([]);
    }
  });

  it('a mute microphone is told, and told to be back', () => {
    const sound = new Float32Array(6 * RATE);
    const random = randomFrom(1);
    for (let i = 4 * RATE; i < sound.length; i++) sound[i] = 0.001 * (random() - 0.5);
    expect(played(sound).events.map((event) => event.is)).toEqual(['mute', 'sound']);
  });

  it('two knocks answer a question, a hammer does not, and without a question they say nothing', () => {
    const recording = madeFiling({ hand: LIFTING, strokes: [...twos(6), 1], seed: 31, rate: RATE });
    const knock = (sound: Float32Array, atS: number): void => {
      const random = randomFrom(9);
      for (let i = 0; i < 0.05 * RATE; i++) {
        const at = Math.round(atS * RATE) + i;
        sound[at] = (sound[at] ?? 0) + 0.5 * (random() - 0.5) * Math.exp(-i / (0.008 * RATE));
      }
    };
    const knocked = (times: readonly number[]): string[] => {
      const { ear } = played(new Float32Array());
      const end = recording.samples.length / RATE;
      const sound = new Float32Array(recording.samples.length + 8 * RATE);
      sound.set(recording.samples);
      const random = randomFrom(3);
      for (let i = recording.samples.length; i < sound.length; i++) sound[i] = 0.0004 * (random() - 0.5);
      for (const at of times) knock(sound, end + at);
      const events: BenchEarEvent[] = [];
      const cut = ((recording.doneS[3] as number) + 0.3) * RATE;
      for (let at = 0; at < sound.length; at += 480) {
        if (at < cut && at + 480 >= cut) ear.learn(twos(4));
        events.push(...ear.take(sound.subarray(at, at + 480), 2));
      }
      return events.filter((event) => event.is === 'doubt' || event.is === 'knock').map((event) => event.is);
    };
    expect(knocked([4, 4.25])).toEqual(['doubt', 'knock']);
    expect(knocked([4])).toEqual(['doubt']);
    expect(knocked([4, 4.4, 4.8, 5.2, 5.6])).toEqual(['doubt']);
    expect(knocked([-1.6, -1.35])).not.toContain('knock');
  });
});

describe('sound in bands', () => {
  it('a tone’s power is in its band, whole: as the mean square says it', () => {
    const rate = 48_000;
    const split = splitIntoBands(rate);
    const hz = 3000;
    const tone = Float32Array.from({ length: rate / 2 }, (_, i) => 0.5 * Math.sin((2 * Math.PI * hz * i) / rate));
    const frame = split.take(tone)[30];
    const powers = [...(frame?.powers ?? [])];
    const loudest = powers.indexOf(Math.max(...powers));
    // Bands of equal width on the logarithm, 1 to 10 kHz.
    expect(loudest).toBe(Math.floor(BANDS * Math.log10(hz / 1000)));
    const sum = powers.reduce((all, p, b) => all + p * (split.lines[b] as number), 0);
    // Half of a tone's power lies at its own frequency, half at the mirrored one: Parseval.
    expect(sum).toBeCloseTo((frame?.power ?? 0) / 2, 3);
    expect(frame?.lineHz).toBeCloseTo(hz, -2);
    expect(() => splitIntoBands(4000)).toThrowError(RangeError);
  });

  it('frames are the same however the samples come', () => {
    const random = randomFrom(4);
    const sound = Float32Array.from({ length: 10_000 }, () => random() - 0.5);
    const whole = splitIntoBands(44_100).take(sound);
    const split = splitIntoBands(44_100);
    const pieces = Array.from({ length: 79 }, (_, i) => split.take(sound.subarray(i * 128, (i + 1) * 128))).flat();
    expect(pieces).toEqual(whole.slice(0, pieces.length));
    expect(pieces.length).toBeGreaterThan(20);
  });

  it('the gain of a known sound is its multiple, also where a voice lifts a few bands', () => {
    const profile = Array.from({ length: BANDS }, (_, b) => 1 + (b % 3));
    const floor = Array.from({ length: BANDS }, () => 2);
    const powers = profile.map((share, b) => 2 + 7 * share + (b < 4 ? 500 : 0));
    const weights = Array.from({ length: BANDS }, () => 1);
    expect(bandGain(powers, floor, profile, weights)).toBeCloseTo(7, 9);
    expect(bandGain(floor, floor, profile, weights)).toBe(0);
  });

  it('between a rest and a move the line is drawn by their own spreads', () => {
    // 0.4 s and 1.6 s, a spread of 0.1 and 0.3: ln 4 = 1.386, asunder 3.466; 0.4 e^0.3466 = 0.566 s, by hand.
    const of = { restS: { middle: 0.4, spread: 0.1 }, moveS: { middle: 1.6, spread: 0.3 } };
    expect(movedAfterS(of)).toBeCloseTo(0.4 * Math.exp(0.1 * (Math.log(4) / 0.4)), 9);
    expect(movedAfterS(of)).toBeCloseTo(0.566, 3);
    expect(movesAreHeard(of)).toBeTrue();
    expect(movesAreHeard({ ...of, moveS: { middle: 0.6, spread: 0.3 } })).toBeFalse();
  });
});
