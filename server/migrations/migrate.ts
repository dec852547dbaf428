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
import { behindADoor } from './2026-11-30-behind-a-door';
import { pressesAtOnce } from './2026-11-30-presses-at-once';
import { ordersWithoutWords } from './2026-11-30-orders-without-words';
import { photographsMeasure } from './2026-11-30-photographs-measure';
import { cutsForetold } from './2026-11-30-cuts-foretold';
import { placeKept } from './2026-11-30-place-kept';
import { storeRoom } from './2026-12-01-store-room';
import { priceChain } from './2026-12-02-price-chain';
import { deeds } from './2026-12-02-deeds';
import { preparing } from './2026-12-02-preparing';
import { turns } from './2026-12-02-turns';
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
  behindADoor,
  pressesAtOnce,
  ordersWithoutWords,
  photographsMeasure,
  cutsForetold,
  placeKept,
  storeRoom,
  priceChain,
  deeds,
  preparing,
  turns,
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

/** A database that a newer Odontis has changed: this one would not know what it does to it. */
export class NewerData extends Error {
  override readonly name = 'NewerData';

  constructor(readonly names: readonly string[]) {
    super(
      `These data were last used by a newer Odontis (${names.join(', ')}), and this one does not know them. Start that one; nothing was touched.`,
    );
  }
}

/**
 * Brings a database up to this program's shape; `first` is done before data that are there are changed. Throws
 * {@link NewerData}, having touched nothing, where it is past it.
 */
export async function bringUp(
  sequelize: Sequelize,
  first: (migrations: readonly string[]) => Promise<void> = () => Promise.resolve(),
): Promise<void> {
  const [found] = await sequelize.query(`SELECT to_regclass('migration') IS NOT NULL AS is`);
  if ((found[0] as { is: boolean } | undefined)?.is) {
    const [rows] = await sequelize.query('SELECT name FROM migration ORDER BY name');
    const made = (rows as { name: string }[]).map((row) => row.name);
    const known = new Set(MIGRATIONS.map((one) => one.name));
    const newer = made.filter((name) => !known.has(name));
    if (newer.length > 0) throw new NewerData(newer);
    if (made.length > 0 && made.length < known.size) await first(made);
  }
  await migrator(sequelize).up();
}
