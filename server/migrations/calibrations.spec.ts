import type { Database } from '../database/connect';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase } from '../testing/old-database';

const LAST_BEFORE = '2026-11-29-retooth';
const THIS = '2026-11-29-calibrations';

describe('counted strokes become calibrations', () => {
  let old: OldDatabase;
  let db: Database;
  beforeEach(async () => {
    old = await oldDatabase(
      LAST_BEFORE,
      `INSERT INTO person (name, initials) VALUES ('First Hand', 'FH'), ('Second Hand', 'SH');
       INSERT INTO stroke_reading (person_id, strokes, drop_mm, created_by, created_at)
         VALUES (1, 4, 0.1, 1, '2031-05-02 10:00'), (2, 8, 0.22, 1, '2031-05-03 10:00')`,
    );
    db = old.db;
  });
  afterEach(() => old.close());
  const rows = (sql: string) => old.rows(sql);
  const OLD = 'SELECT person_id, strokes, drop_mm, created_by, created_at FROM stroke_reading ORDER BY id';

  it('every row comes over, goes back as it was, and comes over once more', async () => {
    const before = await rows(OLD);
    const NEW = 'SELECT person_id, what, tool, amount, did_mm FROM calibration ORDER BY id';
    await old.up(THIS);
    const kept = await rows(NEW);
    expect(kept).toEqual([
      { person_id: 1, what: 'strokes', tool: '', amount: 4, did_mm: 0.1 },
      { person_id: 2, what: 'strokes', tool: '', amount: 8, did_mm: 0.22 },
    ]);
    await old.down(THIS);
    expect(await rows(OLD)).toEqual(before);
    await old.up(THIS);
    expect(await rows(NEW)).toEqual(kept);
  });
  it('what is kept is not changed; a set tool has a name; there is no way back once one was read', async () => {
    await old.up(THIS);
    await expectAsync(rows('DELETE FROM calibration')).toBeRejected();
    const insert = (tool: string) =>
      db.sequelize.query(
        `INSERT INTO calibration (key, person_id, what, tool, amount, did_mm, created_by) VALUES (gen_random_uuid(), 1, 'set-tool', '${tool}', 7, 0.15, 1)`,
      );
    await expectAsync(insert('')).toBeRejectedWithError(/calibration_counts/);
    await insert('small');
    await expectAsync(old.down(THIS)).toBeRejectedWithError(/holds strokes alone/);
  });
});
