import { STROKES_PER_CORNER } from '../file/file-choice';
import type { Step, WalkStop } from './step';

/** Something to be done with the saw or the file before this stop, that is easily forgotten. */
export type Moment = 'turn-saw' | 'fresh-corner';

/** Where one stands for a step: a tooth is set bent away, so from the side it does not lean to. */
export const standsOn = ({ kind, side }: Step): Step['side'] =>
  kind === 'set' && side !== null ? (side === 'left' ? 'right' : 'left') : side;

/** Where one stood for the step before; what is done to the whole saw leaves it as it stands. */
const stoodOn = (steps: readonly Step[], step: number): Step['side'] => {
  const before = steps.slice(0, step).findLast((one) => one.unit !== 'whole');
  return before ? standsOn(before) : null;
};

/** The corner somebody files with: strokes it has made by now, and strokes it gives. */
export interface CornerInHand {
  readonly tool: string;
  readonly made: number;
  readonly gives: number;
}

/**
 * What comes before a stop: the other side of the saw, where its step is worked from another than the step
 * before; a fresh corner of the file, where a last pass begins, or where the strokes made with the same file reach
 * what a corner gives: by the Store, where the corner in hand is known, else by common practice, no source.
 * O(stops before it).
 */
export function momentsBefore(
  steps: readonly Step[],
  walk: readonly WalkStop[],
  place: number,
  corner: CornerInHand | null = null,
): Moment[] {
  const stop = walk[place];
  const step = stop && steps[stop.step];
  if (!stop || !step || step.unit === 'whole') return [];
  const first = walk[place - 1]?.step !== stop.step;
  const moments: Moment[] = [];
  const [was, is] = [stoodOn(steps, stop.step), standsOn(step)];
  if (first && was !== null && is !== null && was !== is) moments.push('turn-saw');
  if (step.unit === 'gullet' && step.tool !== null) {
    const sameFile = (one: WalkStop | undefined): number => {
      const of = one && steps[one.step];
      return one && of?.unit === 'gullet' && of.tool === step.tool ? one.strokes : 0;
    };
    const known = corner?.tool === step.tool ? corner : null;
    const made = known?.made ?? walk.slice(0, place).reduce((sum, one) => sum + sameFile(one), 0);
    const corners = (strokes: number): number => Math.floor(strokes / (known?.gives ?? STROKES_PER_CORNER));
    // A corner turned to just now made none of the strokes before.
    const before = Math.max(0, made - sameFile(walk[place - 1]));
    if (corners(made) > corners(before) || (first && step.kind === 'last-pass')) moments.push('fresh-corner');
  }
  return moments;
}
