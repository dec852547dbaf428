import pg from 'pg';
import { Sequelize } from 'sequelize';
import { defineModels } from './models';
import type { Models } from './models';

export interface Database {
  readonly sequelize: Sequelize;
  readonly models: Models;
}

/**
 * A connection whose end is heard from its first moment: one that the database closes just as it opens ends
 * before the pool listens, and an error nobody hears ends the whole process. What was asked of it is told by
 * the query that fails.
 */
class HeardClient extends pg.Client {
  constructor(config?: string | pg.ClientConfig) {
    super(config);
    this.on('error', () => undefined);
  }
}

/** Where the shop stands: its days begin and end by this computer's clock. */
const zoneHere = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** A pool on the given postgres:// address, with every model of the house on it. Days are the shop's own, of its time zone. */
export function connect(url: string, zone = zoneHere()): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    timezone: zone,
    dialectModule: { ...pg, Client: HeardClient },
    // A new connection is a new process of the database: on a busy machine that alone can take seconds.
    pool: { max: 10, min: 1, acquire: 15_000, idle: 10_000 },
    define: { timestamps: false, underscored: true, freezeTableName: true },
    dialectOptions: { connectionTimeoutMillis: 10_000, application_name: 'odontis' },
  });
  return { sequelize, models: defineModels(sequelize) };
}
