import { Sequelize } from 'sequelize';
import { defineModels } from './models';
import type { Models } from './models';

export interface Database {
  readonly sequelize: Sequelize;
  readonly models: Models;
}

/** A pool on the given postgres:// address, with every model of the house on it. */
export function connect(url: string): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: 10, acquire: 8000, idle: 10_000 },
    define: { timestamps: false, underscored: true, freezeTableName: true },
    dialectOptions: { connectionTimeoutMillis: 5000, application_name: 'odontis' },
  });
  return { sequelize, models: defineModels(sequelize) };
}
