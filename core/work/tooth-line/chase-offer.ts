import type { Sharpenings } from '../../life/life';
import { SHARPENING_MM } from '../../life/sharpening-metal';
import type { ChaseAdvice } from '../../line/chase';
import { chaseAdvice } from '../../line/chase';
import { lowered } from '../../line/depth-curve';
import type { LineOrder } from '../order';
import type { Price, Rates } from '../price';
import { viewDepth } from './depth-view';
import { makeOrder } from './make-order';
import { onLine } from './cutters';
import type { LineStudy } from './study';

/** A shop chases a tooth that costs no more than one sharpening. Common practice, no source. */
const CHASE_WITHIN = 1;

/** What one way of dealing with short teeth comes to. */
export interface ChaseSide {
  readonly depthMm: number;
  readonly spent: Sharpenings;
  readonly minutes: number;
  readonly price: Price | null;
}

/** Teeth that stay under the line, and both ways of dealing with them. */
export interface ChaseOffer {
  /** The shortest first; empty where every tooth reaches the line. */
  readonly teeth: readonly ChaseAdvice[];
  /** At the depth chosen: they are blended in and come back by themselves. */
  readonly blend: ChaseSide;
  /** Down to the shortest that stands; null where there is none, or the teeth do not allow it. */
  readonly chase: ChaseSide | null;
}

/** Teeth under the line at a depth, the shortest first, each with what bringing it back would cost. mm. O(n log n). */
export function shortTeeth(
  { inputs, pitchMm, toothHeightMm, datum, cutters }: LineStudy,
  depthMm: number,
): ChaseAdvice[] {
  return chaseAdvice(
    onLine(inputs.readings, cutters?.roles ?? null),
    inputs.readings.filter((r) => r.kind === 'missing').map((r) => r.tooth),
    lowered(datum, depthMm),
    {
      plateThicknessMm: inputs.saw.plateThicknessMm,
      pitchMm,
      toothHeightMm,
      perSharpeningMm: SHARPENING_MM,
      chaseWithin: CHASE_WITHIN,
      line: inputs.line === 'free' && !cutters ? 'free' : 'held',
    },
  );
}

/** What an order comes to at its depth. */
export const sideOf = ({ forecast, minutes, price }: LineOrder, depthMm: number): ChaseSide => ({
  ...{ depthMm, minutes, price },
  spent: forecast.life.spent,
});

/** What one depth comes to. */
const sideAt = (study: LineStudy, mm: number, rates: Rates | null): ChaseSide =>
  sideOf(makeOrder(study, mm, rates), mm);

/** The joint taken so deep that the lowest raker is right under its cutters; null where none is too low or the cutters do not bear it. mm. */
export function toLowestRaker(study: LineStudy, depthMm: number, rates: Rates | null): ChaseSide | null {
  const down = viewDepth(study, depthMm).rakers?.plan.cuttersDownMm ?? 0;
  return down > 0 && depthMm + down <= study.deepestMm ? sideAt(study, depthMm + down, rates) : null;
}

/** Depths nearer than this are one, mm. */
const ONE_DEPTH_MM = 1e-9;

/**
 * Blend or chase, with the depth, the life, the time and the money of each; sides of this very study and these rates
 * that are `known` are not worked out again: under a moving handle the depth to chase to stays where it is. mm. O(n log n).
 */
export function chaseOffer(
  study: LineStudy,
  depthMm: number,
  rates: Rates | null,
  known: readonly ChaseSide[] = [],
): ChaseOffer {
  const { inputs } = study;
  const teeth = shortTeeth(study, depthMm);
  const side = (mm: number): ChaseSide =>
    known.find((one) => Math.abs(one.depthMm - mm) < ONE_DEPTH_MM) ?? sideAt(study, mm, rates);
  const missing = new Set(inputs.readings.filter((r) => r.kind === 'missing').map((r) => r.tooth));
  const shortest = teeth.find((t) => !missing.has(t.tooth));
  const down = shortest ? depthMm + shortest.shortMm : null;
  return {
    teeth,
    blend: side(depthMm),
    chase: down !== null && down <= study.deepestMm ? side(down) : null,
  };
}
