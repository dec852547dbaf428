import type { InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { ShopBook } from '@odontis/contract/shop';
import { id, json, moment, whole } from '../../database/columns';

export interface ShopRow extends Model<InferAttributes<ShopRow>, InferCreationAttributes<ShopRow>> {
  id: number;
  version: number;
  book: ShopBook;
  changedBy: number | null;
  changedAt: Date;
}
export const defineShop = (sequelize: Sequelize) =>
  sequelize.define<ShopRow>('shop', {
    id: { ...id, autoIncrement: false },
    version: whole,
    book: json,
    changedBy: { ...whole, allowNull: true },
    changedAt: moment,
  });
