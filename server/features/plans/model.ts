import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { WorkOrder } from '@odontis/core/work/order';
import { columns, id, json, maybeMeasure, measure, moment, whole, words } from '../../database/columns';

/** An accepted order as kept. `body` is of whatever form it was written in: read it with `readOrder` alone. */
export interface PlanRow extends Model<InferAttributes<PlanRow>, InferCreationAttributes<PlanRow>> {
  id: CreationOptional<number>;
  ticketId: number;
  number: number;
  body: object;
  /** Out of the body, for lists and statistics. */
  work: WorkOrder['work'];
  depthMm: number | null;
  stops: number;
  minutes: number;
  acceptedBy: number;
  acceptedAt: CreationOptional<Date>;
}
export const definePlan = (sequelize: Sequelize) =>
  sequelize.define<PlanRow>(
    'plan',
    columns({
      id,
      ticketId: whole,
      number: whole,
      body: json,
      work: words,
      depthMm: maybeMeasure,
      stops: whole,
      minutes: measure,
      acceptedBy: whole,
      acceptedAt: moment,
    }),
  );
