import { QueryTypes } from 'sequelize';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase, oneSawAt } from '../testing/old-database';

const LAST_BEFORE = '2026-11-30-cuts-foretold';
const THIS = '2026-11-30-place-kept';
const ROWS = `${oneSawAt('bench')}
  INSERT INTO plan (ticket_id, number, body, work, stops, minutes, accepted_by) VALUES (1, 1, '{"version": 1}', 'sharpen', 3, 5, 1);
  INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at)
    VALUES ('00000000-0000-4000-8000-000000000001', 1, 0, 'done', 1, now());`;

describe('presses with how they were made, and people with how they keep the place', () => {
  let old: OldDatabase;
  beforeEach(async () => (old = await oldDatabase(LAST_BEFORE, ROWS)));
  afterEach(() => old.close());
  const run = (sql: string) => old.db.sequelize.query(sql, { type: QueryTypes.UPDATE });
  const press = (n: number, stop: number, how: string | null) =>
    old.rows(
      `SELECT keep_presses(1, 1, '[{"id": "00000000-0000-4000-8000-00000000000${n}", "stop": ${stop}, "action": "done", "at": "2031-05-04T09:00:00Z"${how ? `, "how": "${how}"` : ''}}]'::jsonb, 1) AS state`,
    );

  it('go up, down and up over presses of before, each made at its gullet; only what can be is kept', async () => {
    await old.up(THIS);
    await press(2, 1, 'ear');
    await press(3, 2, null);
    expect(await old.rows('SELECT stop, how FROM bench_event ORDER BY stop')).toEqual([
      { stop: 0, how: 'gullet' },
      { stop: 1, how: 'ear' },
      { stop: 2, how: 'gullet' },
    ]);
    expect(await old.rows('SELECT place_way, place_window FROM person')).toEqual([
      { place_way: 'gullet', place_window: 20 },
    ]);
    for (const [sql, says] of [
      [`UPDATE bench_event SET how = 'guess'`, /how/],
      [`UPDATE person SET place_way = 'card'`, /place_way/],
      [`UPDATE person SET place_window = 1`, /place_window/],
    ] as const)
      await expectAsync(run(sql)).toBeRejectedWithError(says);
    await old.down(THIS);
    await press(4, 0, null);
    expect((await old.rows('SELECT stop FROM bench_event')).length).toBe(4);
    await old.up(THIS);
    expect(await old.rows(`SELECT DISTINCT how FROM bench_event`)).toEqual([{ how: 'gullet' }]);
  });
});
