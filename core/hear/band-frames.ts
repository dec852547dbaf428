import FFT from 'fft.js';

/** Bands, Hz: where a file is loud and a room's rumble, a hum and most of a voice are not. */
const FROM_HZ = 1000;
const TO_HZ = 10_000;
export const BANDS = 12;
/** A look every hundredth of a second. */
export const FRAME_S = 0.01;
/** Long enough that a band of the lowest holds a few of its lines. */
const WINDOW_S = 0.02;

/** A hundredth of a second of sound. */
export interface BandFrame {
  /** Mean power of every band; full scale is 1. */
  readonly powers: Float32Array;
  /** How far the strongest line of 1 to 8 kHz stands over its band's own mean, dB. */
  readonly lineDb: number;
  /** Which line that is, Hz. */
  readonly lineHz: number;
  /** Loudest sample, and mean square, of the frame's own hundredth. */
  readonly peak: number;
  readonly power: number;
}

export interface BandSplit {
  /** Lines of the spectrum in each band: how steady its power is. */
  readonly lines: readonly number[];
  /** Frames that are whole with these samples, in order. What is over waits for the next. */
  readonly take: (samples: Float32Array) => BandFrame[];
}

/**
 * Sound in, band powers out: a Hann window of about 20 ms, a step of 10 ms, bands of equal width on the logarithm of
 * frequency. Rates of 8 to 192 kHz; bands over what a rate can hold are left with what is there. Throws RangeError
 * for other rates.
 */
export function splitIntoBands(rate: number): BandSplit {
  if (!(rate >= 8000 && rate <= 192_000)) throw new RangeError('A sample rate lies between 8 and 192 kHz.');
  const step = Math.round(FRAME_S * rate);
  const size = 2 ** Math.ceil(Math.log2(WINDOW_S * rate));
  const top = Math.min(TO_HZ, 0.45 * rate);
  const edges = Array.from({ length: BANDS + 1 }, (_, b) => {
    const hz = FROM_HZ * (top / FROM_HZ) ** (b / BANDS);
    return Math.round((hz * size) / rate);
  });
  const hann = Float32Array.from({ length: size }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / size));
  const norm = 1 / hann.reduce((sum, w) => sum + w * w, 0) / size;
  const fft = new FFT(size);
  const input = new Float64Array(size);
  const output = fft.createComplexArray() as number[];
  // The last `size` samples, the newest at the end.
  const held = new Float32Array(size);
  const fresh = new Float32Array(step);
  let count = 0;

  const look = (): BandFrame => {
    held.copyWithin(0, step);
    held.set(fresh, size - step);
    let [peak, square] = [0, 0];
    for (let i = 0; i < step; i++) {
      const value = fresh[i] as number;
      square += value * value;
      if (Math.abs(value) > peak) peak = Math.abs(value);
    }
    for (let i = 0; i < size; i++) input[i] = (held[i] as number) * (hann[i] as number);
    fft.realTransform(output, input);
    const powers = new Float32Array(BANDS);
    let [lineDb, lineHz] = [0, 0];
    for (let b = 0; b < BANDS; b++) {
      const [from, to] = [edges[b] as number, Math.max((edges[b] as number) + 1, edges[b + 1] as number)];
      let [sum, most, at] = [0, 0, from];
      for (let k = from; k < to; k++) {
        const power = ((output[2 * k] as number) ** 2 + (output[2 * k + 1] as number) ** 2) * norm;
        sum += power;
        if (power > most) [most, at] = [power, k];
      }
      powers[b] = sum / (to - from);
      // Of few lines the strongest always stands out; a band of many tells.
      const rest = to - from > 3 ? (sum - most) / (to - from - 1) : sum;
      const over = 10 * Math.log10(most / (rest + 1e-12));
      if (over > lineDb) [lineDb, lineHz] = [over, (at * rate) / size];
    }
    return { powers, lineDb, lineHz, peak, power: square / step };
  };

  return {
    lines: edges.slice(1).map((to, b) => Math.max(1, to - (edges[b] as number))),
    take: (samples) => {
      const frames: BandFrame[] = [];
      let at = 0;
      while (at < samples.length) {
        const part = Math.min(step - count, samples.length - at);
        fresh.set(samples.subarray(at, at + part), count);
        count += part;
        at += part;
        if (count === step) {
          frames.push(look());
          count = 0;
        }
      }
      return frames;
    },
  };
}
