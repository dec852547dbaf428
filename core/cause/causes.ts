import type { CutAdvice } from '../set/test-cut-verdict';

/** What a saw's cut may be at fault for. One of them is taken to be the main one. */
export const CAUSES = [
  'set-left',
  'set-right',
  'set-thin',
  'set-wide',
  'burr-left',
  'burr-right',
  'load-left',
  'load-right',
  'dull-left',
  'dull-right',
  'dull',
  'line-uneven',
  'tooth-left',
  'tooth-right',
  'rakers-high',
  'rakers-low',
  'weld',
  'beat-tooth',
  'plate-bent',
  'hand',
  'wood',
] as const;
export type Cause = (typeof CAUSES)[number];

/** A saw as far as it decides which causes there can be. */
export interface OfWhichSaw {
  readonly goes: 'to-and-fro' | 'band' | 'round';
  readonly rakers: boolean;
  /** It is set, and not tipped. */
  readonly set: boolean;
}

/** How often each is at fault when a saw fails its test cut, beside the others. Judgement, no source. */
const USUAL: Record<Cause, number> = {
  'set-left': 3,
  'set-right': 3,
  'set-thin': 3,
  'set-wide': 1.5,
  'burr-left': 1,
  'burr-right': 1,
  'load-left': 1,
  'load-right': 1,
  'dull-left': 1,
  'dull-right': 1,
  dull: 2,
  'line-uneven': 4,
  'tooth-left': 0.7,
  'tooth-right': 0.7,
  'rakers-high': 3,
  'rakers-low': 2,
  weld: 3,
  'beat-tooth': 3,
  'plate-bent': 1,
  hand: 2,
  wood: 1.5,
};

function canBe(cause: Cause, { goes, rakers, set }: OfWhichSaw): boolean {
  if (cause.startsWith('rakers')) return rakers;
  if (cause === 'weld' || cause === 'beat-tooth') return goes === 'band';
  if (cause.startsWith('set-')) return set;
  // A blade on an arbor is steered by no hand; a band's heights are its beat.
  if (cause === 'hand') return goes === 'to-and-fro';
  if (cause.startsWith('load')) return goes === 'to-and-fro';
  if (cause === 'line-uneven') return goes !== 'band';
  return true;
}

/** Causes that such a saw can have, with their odds before anything is known of it; they sum to 1. */
export function usualOdds(saw: OfWhichSaw): ReadonlyMap<Cause, number> {
  const can = CAUSES.filter((cause) => canBe(cause, saw));
  const all = can.reduce((sum, cause) => sum + USUAL[cause], 0);
  return new Map(can.map((cause) => [cause, USUAL[cause] / all]));
}

/** What puts a cause right, by the codes a check already speaks in, and how long that takes. Minutes: judgement, no source. */
export interface Remedy {
  readonly advice: CutAdvice;
  readonly minutes: number;
}
const REMEDIES: Record<Cause, Remedy> = {
  'set-left': { advice: 'stone', minutes: 1 },
  'set-right': { advice: 'stone', minutes: 1 },
  'set-thin': { advice: 'add-set', minutes: 10 },
  'set-wide': { advice: 'ease-set', minutes: 3 },
  'burr-left': { advice: 'stone', minutes: 1 },
  'burr-right': { advice: 'stone', minutes: 1 },
  'load-left': { advice: 'joint-again', minutes: 20 },
  'load-right': { advice: 'joint-again', minutes: 20 },
  'dull-left': { advice: 'file-dull-side', minutes: 12 },
  'dull-right': { advice: 'file-dull-side', minutes: 12 },
  dull: { advice: 'file-again', minutes: 15 },
  'line-uneven': { advice: 'joint-again', minutes: 20 },
  'tooth-left': { advice: 'dress-tooth', minutes: 1 },
  'tooth-right': { advice: 'dress-tooth', minutes: 1 },
  'rakers-high': { advice: 'file-rakers', minutes: 10 },
  'rakers-low': { advice: 'joint-to-rakers', minutes: 30 },
  weld: { advice: 'dress-weld', minutes: 5 },
  'beat-tooth': { advice: 'blend-tooth', minutes: 3 },
  'plate-bent': { advice: 'straighten-plate', minutes: 10 },
  hand: { advice: 'cut-again', minutes: 2 },
  wood: { advice: 'leave-wood', minutes: 0.5 },
};
/** The same of a rim that is read by dial. */
export const remedyOf = (cause: Cause, { goes }: Pick<OfWhichSaw, 'goes'>): Remedy =>
  cause === 'line-uneven' && goes === 'round' ? { advice: 'equalise-again', minutes: 15 } : REMEDIES[cause];

/** Left and right changed over: the causes of a saw seen from its other side. */
export const mirrored = (cause: Cause): Cause => {
  const other = cause.endsWith('-left')
    ? cause.replace('-left', '-right')
    : cause.endsWith('-right')
      ? cause.replace('-right', '-left')
      : cause;
  return CAUSES.find((one) => one === other) ?? cause;
};
