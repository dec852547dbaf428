import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { WayId } from '@odontis/core/work/ways';
import type { WorkOrder } from '@odontis/core/work/order';
import { columns, id, json, maybeMeasure, maybeWords, measure, moment, whole, words } from '../../database/columns';

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
  way: WayId | null;
  leastWay: WayId | null;
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
      way: maybeWords,
      leastWay: maybeWords,
      minutes: measure,
      acceptedBy: whole,
      acceptedAt: moment,
    }),
  );

/** Why a plan was chosen: beside its frozen order, where it can be taken out. */
export interface PlanReasonRow extends Model<InferAttributes<PlanReasonRow>, InferCreationAttributes<PlanReasonRow>> {
  planId: number;
  why: string;
}
export const definePlanReason = (sequelize: Sequelize) =>
  sequelize.define<PlanReasonRow>('plan_reason', columns({ planId: { ...whole, primaryKey: true }, why: words }));
