import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { Plan } from '@odontis/core/plan/make-plan';
import type { PlanInputs } from '@odontis/core/plan/plan-inputs';
import { columns, id, json, measure, moment, whole } from '../../database/columns';

export interface PlanRow extends Model<InferAttributes<PlanRow>, InferCreationAttributes<PlanRow>> {
  id: CreationOptional<number>;
  ticketId: number;
  number: number;
  inputs: PlanInputs;
  plan: Plan;
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
      inputs: json,
      plan: json,
      stops: whole,
      minutes: measure,
      acceptedBy: whole,
      acceptedAt: moment,
    }),
  );
