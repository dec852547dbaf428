import type { Filing } from '../saw/families';
import type { BesideLine, LineOrder, WorkOrder } from './order';

/** One line of teeth as an order has it: the whole order's own of most saws, each edge of a two-edged one. */
export interface OrderedLine extends Pick<BesideLine, 'inputs' | 'targets' | 'forecast'> {
  readonly edge: Filing | null;
}

/** Every line an order works, in the order it is worked; none of a saw worked by hand. */
export function linesOfOrder(order: WorkOrder | LineOrder | null | undefined): OrderedLine[] {
  if (!order?.forecast || !order.inputs) return [];
  const { inputs, targets, forecast, beside } = order;
  return [{ inputs, targets, forecast }, ...(beside ? [beside] : [])].map((one) => ({
    ...{ inputs: one.inputs, targets: one.targets, forecast: one.forecast },
    edge: one.inputs.pull?.edge ?? null,
  }));
}

/** Of a check's rounds: the lines whose last cut has not passed, in the order they are worked. */
export const linesToCut = (
  order: WorkOrder,
  rounds: readonly { readonly edge: Filing | null; readonly verdict: 'pass' | 'again' | 'open' }[],
): OrderedLine[] =>
  linesOfOrder(order).filter(({ edge }) => rounds.findLast((round) => round.edge === edge)?.verdict !== 'pass');
