import { QueryTypes } from 'sequelize';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase } from '../testing/old-database';

const LAST_BEFORE = '2026-11-29-raker-width';
const THIS = '2026-11-29-shavings';
const ROWS = `
  INSERT INTO person (name, initials) VALUES ('First Hand', 'FH');
  INSERT INTO customer (name, created_by) VALUES ('Wren Ashby', 1);
  INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm, plate_depth_heel_mm,
      plate_depth_toe_mm, back_fixing, created_by, shape)
    VALUES (1, 'x', 'crosscut', 'crosscut', 12, 'teeth', 1500, 1.6, 120, 120, 'none', 1, '{"kind": "two-man", "pattern": "CCR"}');
  INSERT INTO arrival (customer_id, opened_by, opened_at) VALUES (1, 1, now());
  INSERT INTO ticket (saw_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, quote_low, quote_high, currency, opened_by, arrival_id)
    VALUES (1, 'check', 'dry-soft', 'weekly', 'no', 'take', '[]', '2031-05-04', 1, 2, 'x', 1, 1);
  INSERT INTO check_round (ticket_id, number, runs, binds, chatters, verdict, stone_side, stone_passes, advice, person_id)
    VALUES (1, 1, 'true', false, true, 'again', 'none', 0, '["joint-again"]', 1);`;

describe('test cuts read by their shavings', () => {
  let old: OldDatabase;
  beforeEach(async () => (old = await oldDatabase(LAST_BEFORE, ROWS)));
  afterEach(() => old.close());
  const set = (column: string, value: string) =>
    old.db.sequelize.query(`UPDATE check_round SET ${column} = ${value}`, { type: QueryTypes.UPDATE });

  it('go up, down and up over rounds judged before; only what can be is kept', async () => {
    await old.up(THIS);
    expect(await old.rows('SELECT runs, shavings, rakers FROM check_round')).toEqual([
      { runs: 'true', shavings: null, rakers: null },
    ]);
    await set('shavings', `'whiskers'`);
    await set('rakers', `'{"read": 4, "of": 10, "high": 1, "low": 0, "worstMm": 0.1, "strokes": 7}'`);
    await expectAsync(set('shavings', `'curls'`)).toBeRejectedWithError(/shavings/);
    await expectAsync(set('rakers', `'{"read": 11, "of": 10, "strokes": 7}'`)).toBeRejectedWithError(/rakers/);
    await expectAsync(set('rakers', `'{"of": 10}'`)).toBeRejectedWithError(/rakers/);
    await old.down(THIS);
    expect((await old.rows('SELECT advice FROM check_round')).length).toBe(1);
    await old.up(THIS);
    expect(await old.rows('SELECT shavings FROM check_round')).toEqual([{ shavings: null }]);
  });
});
