import type { BandFrame } from './band-frames';
import { FRAME_S, splitIntoBands } from './band-frames';
import type { FilerEar } from './filer-ear';
import type { EarEvent, PlaceEar } from './follow-place';
import { followPlace } from './follow-place';
import { hearKnocks } from './hear-knocks';
import type { StrokeEar } from './hear-strokes';
import { hearStrokes } from './hear-strokes';
import type { Learned } from './learn-ear';
import { learnEar } from './learn-ear';

/** While it learns: whether anything is heard at all. */
export type BenchEarEvent =
  | EarEvent
  | { readonly is: 'knock'; readonly atS: number }
  | { readonly is: 'mute'; readonly atS: number }
  | { readonly is: 'sound'; readonly atS: number };

/** No longer than this is kept to learn from. s */
const LEARNS_FOR_S = 120;
/** A microphone that gives nothing at all for so long is mute. s */
const MUTE_AFTER_S = 2;
const MUTE_PEAK = 1e-5;

/** One microphone at one bench: samples in, what they say out. It keeps no sound, only the powers it learns from. */
export interface BenchEar {
  readonly take: (samples: Float32Array, wanted: number) => BenchEarEvent[];
  /** What was heard since the learning began holds so many strokes in gullet after gullet. */
  readonly learn: (strokes: readonly number[]) => Learned;
  /** Begin to learn anew. */
  readonly forget: () => void;
  /** The filer has said where they are; `rightly` where a question stood and the gullet was indeed not done. */
  readonly anew: (rightly: boolean) => void;
}

export function benchEar(rate: number): BenchEar {
  const split = splitIntoBands(rate);
  const knocks = hearKnocks();
  let frames: BandFrame[] = [];
  let strokes: StrokeEar | null = null;
  let place: PlaceEar | null = null;
  let asked = false;
  let n = 0;
  let [silent, mute] = [0, false];

  const listenTo = (ear: FilerEar): void => {
    const own = hearStrokes(ear, split.lines);
    strokes = own;
    place = followPlace(ear, own.know);
    // The room is known from what was learned from.
    for (const frame of frames) own.take(frame);
    frames = [];
  };

  const hear = (frame: BandFrame, wanted: number): BenchEarEvent[] => {
    const atS = n++ * FRAME_S;
    const out: BenchEarEvent[] = [];
    silent = frame.peak < MUTE_PEAK ? silent + 1 : 0;
    if (!mute && silent * FRAME_S > MUTE_AFTER_S) out.push({ is: 'mute', atS });
    else if (mute && silent === 0) out.push({ is: 'sound', atS });
    mute = silent * FRAME_S > MUTE_AFTER_S;
    const knocked = knocks.take(frame);
    if (knocked && asked) out.push({ is: 'knock', atS });
    if (!strokes || !place) {
      frames.push(frame);
      if (frames.length * FRAME_S > 2 * LEARNS_FOR_S) frames = frames.slice(-Math.round(LEARNS_FOR_S / FRAME_S));
      return out;
    }
    const event = place.take(strokes.take(frame), wanted);
    if (event?.is === 'doubt') asked = true;
    return event ? [...out, event] : out;
  };

  return {
    take: (samples, wanted) => split.take(samples).flatMap((frame) => hear(frame, wanted)),
    learn: (wanted) => {
      const learned = learnEar(frames, split.lines, wanted);
      if (learned.ok) listenTo(learned.ear);
      else frames = [];
      return learned;
    },
    forget: () => {
      [strokes, place, frames, asked] = [null, null, [], false];
    },
    anew: (rightly) => {
      asked = false;
      place?.anew(rightly);
    },
  };
}
