import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';
import type { Preparation } from '@odontis/contract/preparing';
import { columns, id, maybeMeasure, moment, whole, words } from '../../database/columns';

export interface PreparationRow extends Model<
  InferAttributes<PreparationRow>,
  InferCreationAttributes<PreparationRow>
> {
  id: CreationOptional<number>;
  key: string;
  ticketId: number;
  kind: Preparation['kind'];
  result: Preparation['result'];
  minutes: number | null;
  personId: number;
  at: CreationOptional<Date>;
}
export const definePreparation = (sequelize: Sequelize) =>
  sequelize.define<PreparationRow>(
    'preparation',
    columns({
      id,
      key: { type: DataTypes.UUID, allowNull: false },
      ticketId: whole,
      kind: words,
      result: words,
      minutes: maybeMeasure,
      personId: whole,
      at: moment,
    }),
  );
