import type { OldDatabase } from '../testing/old-database';
import { oldDatabase, oneSawAt } from '../testing/old-database';

const LAST_BEFORE = '2026-12-01-store-room';
const TURNS = '2026-12-02-turns';
const ROWS = `${oneSawAt('bench')}
  INSERT INTO plan (ticket_id, number, body, work, stops, minutes, accepted_by) VALUES (1, 1, '{"version": 1}', 'sharpen', 3, 25, 1);`;

describe('turns of a saw’s life in the database', () => {
  let old: OldDatabase;
  beforeEach(async () => (old = await oldDatabase(LAST_BEFORE, ROWS)));
  afterEach(() => old.close());
  const press = (n: number, stop: number, action: string, more = '') =>
    old.rows(
      `SELECT keep_presses(1, 1, '[{"id": "00000000-0000-4000-8000-00000000000${n}", "at": "2031-05-04T09:00:00Z", "stop": ${stop}, "action": "${action}"${more}}]'::jsonb, 1) AS state`,
    );
  const marks = () => old.rows('SELECT stop FROM bench_mark ORDER BY stop');

  it('go up, hold what they are told to hold, down with rows in the tables, and up again', async () => {
    await old.up(TURNS);
    await press(1, 0, 'done');
    await press(2, 1, 'stopped', ', "reason": "the telephone"');
    await press(3, 1, 'file', ', "reason": "slim-6"');
    // Neither does a stop.
    expect(await marks()).toEqual([{ stop: 0 }]);
    await old.rows(`INSERT INTO saw_correction (key, saw_id, ticket_id, before, after, why, person_id)
      VALUES ('00000000-0000-4000-8000-0000000000a1', 1, 1, '{"pitchMm": 2}', '{"pitchMm": 3}', 'counted', 1)`);
    await old.rows(`INSERT INTO outwork (key, ticket_id, number, grinder, work, due_on, amount, person_id)
      VALUES ('00000000-0000-4000-8000-0000000000a2', 1, 1, 'x', 'grind', '2031-05-20', 12, 1)`);
    await old.rows(
      `INSERT INTO price_word (ticket_id, kind, low, high, outwork_id, person_id) VALUES (1, 'outwork', 21, 21, 1, 1)`,
    );
    for (const sql of [
      `UPDATE saw_correction SET why = 'x'`,
      `UPDATE outwork SET amount = 1`,
      `DELETE FROM outwork`,
      `INSERT INTO price_word (ticket_id, kind, low, high, person_id) VALUES (1, 'outwork', 21, 21, 1)`,
      `INSERT INTO saw_correction (key, saw_id, ticket_id, before, after, why, person_id)
         VALUES ('00000000-0000-4000-8000-0000000000a3', 1, 1, '{"pitchMm": 2}', '{"pitchMm": 2}', 'same', 1)`,
      `INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at)
         VALUES ('00000000-0000-4000-8000-0000000000a4', 1, 0, 'file', 1, now())`,
    ])
      await expectAsync(old.rows(sql)).withContext(sql).toBeRejected();
    await old.down(TURNS);
    expect(await old.rows(`SELECT to_regclass('outwork') AS o, to_regclass('saw_correction') AS s`)).toEqual([
      { o: null, s: null },
    ]);
    expect(await old.rows('SELECT kind FROM price_word')).toEqual([{ kind: 'estimate' }]);
    expect(await old.rows('SELECT action FROM bench_event')).toEqual([{ action: 'done' }]);
    await press(5, 1, 'done');
    expect(await marks()).toEqual([{ stop: 0 }, { stop: 1 }]);
    await old.up(TURNS);
    await press(6, 2, 'stopped');
    expect(await marks()).toEqual([{ stop: 0 }, { stop: 1 }]);
  });
});
