import type { StrokeRate } from '../../line/strokes';
import type { LineOrder } from '../order';
import type { Step, WalkStop } from '../step';
import { orderSteps } from './order-steps';
import type { LineStudy } from './study';
import { studyLine } from './study';
import { viewDepth } from './depth-view';

/** What a kept order was worked out from, worked out again; of a two-edged saw both edges. */
export function studyOfOrder({ inputs, beside }: LineOrder): LineStudy {
  const other = beside ? { study: studyLine(beside.inputs), depthMm: beside.depthMm } : null;
  return { ...studyLine(inputs), beside: other };
}

/** Steps whose strokes are reckoned from a depth to go; a pass that sharpens has the shop's own number. */
const RECKONED: ReadonlySet<Step['kind']> = new Set([
  ...(['shape', 'reshape', 'cut', 'point', 'edge'] as const),
  ...(['raker-tips', 'raker-gullets', 'thin-rakers'] as const),
]);

/** A stop of a kept order whose strokes another hand's rate changes; 0: one more would take too much. */
export type StrokesAgain = ReadonlyMap<WalkStop['index'], number>;

/**
 * Strokes of a kept order's stops by what a stroke takes now: measured at the bench since, or of another hand than it
 * was planned for. Depths, stops and all else stay as they were accepted; only stops whose number changes are told.
 * Nothing where the rate is the plan's own. O(n).
 */
export function strokesAgain(
  order: LineOrder,
  walk: readonly WalkStop[],
  rateOf: (file: string) => StrokeRate,
): StrokesAgain {
  const { inputs, choice, work, steps } = order;
  const rate = rateOf(order.forecast.file.name);
  const { rateMmPerStroke, errorMmPerStroke } = inputs.strokeRate;
  if (rate.readings === 0 || (rate.rateMmPerStroke === rateMmPerStroke && rate.errorMmPerStroke === errorMmPerStroke))
    return new Map();
  const study = studyLine({ ...inputs, strokeRate: rate });
  const own = orderSteps(study, viewDepth(study, choice.depthMm), work, order.forecast.set.reset);
  const strokes = new Map<string, number>();
  for (const step of own) for (const stop of step.stops) strokes.set(keyOf(step, stop.at), stop.strokes);
  const found = new Map<number, number>();
  for (const stop of walk) {
    const step = steps[stop.step];
    // Of a two-edged saw the edge that the order is named by.
    if (!step || !RECKONED.has(step.kind) || (step.line && step.line !== inputs.saw.filing)) continue;
    const now = strokes.get(keyOf(step, stop.at)) ?? 0;
    if (now !== stop.strokes) found.set(stop.index, now);
  }
  return found;
}

const keyOf = ({ kind, side, edge }: Step, at: number): string => `${kind} ${side ?? ''} ${edge ?? ''} ${at}`;
