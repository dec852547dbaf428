import { Sequelize } from 'sequelize';
import { defineModels } from './models';
import type { Models } from './models';

export interface Database {
  readonly sequelize: Sequelize;
  readonly models: Models;
}

/** Where the shop stands: its days begin and end by this computer's clock. */
const zoneHere = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** A pool on the given postgres:// address, with every model of the house on it. Days are the shop's own, of its time zone. */
export function connect(url: string, zone = zoneHere()): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    timezone: zone,
    // A new connection is a new process of the database: on a busy machine that alone can take seconds.
    pool: { max: 10, min: 1, acquire: 15_000, idle: 10_000 },
    define: { timestamps: false, underscored: true, freezeTableName: true },
    dialectOptions: { connectionTimeoutMillis: 10_000, application_name: 'odontis' },
  });
  return { sequelize, models: defineModels(sequelize) };
}
