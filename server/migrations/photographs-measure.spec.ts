import { QueryTypes } from 'sequelize';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase } from '../testing/old-database';

const LAST_BEFORE = '2026-11-30-presses-at-once';
const THIS = '2026-11-30-photographs-measure';
const ROWS = `
  INSERT INTO person (name, initials, role) VALUES ('First Hand', 'FH', 'owner');
  INSERT INTO customer (name, created_by) VALUES ('Wren Ashby', 1);
  INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm, plate_depth_heel_mm,
      plate_depth_toe_mm, back_fixing, created_by)
    VALUES (1, 'x', 'hand', 'crosscut', 3, 'teeth', 600, 0.9, 120, 70, 'none', 1);
  INSERT INTO arrival (customer_id, opened_by, opened_at) VALUES (1, 1, now());
  INSERT INTO ticket (saw_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, quote_low, quote_high, currency, opened_by, arrival_id)
    VALUES (1, 'measure', 'dry-soft', 'weekly', 'no', 'take', '[]', '2031-05-04', 1, 2, 'x', 1, 1);
  INSERT INTO session (key, ticket_id, kind, started_by)
    VALUES ('6f1f6f0a-0000-4000-8000-000000000001', 1, 'before', 1);
  INSERT INTO evidence (key, session_id, quantity, place, value_mm, gauge, set_aside, taken_by)
    VALUES ('6f1f6f0a-0000-4000-8000-000000000002', 1, 'height', 1, 0.1, 'scan', false, 1);`;

describe('lengths read from photographs', () => {
  let old: OldDatabase;
  beforeEach(async () => (old = await oldDatabase(LAST_BEFORE, ROWS)));
  afterEach(() => old.close());
  const read = (gauge: string) =>
    old.db.sequelize.query(
      `INSERT INTO evidence (key, session_id, quantity, place, value_mm, gauge, set_aside, taken_by)
         VALUES (gen_random_uuid(), 1, 'height', 2, 0.1, '${gauge}', false, 1)`,
      { type: QueryTypes.INSERT },
    );

  it('are known after this and not before; down goes where none is kept, and says so where one is', async () => {
    await expectAsync(read('photograph')).toBeRejectedWithError(/gauge/);
    await old.up(THIS);
    await old.down(THIS);
    await old.up(THIS);
    expect(await old.rows('SELECT gauge FROM evidence')).toEqual([{ gauge: 'scan' }]);
    await read('photograph');
    await expectAsync(read('guess')).toBeRejectedWithError(/gauge/);
    await expectAsync(old.down(THIS)).toBeRejectedWithError(/no way back/);
    expect((await old.rows('SELECT gauge FROM evidence')).length).toBe(2);
  });
});
