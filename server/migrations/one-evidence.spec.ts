import { lineOf } from '@odontis/core/evidence/line-of';
import { keptReading } from '@odontis/core/evidence/reading';
import type { Database } from '../database/connect';
import { readSessions } from '../features/evidence/read-sessions';
import type { OldDatabase } from '../testing/old-database';
import { oldDatabase } from '../testing/old-database';
import { migrator } from './migrate';

/** Rows in every table that the record of evidence took the place of, as the shop kept them before. */
const OLD_ROWS = `
  INSERT INTO person (name, initials) VALUES ('First Hand', 'FH'), ('Second Hand', 'SH');
  INSERT INTO customer (name, created_by) VALUES ('Wren Ashby', 1);
  INSERT INTO arrival (customer_id, opened_by) VALUES (1, 1);
  INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm, plate_depth_heel_mm,
      plate_depth_toe_mm, back_fixing, created_by) VALUES (1, 'Tenon saw', 'back', 'rip', 2, 'points', 60, 0.7, 80, 70, 'folded', 1),
      (1, 'Panel saw', 'hand', 'crosscut', 2.5, 'points', 60, 0.8, 80, 70, 'none', 1);
  INSERT INTO ticket (saw_id, arrival_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, quote_low, quote_high, currency, opened_by)
    VALUES (1, 1, 'check', 'dry-soft', 'weekly', 'no', 'take', '[]', '2031-05-04', 1, 2, 'x', 1),
           (2, 1, 'measure', 'dry-soft', 'weekly', 'no', 'take', '[]', '2031-05-04', 1, 2, 'x', 1);
  INSERT INTO measuring (ticket_id, kind, round, sitting, gauge, version, finished, changed_by, changed_at) VALUES
    (1, 'before', 1, 1, 'straight-edge', 1, true, 1, '2031-05-01'), (1, 'before', 1, 2, 'scan', 3, true, 2, '2031-05-02'),
    (1, 'after', 1, 1, 'caliper', 1, true, 1, '2031-05-03'), (2, 'before', 1, 1, 'straight-edge', 1, false, 1, '2031-05-01');
  INSERT INTO reading VALUES (1, 1, 0, 0, 'left', 0.05, 'tooth', NULL), (1, 2, 2, -0.1, 'right', NULL, 'tooth', NULL),
    (2, 1, 0.03, -0.02, 'left', 0.06, 'tooth', 'nail'), (2, 2, 2.1, -0.2, 'right', NULL, 'broken', ''), (2, 3, 4, 0, 'left', NULL, 'missing', NULL),
    (3, 1, 0, 0, 'left', 0.07, 'tooth', NULL), (4, 1, 0, -0.3, NULL, NULL, 'tooth', NULL), (4, 2, 2.5, -0.4, NULL, NULL, 'tooth', NULL);
  INSERT INTO reading_was (measuring_id, tooth, was, changed_by) VALUES
    (2, 2, '{"tooth":2,"xMm":2.1,"yMm":-2,"kind":"tooth","lean":"right","setMm":0.3,"note":null}', 1),
    (2, 2, '{"tooth":2,"xMm":2.1,"yMm":-0.2,"kind":"tooth","lean":"right","setMm":0.3,"note":null}', 2);
  INSERT INTO gauging (key, ticket_id, kind, note, started_by, started_at, finished_at) VALUES
    ('00000000-0000-4000-8000-0000000000a1', 1, 'before', 'by feeler', 1, '2031-05-02 12:00', '2031-05-02 13:00');
  INSERT INTO gauged (key, gauging_id, quantity, place, value_mm, gauge, set_aside, corrects, taken_by) VALUES
    ('00000000-0000-4000-8000-0000000000b1', 1, 'thickness', 30, 3, 'caliper', true, NULL, 1),
    ('00000000-0000-4000-8000-0000000000b2', 1, 'thickness', 30, 0.7, 'caliper', false, '00000000-0000-4000-8000-0000000000b1', 1);
  INSERT INTO angle_read (key, gauging_id, tooth, way, section, roll_deg, slope_deg, handle, turn_deg, rake_deg, point, set_aside, taken_by) VALUES
    ('00000000-0000-4000-8000-0000000000c1', 1, 1, 'file', 'taper', 15, 0, 'left', 25, NULL, NULL, false, 1),
    ('00000000-0000-4000-8000-0000000000c2', 1, 2, 'bevel', NULL, NULL, NULL, NULL, NULL, -15, NULL, false, 1),
    ('00000000-0000-4000-8000-0000000000c3', 1, 3, 'scan', NULL, NULL, NULL, NULL, NULL, -14, NULL, false, 2),
    ('00000000-0000-4000-8000-0000000000c4', 1, 4, 'eye', NULL, NULL, NULL, NULL, NULL, NULL, 'left', false, 1);
`;
const LAST_BEFORE = '2026-11-24-read-angles';
const THIS = '2026-11-28-one-evidence';

describe('measurings, gauge readings and angles become one record', () => {
  let old: OldDatabase;
  let db: Database;
  beforeEach(async () => {
    old = await oldDatabase(LAST_BEFORE, OLD_ROWS);
    db = old.db;
  });
  afterEach(() => old.close());
  const names = (id: number): string => (id === 1 ? 'First Hand' : 'Second Hand');
  const sessions = async (ticket: number) => (await readSessions(db, ticket, names)).sessions;
  const saw = async (id: number) => {
    const { toSaw } = await import('../features/customers/service');
    return toSaw(await db.models.Saw.findByPk(id, { rejectOnEmpty: true }));
  };
  const rows = (sql: string) => old.rows(sql);

  it('every value comes over once, old ones corrected by those after them, and every row is a reading', async () => {
    await old.up(THIS);
    const all = await sessions(1);
    expect(all.map((s) => [s.kind, s.by, s.note, s.finishedAt !== null])).toEqual([
      ['before', 'First Hand', '', true],
      ['before', 'Second Hand', '', true],
      ['before', 'First Hand', 'by feeler', true],
      ['after', 'First Hand', '', true],
    ]);
    for (const reading of all.flatMap((s) => s.readings))
      expect(keptReading.safeParse(reading).error?.issues ?? [])
        .withContext(JSON.stringify(reading))
        .toEqual([]);
    const line = lineOf(all, await saw(1), 'before');
    expect(line?.gauge).toBe('scan');
    expect(line?.teeth.map((t) => [t.xMm, t.yMm, t.kind, t.lean, t.setMm, t.note])).toEqual([
      [0.03, -0.02, 'tooth', 'left', 0.06, 'nail'],
      [2.1, -0.2, 'broken', 'right', null, null],
      [4, 0, 'missing', 'left', null, null],
    ]);
    const second = (all[1]?.readings ?? []).filter((r) => r.place === 2);
    const of = (quantity: string) => second.filter((r) => r.quantity === quantity).map((r) => [r.value, r.setAside]);
    expect(of('height')).toEqual([
      [-2, false],
      [-0.2, false],
    ]);
    expect(of('kind')).toEqual([
      ['tooth', false],
      ['broken', false],
    ]);
    // A set that was emptied is taken back, not forgotten.
    expect(of('set')).toEqual([
      [0.3, false],
      [0.3, true],
    ]);
    expect(lineOf(all, await saw(1), 'after')?.teeth[0]?.setMm).toBe(0.07);
    expect(all[2]?.readings.map((r) => r.quantity)).toEqual([
      'thickness',
      'thickness',
      'angles',
      'angles',
      'angles',
      'angles',
    ]);
    // Places that the pitch filled in were nobody's measurement; a line that goes on being keyed goes on.
    const open = await sessions(2);
    expect(open[0]?.finishedAt).toBeNull();
    expect(open[0]?.readings.map((r) => r.quantity)).toEqual(['height', 'height']);
    expect(lineOf(open, await saw(2), 'before')?.teeth.map((t) => t.xMm)).toEqual([0, 2.5]);
  });

  it('and back again, the tables as they were, and up once more to the same line', async () => {
    const run = migrator(db.sequelize);
    await run.up({ to: THIS });
    const before = lineOf(await sessions(1), await saw(1), 'before');
    await run.down({ to: THIS });
    expect(
      await rows(
        'SELECT tooth, x_mm, y_mm, lean, set_mm, r.kind FROM reading r JOIN measuring m ON m.id = r.measuring_id WHERE m.sitting = 2 ORDER BY tooth',
      ),
    ).toEqual([
      { tooth: 1, x_mm: 0.03, y_mm: -0.02, lean: 'left', set_mm: 0.06, kind: 'tooth' },
      { tooth: 2, x_mm: 2.1, y_mm: -0.2, lean: 'right', set_mm: null, kind: 'broken' },
      { tooth: 3, x_mm: 4, y_mm: 0, lean: 'left', set_mm: null, kind: 'missing' },
    ]);
    expect((await rows('SELECT key FROM gauged')).length).toBe(2);
    expect((await rows('SELECT way FROM angle_read ORDER BY tooth')).map((r) => r['way'])).toEqual([
      'file',
      'bevel',
      'scan',
      'eye',
    ]);
    expect((await rows('SELECT note FROM gauging')).map((r) => r['note'])).toEqual(['by feeler']);
    await run.up({ to: THIS });
    expect(lineOf(await sessions(1), await saw(1), 'before')?.teeth).toEqual(before?.teeth ?? []);
  });
});
