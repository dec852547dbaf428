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

/** One saw of one customer at a stage, as the tables are since a saw has a shape: ticket 1, and nothing done yet. */
export const oneSawAt = (stage: 'bench' | 'check'): string => `
  INSERT INTO person (name, initials, role) VALUES ('First Hand', 'FH', 'owner');
  INSERT INTO customer (name, created_by) VALUES ('Wren Ashby', 1);
  INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm, plate_depth_heel_mm,
      plate_depth_toe_mm, back_fixing, created_by, shape)
    VALUES (1, 'x', 'back', 'rip', 2, 'teeth', 300, 0.6, 60, 60, 'folded', 1, '{}');
  INSERT INTO arrival (customer_id, opened_by, opened_at) VALUES (1, 1, now());
  INSERT INTO ticket (saw_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, quote_low, quote_high, currency, opened_by, arrival_id)
    VALUES (1, '${stage}', 'dry-soft', 'weekly', 'no', 'take', '[]', '2031-05-04', 1, 2, 'x', 1, 1);`;
