import { QueryTypes } from 'sequelize';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase, oneSawAt } from '../testing/old-database';

const LAST_BEFORE = '2026-12-01-store-room';
const PRICE = '2026-12-02-price-chain';
const DEEDS = '2026-12-02-deeds';
const ROWS = `${oneSawAt('bench')}
  UPDATE ticket SET minutes_low = 10, minutes_high = 30;
  INSERT INTO plan (ticket_id, number, body, work, stops, minutes, accepted_by)
    VALUES (1, 1, '{"version": 1, "price": {"amount": 21.5}}', 'sharpen', 3, 25, 1);
  INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at)
    VALUES ('00000000-0000-4000-8000-000000000001', 1, 0, 'done', 1, now());
  INSERT INTO bench_mark (plan_id, stop, event_id) VALUES (1, 0, '00000000-0000-4000-8000-000000000001');
  INSERT INTO check_round (ticket_id, number, runs, binds, chatters, verdict, stone_side, stone_passes, advice, person_id)
    VALUES (1, 1, 'true', false, false, 'pass', 'none', 0, '[]', 1);
  INSERT INTO message (ticket_id, kind, sent_to, body, written_by) VALUES (1, 'question', '0555', 'May we?', 1);
  INSERT INTO ticket (saw_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, quote_low, quote_high, currency, opened_by, arrival_id,
      closed_by, closed_at, charged)
    VALUES (1, 'closed', 'dry-soft', 'weekly', 'no', 'take', '[]', '2031-05-04', 4, 8, 'x', 1, 1, 1, now(), 7.5);`;

describe('the price as a chain, and deeds as they were', () => {
  let old: OldDatabase;
  beforeEach(async () => (old = await oldDatabase(LAST_BEFORE, ROWS)));
  afterEach(() => old.close());
  const run = (sql: string) => old.db.sequelize.query(sql, { type: QueryTypes.UPDATE });
  const chain = () =>
    old.rows(
      'SELECT ticket_id, kind, low, high, minutes_low, minutes_high, plan_id, quote FROM price_word ORDER BY id',
    );
  const press = (n: number, more: string) =>
    old.rows(
      `SELECT keep_presses(1, 1, '[{"id": "00000000-0000-4000-8000-00000000000${n}", "at": "2031-05-04T09:00:00Z", ${more}}]'::jsonb, 1) AS state`,
    );

  it('go up with what is known of tickets of before, down as they were, and up again', async () => {
    const was = await old.rows(
      'SELECT quote_low, quote_high, minutes_low, minutes_high, charged FROM ticket ORDER BY id',
    );
    await old.up(DEEDS);
    const told = await chain();
    expect(
      told.map((word) => [word['ticket_id'], word['kind'], word['low'], word['high'], word['minutes_high']]),
    ).toEqual([
      [1, 'estimate', 1, 2, 30],
      [2, 'estimate', 4, 8, null],
      [1, 'plan', 21.5, 21.5, 25],
      [2, 'charged', 7.5, 7.5, null],
    ]);
    await press(2, '"stop": 1, "action": "skipped", "reason": "as it is"');
    expect(await old.rows('SELECT stop, skipped FROM bench_mark ORDER BY stop')).toEqual([
      { stop: 0, skipped: false },
      { stop: 1, skipped: true },
    ]);
    await run(`INSERT INTO check_round (ticket_id, number, verdict, stone_side, stone_passes, advice, person_id)
      VALUES (1, 2, 'open', 'none', 0, '[]', 1)`);
    await old.down(PRICE);
    expect(
      await old.rows('SELECT quote_low, quote_high, minutes_low, minutes_high, charged FROM ticket ORDER BY id'),
    ).toEqual(was);
    expect(await old.rows('SELECT action FROM bench_event ORDER BY stop')).toEqual([
      { action: 'done' },
      { action: 'done' },
    ]);
    expect(await old.rows('SELECT runs, binds, verdict FROM check_round WHERE number = 2')).toEqual([
      { runs: 'true', binds: false, verdict: 'again' },
    ]);
    await press(3, '"stop": 2, "action": "done"');
    await old.up(DEEDS);
    expect((await chain()).length).toBe(4);
  });

  it('only what can be is kept', async () => {
    await old.up(DEEDS);
    const insert = (columns: string, values: string) =>
      run(`INSERT INTO price_word (ticket_id, person_id, ${columns}) VALUES (1, 1, ${values})`);
    for (const [columns, values, says] of [
      ['kind, low, high', `'agreed', 5, 5`, /price_word_came/],
      ['kind, low, high', `'asked', 5, 5`, /price_word_quote/],
      ['kind, low, high, word_by', `'agreed', 5, 6, 'counter'`, /price_word_one_sum/],
      ['kind, low, high', `'plan', 5, 5`, /price_word_of_plan/],
      ['kind, low, high, quote', `'estimate', 5, 5, '9'`, /Validation error/],
      ['kind, low, high', `'waived', -1, -1`, /price_word_low/],
    ] as const)
      await expectAsync(insert(columns, values))
        .withContext(columns + values)
        .toBeRejectedWithError(says);
    for (const [sql, says] of [
      [`UPDATE price_word SET high = 3`, /never changed/],
      [`UPDATE bench_event SET action = 'guessed'`, /bench_event_action/],
      [`UPDATE bench_event SET minutes = -1`, /minutes/],
      [`UPDATE check_round SET runs = NULL`, /check_round_passed/],
      [`UPDATE check_round SET stoned_side = 'left'`, /check_round_stoned/],
      [`UPDATE ticket SET ended_as = 'sold'`, /ended_as/],
      [`UPDATE ticket SET held_from = -1`, /held_from/],
    ] as const)
      await expectAsync(run(sql)).withContext(sql).toBeRejectedWithError(says);
  });

  it('what was done before measuring is added and never changed, and goes with the way down', async () => {
    await old.up();
    const add = (kind: string, result: string) =>
      run(
        `INSERT INTO preparation (key, ticket_id, kind, result, person_id) VALUES (gen_random_uuid(), 1, '${kind}', '${result}', 1)`,
      );
    await add('clean', 'came-out');
    await expectAsync(add('polish', 'came-out')).toBeRejectedWithError(/preparation_kind/);
    await expectAsync(add('clean', 'perhaps')).toBeRejectedWithError(/preparation_result/);
    await expectAsync(run('DELETE FROM preparation')).toBeRejectedWithError(/never changed/);
    await old.down('2026-12-02-preparing');
    await old.up();
    expect(await old.rows('SELECT id FROM preparation')).toEqual([]);
  });

  it('presses beyond what the price covers are refused', async () => {
    await old.up(DEEDS);
    await run('UPDATE ticket SET held_from = 1 WHERE id = 1');
    expect(await press(4, '"stop": 1, "action": "done"')).toEqual([{ state: null }]);
    expect((await press(5, '"stop": 0, "action": "done"'))[0]?.['state']).not.toBeNull();
  });
});
