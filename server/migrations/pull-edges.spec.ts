import type { OldDatabase } from '../testing/old-database';
import { oldDatabase } from '../testing/old-database';

const LAST_BEFORE = '2026-11-29-shavings';
const THIS = '2026-11-29-pull-edges';
const saw = (family: string, shape: object): string => `
  INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm, plate_depth_heel_mm,
      plate_depth_toe_mm, back_fixing, created_by, shape)
    VALUES (1, 'x', '${family}', 'crosscut', 1.6, 'points', 240, 0.5, 80, 90, 'none', 1, '${JSON.stringify(shape)}')`;
const ROWS = `
  INSERT INTO person (name, initials) VALUES ('First Hand', 'FH');
  INSERT INTO customer (name, created_by) VALUES ('Wren Ashby', 1);
  ${saw('pull', { edges: 2 })}; ${saw('pull', { edges: 1 })};
  INSERT INTO arrival (customer_id, opened_by, opened_at) VALUES (1, 1, now());
  INSERT INTO ticket (saw_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, quote_low, quote_high, currency, opened_by, arrival_id)
    VALUES (1, 'bench', 'dry-soft', 'weekly', 'no', 'take', '[]', '2031-05-04', 1, 2, 'x', 1, 1);`;
const plan = (work: string): string =>
  `INSERT INTO plan (ticket_id, number, body, work, stops, minutes, accepted_by) VALUES (1, 1, '{"version": 1}', '${work}', 4, 9, 1)`;

describe('the edges of pull saws', () => {
  let old: OldDatabase;
  beforeEach(async () => (old = await oldDatabase(LAST_BEFORE, ROWS)));
  afterEach(() => old.close());
  const run = (sql: string) => old.db.sequelize.query(sql);

  it('go up, down and up over saws told before; only a two-edged pull saw has another edge', async () => {
    await old.up(THIS);
    await run(saw('pull', { edges: 2, ripPitchMm: 2.4, hardEdge: 'rip' }));
    for (const [family, shape] of [
      ['pull', { edges: 1, ripPitchMm: 2.4 }],
      ['pull', { edges: 2, hardEdge: 'both' }],
      ['pull', { edges: 2, ripPitchMm: 0 }],
      ['hand', { hardEdge: 'rip' }],
    ] as const)
      await expectAsync(run(saw(family, shape))).toBeRejectedWithError(/saw_pull_edges|saw_shape_fits/);
    await old.down(THIS);
    expect(await old.rows('SELECT shape FROM saw ORDER BY id')).toEqual([
      { shape: { edges: 2 } },
      { shape: { edges: 1 } },
      { shape: { edges: 2 } },
    ]);
    await old.up(THIS);
  });

  it('an order of top bevels is kept, and holds the way down shut', async () => {
    await expectAsync(run(plan('top-bevels'))).toBeRejectedWithError(/plan_work_known/);
    await old.up(THIS);
    await run(plan('top-bevels'));
    await expectAsync(old.down(THIS)).toBeRejectedWithError(/Orders of top bevels/);
  });
});
