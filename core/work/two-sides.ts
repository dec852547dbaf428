import type { Lean } from '../evidence/tooth-reading';
import { standsOn } from './moments';
import type { Step, WalkStop } from './step';

/** Where one of two people on one saw's two sides stands. */
export type PlaceOnSide =
  | { readonly at: 'stop'; readonly place: number }
  /** Their side of this operation is done, the other's is not: so many stops of it are left. */
  | { readonly at: 'wait'; readonly left: number }
  | { readonly at: 'end' };

/**
 * The first stop not done of the operation in hand that is worked from this side or from either. Nobody goes on to the
 * next operation before the other side has done this one: a tooth is not sharpened before it is set. O(stops).
 */
export function placeOnSide(
  steps: readonly Step[],
  walk: readonly WalkStop[],
  done: ReadonlySet<number>,
  side: Lean,
): PlaceOnSide {
  const first = walk.find((stop) => !done.has(stop.index));
  const kind = first && steps[first.step]?.kind;
  if (!first) return { at: 'end' };
  let left = 0;
  for (const stop of walk.slice(first.index)) {
    const step = steps[stop.step];
    if (!step || step.kind !== kind) break;
    if (done.has(stop.index)) continue;
    const stands = standsOn(step);
    if (stands === null || stands === side) return { at: 'stop', place: stop.index };
    left++;
  }
  return { at: 'wait', left };
}
