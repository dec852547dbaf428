import type { Estimate } from '../evidence/estimate';
import { weightedMean } from '../evidence/estimate';
import type { Lean } from '../evidence/tooth-reading';
import type { EdgeTooth } from './read-edge';

/** Set and lean of a tooth of the saw, seen along the points; mm. */
export interface ToothSet {
  readonly tooth: number;
  readonly setMm: number;
  readonly errorMm: number;
  /** Null for a tooth that leans to neither side. */
  readonly lean: Lean | null;
}

/**
 * Teeth of a photograph along the points as the saw's own: numbered from the heel, the first of them `first`; left as
 * seen from the handle. With the heel on the picture's left, up is left.
 */
export function setsOf(teeth: readonly EdgeTooth[], first: number, heel: 'left' | 'right'): ToothSet[] {
  const order = heel === 'left' ? teeth : [...teeth].reverse();
  const up: Lean = heel === 'left' ? 'left' : 'right';
  const down: Lean = heel === 'left' ? 'right' : 'left';
  return order.map((t, i) => ({
    tooth: first + i,
    setMm: t.setMm,
    errorMm: t.errorMm,
    lean: t.leans === null ? null : t.leans === 'up' ? up : down,
  }));
}

export interface SetsSummary {
  readonly left: (Estimate & { readonly teeth: number }) | null;
  readonly right: (Estimate & { readonly teeth: number }) | null;
  /** Width of the cut: plate and both sides' mean set, mm; null where one side has none. */
  readonly kerfMm: number | null;
  /** How much more the left side has than the right, mm; null where one side has none. */
  readonly leftMoreMm: Estimate | null;
}

/** What the sets of both sides come to; `sideErrorMm` is what one side may be told too much and the other too little. */
export function summariseSets(sets: readonly ToothSet[], plateMm: number, sideErrorMm: number): SetsSummary {
  const meanOf = (lean: Lean): SetsSummary['left'] => {
    const own = sets.filter((s) => s.lean === lean);
    const mean = weightedMean(own.map((s) => ({ value: s.setMm, error: Math.max(s.errorMm, 1e-3) })));
    return mean && { value: mean.value, error: Math.hypot(mean.error, sideErrorMm), teeth: own.length };
  };
  const [left, right] = [meanOf('left'), meanOf('right')];
  return {
    left,
    right,
    kerfMm: left && right ? plateMm + left.value + right.value : null,
    leftMoreMm: left &&
      right && {
        value: left.value - right.value,
        error: 2 * sideErrorMm,
      },
  };
}
