import { readFileSync } from 'node:fs';
import { readOrder } from '@odontis/core/work/read-order';
import { walkOf } from '@odontis/core/work/step';
import type { Database } from '../database/connect';
import { readDossier } from '../features/tickets/dossier';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase } from '../testing/old-database';

const LAST_BEFORE = '2026-11-28-one-evidence';
const THIS = '2026-11-29-one-order';
interface FirstForm {
  readonly inputs: { readonly readings: readonly { readonly note?: unknown }[] };
  readonly plan: { readonly steps: readonly { readonly stops: readonly unknown[] }[]; readonly minutes: number };
}
const first = JSON.parse(readFileSync('core/work/old-forms/order-0.json', 'utf8')) as FirstForm;
const stops = first.plan.steps.reduce((s, one) => s + one.stops.length, 0);

const OLD_ROWS = `
  INSERT INTO person (name, initials) VALUES ('First Hand', 'FH');
  INSERT INTO customer (name, created_by) VALUES ('Wren Ashby', 1);
  INSERT INTO arrival (customer_id, opened_by) VALUES (1, 1);
  INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm, plate_depth_heel_mm,
      plate_depth_toe_mm, back_fixing, created_by) VALUES (1, 'Tenon saw', 'back', 'crosscut', 2, 'points', 60, 0.6, 80, 70, 'folded', 1);
  INSERT INTO ticket (saw_id, arrival_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, quote_low, quote_high, currency, opened_by)
    VALUES (1, 1, 'bench', 'dry-soft', 'weekly', 'no', 'take', '[]', '2031-05-04', 1, 2, 'x', 1);
  INSERT INTO plan (ticket_id, number, inputs, plan, stops, minutes, accepted_by) VALUES (1, 1, :inputs, :plan, :stops, :minutes, 1);
  INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at)
    VALUES ('00000000-0000-4000-8000-0000000000d1', 1, 0, 'done', 1, '2031-05-02 10:00');
  INSERT INTO bench_mark (plan_id, stop, event_id) VALUES (1, 0, '00000000-0000-4000-8000-0000000000d1');
`;

describe('accepted plans become work orders', () => {
  let old: OldDatabase;
  let db: Database;
  beforeEach(async () => {
    const { inputs, plan } = first;
    old = await oldDatabase(LAST_BEFORE, OLD_ROWS, {
      inputs: JSON.stringify(inputs),
      plan: JSON.stringify(plan),
      stops,
      minutes: plan.minutes,
    });
    db = old.db;
  });
  afterEach(() => old.close());
  const rows = (sql: string) => old.rows(sql);

  it('an old plan is kept as it was, read whole and walkable, with the marks the bench made on it', async () => {
    await old.up(THIS);
    expect(await rows('SELECT body, work, depth_mm, stops FROM plan')).toEqual([
      { body: { version: 0, ...first }, work: 'tune', depth_mm: jasmine.any(Number), stops },
    ]);
    await old.up();
    const { plan } = await readDossier(db, 1);
    // What was noted at a tooth stays with its reading alone.
    const readings = first.inputs.readings.map(({ note: _, ...reading }) => reading);
    expect(plan?.order).toEqual(readOrder({ version: 0, ...first, inputs: { ...first.inputs, readings } }));
    expect([walkOf(plan?.order.steps ?? []).length, plan?.done]).toEqual([stops, [0]]);
  });

  it('down and up again gives every row back; it is frozen at every stop', async () => {
    await old.up(THIS);
    const before = await rows('SELECT * FROM plan');
    await expectAsync(rows("UPDATE plan SET work = 'sharpen'")).toBeRejected();
    await old.down(THIS);
    expect(await rows('SELECT inputs, plan FROM plan')).toEqual([{ inputs: first.inputs, plan: first.plan }]);
    await expectAsync(rows('DELETE FROM plan')).toBeRejected();
    await old.up(THIS);
    const after = await rows('SELECT * FROM plan');
    expect(after).toEqual(before);
  });

  it('there is no way back once an order of today’s form is accepted, and the database says why', async () => {
    await old.up(THIS);
    await db.sequelize.query(
      `INSERT INTO plan (ticket_id, number, body, work, depth_mm, stops, minutes, accepted_by) VALUES (1, 2, '{"version": 1}', 'convert', 0.2, 3, 10, 1)`,
    );
    await expectAsync(old.down(THIS)).toBeRejectedWithError(/the old one cannot hold them/);
    expect((await rows('SELECT count(*)::int AS n FROM plan'))[0]).toEqual({ n: 2 });
    await expectAsync(
      rows(
        `INSERT INTO plan (ticket_id, number, body, work, stops, minutes, accepted_by) VALUES (1, 3, '{"version": 1}', 'polish', 3, 10, 1)`,
      ),
    ).toBeRejected();
  });

  it('new teeth are an order’s work from the next step on, and hold it there once accepted', async () => {
    const NEXT = '2026-11-29-retooth';
    const insert = (number: number) =>
      db.sequelize.query(
        `INSERT INTO plan (ticket_id, number, body, work, depth_mm, stops, minutes, accepted_by) VALUES (1, ${number}, '{"version": 1}', 'retooth', 2.4, 3, 10, 1)`,
      );
    await old.up(THIS);
    await expectAsync(insert(2)).toBeRejectedWithError(/plan_work_known/);
    await old.up(NEXT);
    await old.down(NEXT);
    await old.up(NEXT);
    await insert(2);
    await expectAsync(old.down(NEXT)).toBeRejectedWithError(/does not know them/);
    expect(await rows('SELECT work FROM plan ORDER BY number')).toEqual([{ work: 'tune' }, { work: 'retooth' }]);
  });
});
