import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { Saw } from '@odontis/contract/ticket';
import { columns, id, measure, whole, words } from '../../database/columns';

export interface CustomerRow extends Model<InferAttributes<CustomerRow>, InferCreationAttributes<CustomerRow>> {
  id: CreationOptional<number>;
  name: string;
  phone: string;
  email: string;
  createdBy: number;
}
export const defineCustomer = (sequelize: Sequelize) =>
  sequelize.define<CustomerRow>('customer', columns({ id, name: words, phone: words, email: words, createdBy: whole }));

export interface SawRow extends Model<InferAttributes<SawRow>, InferCreationAttributes<SawRow>> {
  id: CreationOptional<number>;
  customerId: number;
  name: string;
  family: Saw['family'];
  filing: Saw['filing'];
  pitchMm: number;
  convention: Saw['convention'];
  toothLineMm: number;
  plateThicknessMm: number;
  plateDepthHeelMm: number;
  plateDepthToeMm: number;
  backFixing: Saw['backFixing'];
  marksOnIt: string;
  createdBy: number;
}
export const defineSaw = (sequelize: Sequelize) =>
  sequelize.define<SawRow>(
    'saw',
    columns({
      id,
      customerId: whole,
      name: words,
      family: words,
      filing: words,
      pitchMm: measure,
      convention: words,
      toothLineMm: measure,
      plateThicknessMm: measure,
      plateDepthHeelMm: measure,
      plateDepthToeMm: measure,
      backFixing: words,
      marksOnIt: words,
      createdBy: whole,
    }),
  );
