import { DataTypes } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { columns, id, moment, whole, words } from '../../database/columns';

export interface PhotographRow extends Model<InferAttributes<PhotographRow>, InferCreationAttributes<PhotographRow>> {
  id: CreationOptional<number>;
  ticketId: number;
  caption: string;
  bytes: Buffer;
  widthPx: number;
  heightPx: number;
  takenBy: number;
  takenAt: CreationOptional<Date>;
}
export const definePhotograph = (sequelize: Sequelize) =>
  sequelize.define<PhotographRow>(
    'photograph',
    columns({
      id,
      ticketId: whole,
      caption: words,
      bytes: { type: DataTypes.BLOB, allowNull: false },
      widthPx: whole,
      heightPx: whole,
      takenBy: whole,
      takenAt: moment,
    }),
  );
