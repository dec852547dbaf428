import { DataTypes } from 'sequelize';

/** Column kinds of the house. Lengths are double precision, so no number comes back as text. */
export const id = { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true } as const;
export const whole = { type: DataTypes.INTEGER, allowNull: false } as const;
export const words = { type: DataTypes.TEXT, allowNull: false } as const;
export const maybeWords = { type: DataTypes.TEXT, allowNull: true } as const;
export const measure = { type: DataTypes.DOUBLE, allowNull: false } as const;
export const maybeWhole = { type: DataTypes.INTEGER, allowNull: true } as const;
export const maybeMeasure = { type: DataTypes.DOUBLE, allowNull: true } as const;
export const yesNo = { type: DataTypes.BOOLEAN, allowNull: false } as const;
export const json = { type: DataTypes.JSONB, allowNull: false } as const;
export const maybeJson = { type: DataTypes.JSONB, allowNull: true } as const;
export const moment = { type: DataTypes.DATE, allowNull: false, defaultValue: DataTypes.NOW } as const;
export const maybeMoment = { type: DataTypes.DATE, allowNull: true } as const;
export const day = { type: DataTypes.DATEONLY, allowNull: false } as const;
export const uuid = { type: DataTypes.UUID, primaryKey: true } as const;

/** A table's columns, each its own object: Sequelize writes the field's name into what it is given. */
export const columns = <T extends Record<string, object>>(of: T): T =>
  Object.fromEntries(Object.entries(of).map(([name, column]) => [name, { ...column }])) as T;
