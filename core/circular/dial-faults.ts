import type { PlaceEstimate } from '../evidence/estimates';

/** A turn of a dial's long hand, as dials are divided: 1 mm, or a tenth of an inch. mm. */
const TURNS_MM = [1, 2.54] as const;
/** A step this near a whole turn is one. No source. mm. */
const NEAR_TURN_MM = 0.12;
/** Teeth next to each other stand this near on any blade worth filing. No source. mm. */
const NEIGHBOURS_MM = 0.6;

/** A stretch of readings that stands a whole turn of the hand away from those before it. */
export interface JumpedTurn {
  /** The first and last tooth of it. */
  readonly from: number;
  readonly to: number;
  /** What is to be taken off every reading of it, mm. */
  readonly offMm: number;
}

/**
 * Where the dial's hand went round once more than was counted: a step of a whole turn between two
 * teeth read one after the other, and one back. The shorter stretch is the wrong one. mm. O(n).
 */
export function jumpedTurn(readings: readonly PlaceEstimate[]): JumpedTurn | null {
  const steps = readings.slice(1).flatMap((r, i) => {
    const by = r.valueMm - (readings[i]?.valueMm ?? 0);
    const turn = TURNS_MM.find((mm) => Math.abs(Math.abs(by) - mm) <= NEAR_TURN_MM);
    return turn !== undefined && Math.abs(by) > NEIGHBOURS_MM ? [{ at: i + 1, byMm: Math.sign(by) * turn }] : [];
  });
  const [first, second] = steps;
  if (!first || steps.length > 2 || (second && first.byMm + second.byMm !== 0)) return null;
  const end = second ? second.at : readings.length;
  const inside = end - first.at;
  const span = (from: number, to: number, offMm: number): JumpedTurn => ({
    from: readings[from]?.place ?? 0,
    to: readings[to - 1]?.place ?? 0,
    offMm,
  });
  if (second || inside <= first.at) return span(first.at, end, first.byMm);
  return span(0, first.at, -first.byMm);
}

/** A rim read with no gap wider than this share of it tells a circle. No source. */
const WIDEST_GAP_SHARE = 1 / 3;

/** The widest stretch of a rim that nobody read, where it is too wide to tell a circle by; null where it is not. O(n). */
export function rimGap(
  places: readonly number[],
  teeth: number,
): { readonly after: number; readonly before: number } | null {
  const sorted = [...places].sort((a, b) => a - b);
  const gaps = sorted.map((after, i) => {
    const before = sorted[i + 1] ?? (sorted[0] ?? after) + teeth;
    return { after, before: ((before - 1) % teeth) + 1, share: (before - after) / teeth };
  });
  const widest = gaps.reduce((most, gap) => (gap.share > most.share ? gap : most), { after: 0, before: 0, share: 0 });
  return widest.share > WIDEST_GAP_SHARE ? { after: widest.after, before: widest.before } : null;
}
