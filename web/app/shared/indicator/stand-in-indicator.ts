/** What the stand-in's spindle touches: the true value at a place, mm. */
export type Spindle = () => number;

/** Lines a second, and how seldom a line is garbled or the wire goes dead for a while. */
const EVERY_MS = 120;
const GARBAGE_EVERY = 23;
const DEAD_EVERY = 160;
const DEAD_LINES = 16;
const NOISE_MM = 0.002;

/**
 * A simulated digital indicator: bytes as a serial device would send them (our plain
 * line protocol, docs/formats.md), a reading several times a second with a little
 * noise, now and then garbage, now and then a drop-out. `press` is its button.
 */
export class StandInIndicator {
  private timer: ReturnType<typeof setInterval> | null = null;
  private count = 0;
  private dead = 0;
  private pressed = false;
  private seed = 7;
  readonly readable: ReadableStream<Uint8Array>;

  constructor(private readonly spindle: Spindle) {
    const encoder = new TextEncoder();
    this.readable = new ReadableStream<Uint8Array>({
      start: (controller) => {
        this.timer = setInterval(() => {
          const line = this.line();
          if (line !== null) controller.enqueue(encoder.encode(line));
        }, EVERY_MS);
      },
      cancel: () => this.stop(),
    });
  }

  press(): void {
    this.pressed = true;
  }

  stop(): void {
    if (this.timer !== null) clearInterval(this.timer);
    this.timer = null;
  }

  /** The next line, or nothing while the wire is dead; a press waits until it lives again. */
  line(): string | null {
    this.count++;
    if (this.dead > 0) {
      this.dead--;
      return null;
    }
    if (!this.pressed && this.count % DEAD_EVERY === 0) {
      this.dead = DEAD_LINES;
      return null;
    }
    if (!this.pressed && this.count % GARBAGE_EVERY === 0) return '+0.1\u0000?~ m\r\n';
    const value = this.spindle() + NOISE_MM * (this.random() + this.random() - 1);
    const text = `${value < 0 ? '-' : '+'}${Math.abs(value).toFixed(4)} mm${this.pressed ? ' *' : ''}\r\n`;
    this.pressed = false;
    return text;
  }

  private random(): number {
    this.seed = (this.seed * 16807) % 2147483647;
    return this.seed / 2147483647;
  }
}

/** A made-up saw under the stand-in's spindle: the same value at the same place every time, like a real one. mm. */
export function standInValue(quantity: string, part: string | null, place: number): number {
  let hash = 2166136261;
  for (const letter of `${quantity}/${part ?? ''}/${place}`)
    hash = Math.imul(hash ^ letter.charCodeAt(0), 16777619) >>> 0;
  // Last digits differ in the low bits alone: stirred until they reach the high ones.
  hash = Math.imul(hash ^ (hash >>> 15), 2246822519) >>> 0;
  hash = (hash ^ (hash >>> 13)) >>> 0;
  const share = hash / 2 ** 32;
  const [usual, spread] = STAND_IN[quantity] ?? [0.1, 0.05];
  return usual + spread * (share - 0.5);
}

const STAND_IN: Readonly<Record<string, readonly [number, number]>> = {
  set: [0.13, 0.05],
  height: [-0.05, 0.12],
  'raker-depth': [0.34, 0.12],
  'raker-width': [8, 1.2],
  breast: [3, 0.4],
  runout: [0, 0.16],
  'runout-turned': [0, 0.16],
  'face-line': [32, 2],
  'bevel-fall': [0.6, 0.1],
  'chipper-height': [-0.3, 0.24],
  'groove-step': [0.1, 0.1],
  thickness: [0.9, 0.02],
  bow: [0.4, 0.5],
  'gullet-depth': [2, 0.3],
};
