import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { ShopBook } from '@odontis/contract/shop';
import { columns, id, json, moment, whole, yesNo } from '../../database/columns';

export interface ShopRow extends Model<InferAttributes<ShopRow>, InferCreationAttributes<ShopRow>> {
  id: number;
  version: number;
  book: ShopBook;
  changedBy: number | null;
  changedAt: Date;
  /** A made-up shop to look at, where anybody is let in by a press. */
  demo: CreationOptional<boolean>;
}
export const defineShop = (sequelize: Sequelize) =>
  sequelize.define<ShopRow>(
    'shop',
    columns({
      id: { ...id, autoIncrement: false },
      version: whole,
      book: json,
      changedBy: { ...whole, allowNull: true },
      changedAt: moment,
      demo: { ...yesNo, defaultValue: false },
    }),
  );
