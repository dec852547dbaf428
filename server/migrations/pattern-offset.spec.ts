import { QueryTypes } from 'sequelize';
import type { Database } from '../database/connect';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase } from '../testing/old-database';

const LAST_BEFORE = '2026-11-29-calibrations';
const THIS = '2026-11-29-pattern-offset';
const saw = (family: string, shape: object, back = 'none'): string => `
  INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm, plate_depth_heel_mm,
      plate_depth_toe_mm, back_fixing, created_by, shape)
    VALUES (1, 'x', '${family}', 'rip', 2, 'points', 300, 0.6, 80, 70, '${back}', 1, '${JSON.stringify(shape)}')`;
const whole = { kind: 'two-man', pattern: 'CCCCR' };

describe('the shape of saws whose line begins within its pattern', () => {
  let old: OldDatabase;
  let db: Database;
  beforeEach(async () => {
    old = await oldDatabase(
      LAST_BEFORE,
      `INSERT INTO person (name, initials) VALUES ('First Hand', 'FH');
       INSERT INTO customer (name, created_by) VALUES ('Wren Ashby', 1);
       ${saw('crosscut', whole)}; ${saw('hand', {})}`,
    );
    db = old.db;
  });
  afterEach(() => old.close());
  const shapes = () =>
    db.sequelize.query<{ shape: object }>('SELECT shape FROM saw ORDER BY id', { type: QueryTypes.SELECT });

  it('goes up, down and up over them; a line begins within its pattern, and only one of cutters and rakers has any', async () => {
    await old.up(THIS);
    await db.sequelize.query(saw('crosscut', { ...whole, patternOffset: 4 }));
    for (const [family, shape] of [
      ['crosscut', { ...whole, patternOffset: 5 }],
      ['crosscut', { ...whole, patternOffset: -1 }],
      ['pull', { edges: 1, patternOffset: 0 }],
    ] as const)
      await expectAsync(db.sequelize.query(saw(family, shape))).toBeRejectedWithError(/saw_pattern_offset/);
    await old.down(THIS);
    expect(await shapes()).toEqual([{ shape: whole }, { shape: {} }, { shape: whole }]);
    await old.up(THIS);
    expect((await shapes()).length).toBe(3);
  });
});
