import { evenSaw, planInputs } from '@odontis/core/reference/random-saw';
import { usesOf } from '@odontis/core/store/uses';
import { makeOrder } from '@odontis/core/work/tooth-line/make-order';
import { studyLine } from '@odontis/core/work/tooth-line/study';
import { QueryTypes } from 'sequelize';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase, oneSawAt } from '../testing/old-database';

const LAST_BEFORE = '2026-11-30-place-kept';
const THIS = '2026-12-01-store-room';
const ROWS = `${oneSawAt('bench')}
  INSERT INTO plan (ticket_id, number, body, work, stops, minutes, accepted_by)
    VALUES (1, 1, :body, 'tune', 3, 5, 1), (1, 2, '{"version": 0, "steps": 7}', 'tune', 3, 5, 1);`;

describe('the Store comes to a shop that has worked', () => {
  const saw = evenSaw(40, 2).map((tooth, i) => ({ ...tooth, yMm: -0.2 * ((i * 7) % 5) * 0.3 }));
  const order = makeOrder(studyLine(planInputs(saw, 2)), 0.2);
  let old: OldDatabase;
  beforeEach(async () => (old = await oldDatabase(LAST_BEFORE, ROWS, { body: JSON.stringify(order) })));
  afterEach(() => old.close());
  const run = (sql: string) => old.db.sequelize.query(sql, { type: QueryTypes.UPDATE });

  it('orders of before are read as core reads them, up, down and up; older forms are passed over', async () => {
    const byName = (a: { kind: string; name: string }, b: { kind: string; name: string }): number =>
      `${a.kind} ${a.name}`.localeCompare(`${b.kind} ${b.name}`);
    const wanted = usesOf(order.steps)
      .map(({ kind, name, stops, amounts }) => ({ kind, name, stops: [...stops], amounts: [...amounts] }))
      .sort(byName);
    expect(wanted.map(({ kind }) => kind)).toEqual(['file', 'jointer', 'set-tool', 'stone']);
    for (const turn of ['up', 'again']) {
      await old.up(THIS);
      const rows = await old.rows('SELECT plan_id, kind, name, stops, amounts, total FROM plan_tool');
      expect(rows.map((row) => row['plan_id']))
        .withContext(turn)
        .toEqual(wanted.map(() => 1));
      const found = rows as unknown as (typeof wanted)[number][];
      expect(found.map(({ kind, name, stops, amounts }) => ({ kind, name, stops, amounts })).sort(byName)).toEqual(
        wanted,
      );
      if (turn === 'up') await old.down(THIS);
    }
    expect(await old.rows('SELECT number FROM plan ORDER BY number')).toEqual([{ number: 1 }, { number: 2 }]);
  });

  it('only what can be is kept', async () => {
    await old.up(THIS);
    await run(`INSERT INTO tool (key, kind, name, corners, corner_strokes, created_by)
      VALUES (gen_random_uuid(), 'file', 'Slim', 3, 900, 1)`);
    for (const [sql, says] of [
      [`INSERT INTO tool (key, kind, name, created_by) VALUES (gen_random_uuid(), 'file', 'y', 1)`, /tool_corners/],
      [
        `INSERT INTO tool (key, kind, name, corners, created_by) VALUES (gen_random_uuid(), 'stone', 'y', 3, 1)`,
        /tool_corners/,
      ],
      [
        `INSERT INTO tool (key, kind, name, corners, corner_strokes, created_by) VALUES (gen_random_uuid(), 'file', 'SLIM', 3, 900, 1)`,
        /Validation|tool_name/,
      ],
      [
        `INSERT INTO tool_deed (key, tool_id, what, person_id) VALUES (gen_random_uuid(), 1, 'bought', 1)`,
        /tool_deed_pieces/,
      ],
      [
        `INSERT INTO tool_deed (key, tool_id, what, pieces, person_id) VALUES (gen_random_uuid(), 1, 'begun', 1, 1)`,
        /tool_deed_pieces/,
      ],
      [`INSERT INTO tool_deed (key, tool_id, what, person_id) VALUES (gen_random_uuid(), 1, 'lent', 1)`, /what/],
      [`UPDATE plan_tool SET total = 0`, /never changed/],
    ] as const)
      await expectAsync(run(sql)).withContext(sql).toBeRejectedWithError(says);
  });
});
