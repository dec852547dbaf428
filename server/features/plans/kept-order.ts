import type { WorkOrder } from '@odontis/core/work/order';
import { walkOf } from '@odontis/core/work/step';

/** An order as its row keeps it: whole, and what lists and statistics ask of it beside it. */
export const keptOrder = (order: WorkOrder) => ({
  body: order,
  work: order.work,
  depthMm: order.choice?.depthMm ?? null,
  stops: walkOf(order.steps).length,
  minutes: order.minutes,
});
