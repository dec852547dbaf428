import type { BenchEarEvent } from '@odontis/core/hear/bench-ear';
import type { Learned } from '@odontis/core/hear/learn-ear';

/** What the page tells the ear; samples come to it by a port of their own, from the audio worklet. */
export type HearOrder =
  | { readonly do: 'begin'; readonly rate: number; readonly port: MessagePort }
  /** Strokes wanted in the place in hand; null where nothing is to be heard just now. */
  | { readonly do: 'want'; readonly strokes: number | null }
  | { readonly do: 'learn'; readonly strokes: readonly number[] }
  | { readonly do: 'forget' }
  /** `rightly`: a question stood, and the gullet was indeed not done. */
  | { readonly do: 'anew'; readonly rightly: boolean };

export type HearAnswer =
  | { readonly is: 'heard'; readonly events: readonly BenchEarEvent[] }
  | { readonly is: 'learned'; readonly learned: Learned };
