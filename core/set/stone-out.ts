import type { RateFit } from '../calibration/proportional-fit';
import type { SetOfSides } from '../evidence/set-of';
import { normalBelow } from './drift';
import { BALANCED_WITHIN_MM, setBalance } from './set-balance';

/** A saw's sides after so many light passes of the stone along the heavier one. mm. */
export interface StonedPass {
  readonly passes: number;
  readonly leftMm: number;
  readonly rightMm: number;
  /** Left less right, and its standard error: that of the readings and of what a pass takes; null where that is not known. */
  readonly differenceMm: number;
  readonly errorMm: number | null;
  readonly runsTo: 'left' | 'right' | 'true';
  /** Chance that the saw then leans the way its difference says, 0.5 to 1; null where the error is not known. */
  readonly chance: number | null;
}

/** Passes foretold at the most; a side that wants more is set anew. */
const MOST_PASSES = 12;

/**
 * One side stoned pass by pass until both are alike: what is left of its set after each, as this stone was found to
 * take it. The first entry is the saw as it stands. Errors of independent parts add in squares:
 * sqrt(e^2 + (n r_e)^2). Even sides, or one nobody read, give that entry alone. mm. Throws RangeError on a stone that takes nothing.
 */
export function stoneOut({ left, right }: SetOfSides, stone: Pick<RateFit, 'rate' | 'error'>): readonly StonedPass[] {
  if (!(stone.rate > 0)) throw new RangeError('A pass of the stone must take some metal.');
  const balance = setBalance(left, right);
  const heavier = balance.differenceMm > 0 ? 'left' : 'right';
  const after = (passes: number): StonedPass => {
    const off = passes * stone.rate;
    const leftMm = left.meanMm - (heavier === 'left' ? off : 0);
    const rightMm = right.meanMm - (heavier === 'right' ? off : 0);
    const differenceMm = leftMm - rightMm;
    const errorMm = balance.errorMm === null ? null : Math.hypot(balance.errorMm, passes * stone.error);
    const runs = Math.abs(differenceMm) > BALANCED_WITHIN_MM;
    return {
      ...{ passes, leftMm, rightMm, differenceMm, errorMm },
      runsTo: runs ? (differenceMm > 0 ? 'left' : 'right') : 'true',
      chance: errorMm === null || errorMm === 0 ? null : normalBelow(Math.abs(differenceMm) / errorMm),
    };
  };
  const passes = [after(0)];
  if (left.count === 0 || right.count === 0) return passes;
  // Half a pass too few is nearer than half a pass too many.
  while (
    passes.length <= MOST_PASSES &&
    passes[passes.length - 1]?.runsTo !== 'true' &&
    Math.abs(balance.differenceMm) > (passes.length - 0.5) * stone.rate
  )
    passes.push(after(passes.length));
  return passes;
}
