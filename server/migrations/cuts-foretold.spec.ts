import { QueryTypes } from 'sequelize';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase, oneSawAt } from '../testing/old-database';

const LAST_BEFORE = '2026-11-30-photographs-measure';
const THIS = '2026-11-30-cuts-foretold';
const ROWS = `${oneSawAt('check')}
  INSERT INTO plan (ticket_id, number, body, work, stops, minutes, accepted_by) VALUES (1, 1, '{"version": 1}', 'sharpen', 3, 5, 1);
  INSERT INTO check_round (ticket_id, number, runs, binds, chatters, verdict, stone_side, stone_passes, advice, person_id)
    VALUES (1, 1, 'left', false, false, 'again', 'left', 1, '["stone"]', 1);`;

describe('plans with why they were chosen, and cuts with what was found', () => {
  let old: OldDatabase;
  beforeEach(async () => (old = await oldDatabase(LAST_BEFORE, ROWS)));
  afterEach(() => old.close());
  const run = (sql: string) => old.db.sequelize.query(sql, { type: QueryTypes.UPDATE });

  it('go up, down and up over plans and rounds of before; only what can be is kept', async () => {
    await old.up(THIS);
    expect(await old.rows('SELECT way, least_way FROM plan')).toEqual([{ way: null, least_way: null }]);
    expect(await old.rows('SELECT kerf_mm, off_line_mm, over_mm, wall, floor FROM check_round')).toEqual([
      { kerf_mm: null, off_line_mm: null, over_mm: null, wall: null, floor: null },
    ]);
    await run(`INSERT INTO plan_reason VALUES (1, 'It is wanted back tonight.')`);
    await run(
      `UPDATE check_round SET kerf_mm = 0.9, off_line_mm = -0.4, over_mm = 50, wall = 'torn', floor = 'ridged'`,
    );
    for (const [set, says] of [
      [`kerf_mm = 0`, /kerf_mm/],
      [`over_mm = NULL`, /off_line/],
      [`off_line_mm = NULL`, /off_line/],
      [`wall = 'smooth'`, /wall/],
      [`floor = 'round'`, /floor/],
      [`plate = 'crooked'`, /plate/],
      [`again = 'yes'`, /again/],
    ] as const)
      await expectAsync(run(`UPDATE check_round SET ${set}`)).toBeRejectedWithError(says);
    await expectAsync(
      run(`INSERT INTO plan (ticket_id, number, body, work, stops, minutes, accepted_by, way)
           VALUES (1, 2, '{"version": 1}', 'sharpen', 3, 5, 1, 'decline')`),
    ).toBeRejectedWithError(/way/);
    await old.down(THIS);
    expect((await old.rows('SELECT advice FROM check_round')).length).toBe(1);
    await old.up(THIS);
    expect(await old.rows('SELECT wall FROM check_round')).toEqual([{ wall: null }]);
    expect(await old.rows('SELECT why FROM plan_reason')).toEqual([]);
  });
});
