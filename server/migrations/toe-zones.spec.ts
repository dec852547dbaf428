import { QueryTypes } from 'sequelize';
import type { Database } from '../database/connect';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase } from '../testing/old-database';

const LAST_BEFORE = '2026-11-29-one-order';
const THIS = '2026-11-29-toe-zones';
const saw = (family: string, shape: object, back = 'none'): string => `
  INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm, plate_depth_heel_mm,
      plate_depth_toe_mm, back_fixing, created_by, shape)
    VALUES (1, 'x', '${family}', 'rip', 2, 'points', 300, 0.6, 80, 70, '${back}', 1, '${JSON.stringify(shape)}')`;
const zone = { teeth: 12, pitchFromMm: 1, pitchToMm: 1, relaxFromDeg: 0, relaxToDeg: 0 };

describe('the shape of saws with teeth of another pitch at the toe', () => {
  let old: OldDatabase;
  let db: Database;
  beforeEach(async () => {
    old = await oldDatabase(
      LAST_BEFORE,
      `INSERT INTO person (name, initials) VALUES ('First Hand', 'FH');
       INSERT INTO customer (name, created_by) VALUES ('Wren Ashby', 1);
       ${saw('hand', {})}; ${saw('pull', { edges: 2 })}`,
    );
    db = old.db;
  });
  afterEach(() => old.close());
  const shapes = () =>
    db.sequelize.query<{ shape: object }>('SELECT shape FROM saw ORDER BY id', { type: QueryTypes.SELECT });

  it('goes up, down and up over saws of every shape; only a hand or back saw has zones, one to three of them', async () => {
    await expectAsync(db.sequelize.query(saw('hand', { toeZones: [zone] }))).toBeRejectedWithError(/saw_shape_fits/);
    await old.up(THIS);
    await db.sequelize.query(saw('back', { toeZones: [zone] }, 'folded'));
    for (const shape of [{ toeZones: [] }, { toeZones: [zone, zone, zone, zone] }, { toeZones: [zone], edges: 1 }])
      await expectAsync(db.sequelize.query(saw('hand', shape))).toBeRejected();
    await old.down(THIS);
    expect(await shapes()).toEqual([{ shape: {} }, { shape: { edges: 2 } }, { shape: {} }]);
    await old.up(THIS);
    expect((await shapes()).length).toBe(3);
  });
});
