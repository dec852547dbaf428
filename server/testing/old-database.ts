import { QueryTypes } from 'sequelize';
import { connect } from '../database/connect';
import type { Database } from '../database/connect';
import { migrator } from '../migrations/migrate';
import { emptyDatabase } from './test-shop';

/** A database as it was after some migration, with rows in it. */
export interface OldDatabase {
  readonly db: Database;
  up(to?: string): Promise<unknown>;
  /** The step of that name and those after it taken back. */
  down(to: string): Promise<unknown>;
  rows(sql: string): Promise<Record<string, unknown>[]>;
  close(): Promise<void>;
}

/** An empty database brought to the migration of that name, then filled. */
export async function oldDatabase(
  last: string,
  rows: string,
  replacements?: Readonly<Record<string, unknown>>,
): Promise<OldDatabase> {
  const { url, drop } = await emptyDatabase();
  const db = connect(url);
  const steps = migrator(db.sequelize);
  await steps.up({ to: last });
  await db.sequelize.query(rows, replacements && { replacements: { ...replacements } });
  return {
    db,
    up: (to) => (to === undefined ? steps.up() : steps.up({ to })),
    down: (to) => steps.down({ to }),
    rows: (sql) => db.sequelize.query<Record<string, unknown>>(sql, { type: QueryTypes.SELECT }),
    close: async () => {
      await db.sequelize.close();
      await drop();
    },
  };
}
