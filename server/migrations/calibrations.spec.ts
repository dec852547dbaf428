import { QueryTypes } from 'sequelize';
import { connect } from '../database/connect';
import type { Database } from '../database/connect';
import { emptyDatabase } from '../testing/test-shop';
import { migrator } from './migrate';

const LAST_BEFORE = '2026-11-29-retooth';
const THIS = '2026-11-29-calibrations';

describe('counted strokes become calibrations', () => {
  let db: Database;
  let drop: () => Promise<void>;
  beforeEach(async () => {
    const database = await emptyDatabase();
    db = connect(database.url);
    drop = database.drop;
    await migrator(db.sequelize).up({ to: LAST_BEFORE });
    await db.sequelize.query(
      `INSERT INTO person (name, initials) VALUES ('First Hand', 'FH'), ('Second Hand', 'SH');
       INSERT INTO stroke_reading (person_id, strokes, drop_mm, created_by, created_at)
         VALUES (1, 4, 0.1, 1, '2031-05-02 10:00'), (2, 8, 0.22, 1, '2031-05-03 10:00')`,
    );
  });
  afterEach(async () => {
    await db.sequelize.close();
    await drop();
  });
  const rows = (sql: string) => db.sequelize.query<Record<string, unknown>>(sql, { type: QueryTypes.SELECT });
  const OLD = 'SELECT person_id, strokes, drop_mm, created_by, created_at FROM stroke_reading ORDER BY id';

  it('every row comes over, goes back as it was, and comes over once more', async () => {
    const before = await rows(OLD);
    const NEW = 'SELECT person_id, what, tool, amount, did_mm FROM calibration ORDER BY id';
    await migrator(db.sequelize).up({ to: THIS });
    const kept = await rows(NEW);
    expect(kept).toEqual([
      { person_id: 1, what: 'strokes', tool: '', amount: 4, did_mm: 0.1 },
      { person_id: 2, what: 'strokes', tool: '', amount: 8, did_mm: 0.22 },
    ]);
    await migrator(db.sequelize).down({ to: THIS });
    expect(await rows(OLD)).toEqual(before);
    await migrator(db.sequelize).up({ to: THIS });
    expect(await rows(NEW)).toEqual(kept);
  });
  it('what is kept is not changed; a set tool has a name; there is no way back once one was read', async () => {
    await migrator(db.sequelize).up({ to: THIS });
    await expectAsync(rows('DELETE FROM calibration')).toBeRejected();
    const insert = (tool: string) =>
      db.sequelize.query(
        `INSERT INTO calibration (key, person_id, what, tool, amount, did_mm, created_by) VALUES (gen_random_uuid(), 1, 'set-tool', '${tool}', 7, 0.15, 1)`,
      );
    await expectAsync(insert('')).toBeRejectedWithError(/calibration_counts/);
    await insert('small');
    await expectAsync(migrator(db.sequelize).down({ to: THIS })).toBeRejectedWithError(/holds strokes alone/);
  });
});
