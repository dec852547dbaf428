import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { createShopTables } from './2026-11-23-create-shop-tables';
import { findCustomers } from './2026-11-23-find-customers';
import { keepContacts } from './2026-11-23-keep-contacts';
import { sayWhatIsWaitedFor } from './2026-11-23-say-what-is-waited-for';
import { measureEveryFamily } from './2026-11-23-measure-every-family';
import { readAngles } from './2026-11-24-read-angles';
import { oneEvidence } from './2026-11-28-one-evidence';
import { oneOrder } from './2026-11-29-one-order';
import { toeZones } from './2026-11-29-toe-zones';
import { calibrations } from './2026-11-29-calibrations';
import { retooth } from './2026-11-29-retooth';
import { checkEdges } from './2026-11-29-check-edges';
import { gaugedQuantities } from './2026-11-29-gauged-quantities';
import { rakerWidth } from './2026-11-29-raker-width';
import { patternOffset } from './2026-11-29-pattern-offset';
import { pullEdges } from './2026-11-29-pull-edges';
import { shavings } from './2026-11-29-shavings';
import { wordsOfACopy } from './2026-11-29-words-of-a-copy';
import { madeOnce } from './2026-11-29-made-once';
import { takeInEveryFamily } from './2026-11-23-take-in-every-family';
import type { Migration } from './migration';

/** Every migration, oldest first. */
export const MIGRATIONS: readonly Migration[] = [
  createShopTables,
  findCustomers,
  keepContacts,
  sayWhatIsWaitedFor,
  takeInEveryFamily,
  measureEveryFamily,
  readAngles,
  oneEvidence,
  oneOrder,
  toeZones,
  retooth,
  calibrations,
  patternOffset,
  rakerWidth,
  shavings,
  pullEdges,
  gaugedQuantities,
  checkEdges,
  wordsOfACopy,
  madeOnce,
];

/** Migrations run each in a transaction: all of it or nothing. */
export function migrator(sequelize: Sequelize): Umzug<Sequelize> {
  const run = (sql: string) => sequelize.transaction((transaction) => sequelize.query(sql, { transaction }));
  return new Umzug({
    migrations: MIGRATIONS.map((m) => ({ name: m.name, up: () => run(m.up), down: () => run(m.down) })),
    context: sequelize,
    storage: new SequelizeStorage({ sequelize, tableName: 'migration' }),
    logger: undefined,
  });
}
