import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { Saw } from '@odontis/core/saw/saw';
import { columns, id, json, maybeMoment, measure, whole, words, yesNo } from '../../database/columns';

export interface CustomerRow extends Model<InferAttributes<CustomerRow>, InferCreationAttributes<CustomerRow>> {
  id: CreationOptional<number>;
  name: string;
  phone: string;
  email: string;
  version: CreationOptional<number>;
  business: CreationOptional<boolean>;
  note: CreationOptional<string>;
  forgottenAt: CreationOptional<Date | null>;
  createdBy: number;
}
export const defineCustomer = (sequelize: Sequelize) =>
  sequelize.define<CustomerRow>(
    'customer',
    columns({
      id,
      name: words,
      phone: words,
      email: words,
      version: { ...whole, defaultValue: 1 },
      business: { ...yesNo, defaultValue: false },
      note: { ...words, defaultValue: '' },
      forgottenAt: maybeMoment,
      createdBy: whole,
    }),
  );

export interface ContactRow extends Model<InferAttributes<ContactRow>, InferCreationAttributes<ContactRow>> {
  id: CreationOptional<number>;
  customerId: number;
  name: string;
  phone: string;
  email: string;
  place: number;
}
export const defineContact = (sequelize: Sequelize) =>
  sequelize.define<ContactRow>(
    'contact',
    columns({ id, customerId: whole, name: words, phone: words, email: words, place: whole }),
  );

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
  /** What only its family has, by name. */
  shape: Record<string, unknown>;
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
      shape: json,
      createdBy: whole,
    }),
  );
