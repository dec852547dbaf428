import type { OldDatabase } from '../testing/old-database';
import { oldDatabase } from '../testing/old-database';

const LAST_BEFORE = '2026-11-29-gauged-quantities';
const THIS = '2026-11-29-check-edges';
const ticket = (number: number, edge: string | null): string => `
  INSERT INTO ticket (saw_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, quote_low, quote_high, currency, opened_by, arrival_id)
    VALUES (${number}, 'check', 'dry-soft', 'weekly', 'no', 'take', '[]', '2031-05-04', 1, 2, 'x', 1, 1);
  INSERT INTO plan (ticket_id, number, body, work, stops, minutes, accepted_by)
    VALUES (${number}, 1, '{"version": 1, "inputs": {"pull": ${edge === null ? 'null' : `{"edge": "${edge}"}`}}}', 'sharpen', 4, 9, 1);
  INSERT INTO check_round (ticket_id, number, runs, binds, chatters, verdict, stone_side, stone_passes, advice, person_id)
    VALUES (${number}, 1, 'true', false, false, 'pass', 'none', 0, '["passes"]', 1);`;
const ROWS = `
  INSERT INTO person (name, initials) VALUES ('First Hand', 'FH');
  INSERT INTO customer (name, created_by) VALUES ('Wren Ashby', 1);
  INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm, plate_depth_heel_mm,
      plate_depth_toe_mm, back_fixing, created_by, shape)
    VALUES (1, 'x', 'pull', 'crosscut', 1.6, 'points', 240, 0.5, 80, 90, 'none', 1, '{"edges": 2}');
  INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm, plate_depth_heel_mm,
      plate_depth_toe_mm, back_fixing, created_by, shape)
    VALUES (1, 'y', 'hand', 'crosscut', 1.6, 'points', 240, 0.5, 80, 90, 'none', 1, '{}');
  INSERT INTO arrival (customer_id, opened_by, opened_at) VALUES (1, 1, now());
  ${ticket(1, 'rip')} ${ticket(2, null)}`;

describe('the edge a cut was made with', () => {
  let old: OldDatabase;
  beforeEach(async () => (old = await oldDatabase(LAST_BEFORE, ROWS)));
  afterEach(() => old.close());
  const edges = () => old.rows('SELECT edge FROM check_round ORDER BY ticket_id');

  it('goes up, down and up: rounds judged before were of the first edge of their order', async () => {
    await old.up(THIS);
    expect(await edges()).toEqual([{ edge: 'rip' }, { edge: null }]);
    await expectAsync(old.db.sequelize.query(`UPDATE check_round SET edge = 'back'`)).toBeRejectedWithError(/edge/);
    await old.down(THIS);
    expect((await old.rows('SELECT verdict FROM check_round')).length).toBe(2);
    await old.up(THIS);
    expect(await edges()).toEqual([{ edge: 'rip' }, { edge: null }]);
  });
});
