import { QueryTypes } from 'sequelize';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase } from '../testing/old-database';

const LAST_BEFORE = '2026-11-30-presses-at-once';
const THIS = '2026-11-30-orders-without-words';
const noted = '{"readings": [{"tooth": 1, "note": "hers"}, {"tooth": 2, "note": null}, {"tooth": 3}]}';
const BODIES = [
  `{"version": 1, "inputs": ${noted}, "beside": {"inputs": ${noted}}}`,
  `{"version": 0, "inputs": ${noted}, "plan": {}}`,
  '{"version": 1, "inputs": null, "round": {}}',
];
const ROWS = `
  INSERT INTO person (name, initials, role) VALUES ('First Hand', 'FH', 'owner');
  INSERT INTO customer (name, created_by) VALUES ('Wren Ashby', 1);
  INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm, plate_depth_heel_mm,
      plate_depth_toe_mm, back_fixing, created_by, shape)
    VALUES (1, 'x', 'hand', 'rip', 4, 'teeth', 600, 1, 120, 80, 'none', 1, '{}');
  INSERT INTO arrival (customer_id, opened_by, opened_at) VALUES (1, 1, now());
  INSERT INTO ticket (saw_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, quote_low, quote_high, currency, opened_by, arrival_id)
    VALUES (1, 'bench', 'dry-soft', 'weekly', 'no', 'take', '[]', '2031-05-04', 1, 2, 'x', 1, 1);
  ${BODIES.map((body, i) => `INSERT INTO plan (ticket_id, number, stops, minutes, accepted_by, body, work, depth_mm) VALUES (1, ${i + 1}, 3, 5, 1, '${body}', 'tune', 0.1);`).join('\n')}`;

describe('orders that keep no words about anybody', () => {
  let old: OldDatabase;
  beforeEach(async () => (old = await oldDatabase(LAST_BEFORE, ROWS)));
  afterEach(() => old.close());

  it('lose what was noted at single teeth, of either form and edge, and nothing else; frozen before and after', async () => {
    await old.up(THIS);
    const bare = { readings: [{ tooth: 1 }, { tooth: 2 }, { tooth: 3 }] };
    expect(await old.rows('SELECT body FROM plan ORDER BY number')).toEqual([
      { body: { version: 1, inputs: bare, beside: { inputs: bare } } },
      { body: { version: 0, inputs: bare, plan: {} } },
      { body: { version: 1, inputs: null, round: {} } },
    ]);
    await expectAsync(old.db.sequelize.query(`UPDATE plan SET stops = 4`, { type: QueryTypes.UPDATE })).toBeRejected();
    await old.down(THIS);
    await old.up(THIS);
    expect((await old.rows('SELECT 1 FROM plan')).length).toBe(3);
  });
});
