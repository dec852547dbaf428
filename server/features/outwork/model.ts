import { DataTypes } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { Result } from '@odontis/core/work/deeds';
import { columns, day, id, maybeMeasure, measure, moment, whole, words } from '../../database/columns';

const key = { type: DataTypes.UUID, allowNull: false } as const;

/** A saw sent to a grinder. */
export interface OutworkRow extends Model<InferAttributes<OutworkRow>, InferCreationAttributes<OutworkRow>> {
  id: CreationOptional<number>;
  key: string;
  ticketId: number;
  number: number;
  grinder: string;
  work: string;
  dueOn: string;
  amount: number | null;
  personId: number;
  at: CreationOptional<Date>;
}
export const defineOutwork = (sequelize: Sequelize) =>
  sequelize.define<OutworkRow>(
    'outwork',
    columns({
      id,
      key,
      ticketId: whole,
      number: whole,
      grinder: words,
      work: words,
      dueOn: day,
      amount: maybeMeasure,
      personId: whole,
      at: moment,
    }),
  );

/** It came back, how, and for what. */
export interface OutworkBackRow extends Model<
  InferAttributes<OutworkBackRow>,
  InferCreationAttributes<OutworkBackRow>
> {
  outworkId: number;
  key: string;
  result: Result;
  amount: number;
  personId: number;
  at: CreationOptional<Date>;
}
export const defineOutworkBack = (sequelize: Sequelize) =>
  sequelize.define<OutworkBackRow>(
    'outwork_back',
    columns({
      outworkId: { type: DataTypes.INTEGER, primaryKey: true },
      key,
      result: words,
      amount: measure,
      personId: whole,
      at: moment,
    }),
  );
