import type { LineOrder, WorkOrder } from '@odontis/core/work/order';
import { isLineOrder } from '@odontis/core/work/order';
import type { WayId } from '@odontis/core/work/ways';
import { walkOf } from '@odontis/core/work/step';

/** An order with which of the ways it is, and which would have been the least; null where that was not reckoned. */
export interface Ordered {
  readonly order: WorkOrder;
  readonly way: WayId | null;
  readonly least: WayId | null;
}

/** An order as its row keeps it: whole, and what lists and statistics ask of it beside it. */
export const keptOrder = ({ order, way, least }: Ordered) => ({
  way,
  leastWay: least,
  body: withoutWords(order),
  work: order.work,
  depthMm: order.choice?.depthMm ?? null,
  stops: walkOf(order.steps).length,
  minutes: order.minutes,
});

/**
 * What was noted at a tooth decides nothing of its filing. An order is frozen for good, and a note may be about
 * somebody who is taken out of the book later: it stays with the readings, where it can be taken out.
 */
function withoutWords(order: WorkOrder): WorkOrder {
  if (!isLineOrder(order)) return order;
  const bare = <T extends Pick<LineOrder, 'inputs'>>(line: T): T => ({
    ...line,
    inputs: { ...line.inputs, readings: line.inputs.readings.map(({ note: _, ...reading }) => reading) },
  });
  return bare({ ...order, ...(order.beside && { beside: bare(order.beside) }) });
}
