import {
  copyFileSync,
  cpSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import sharp from 'sharp';
import type { Database } from '../server/database/connect';
import { connect } from '../server/database/connect';
import { readCards } from '../server/features/customers/vcard';
import type { ExportList } from '../server/features/copies/open-form';
import { importShop } from '../server/features/copies/read-export';
import { exportShop } from '../server/features/copies/write-export';
import { contents } from '../server/testing/contents';
import type { TestDatabase } from '../server/testing/test-shop';
import { demoDatabase, emptyDatabase, screenHeaders } from '../server/testing/test-shop';

describe('everything of a shop in open forms', () => {
  const place = mkdtempSync(path.join(os.tmpdir(), 'odontis-export-'));
  const folder = path.join(place, 'out');
  let from: TestDatabase;
  let db: Database;
  let was: Record<string, string>;
  const lines = (table: string): Record<string, unknown>[] =>
    readFileSync(path.join(folder, 'rows', `${table}.jsonl`), 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>);
  /** What came of taking it in at another place. */
  const takenIn = async <T>(at: string, look: (of: Database) => Promise<T>): Promise<T> => {
    const into = await emptyDatabase();
    const there = connect(into.url);
    try {
      await importShop(at, into.url);
      return await look(there);
    } finally {
      await there.sequelize.close();
      await into.drop();
    }
  };
  let timeout: number;
  beforeAll(async () => {
    timeout = jasmine.DEFAULT_TIMEOUT_INTERVAL;
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 120_000;
    from = await demoDatabase();
    db = connect(from.url);
    await screenHeaders(db, 1);
    // What is easily lost on the way: many digits, a sign no letter has, quotes, a line's end, a formula.
    await db.sequelize.query(
      `UPDATE saw SET pitch_mm = 0.30000000000000004, name = E'"\\u2028 \\\\ \\n=1+1' WHERE id = 1`,
    );
    const bytes = await sharp({ create: { width: 3, height: 2, channels: 3, background: '#c84' } })
      .jpeg()
      .toBuffer();
    await db.sequelize.query(
      `INSERT INTO photograph (ticket_id, bytes, width_px, height_px, taken_by) VALUES (1, :bytes, 3, 2, 1)`,
      { replacements: { bytes } },
    );
    was = await contents(db.sequelize);
    await exportShop(from.url, folder, new Date(2031, 4, 1, 2));
  });
  afterAll(async () => {
    await db.sequelize.close();
    await from.drop();
    rmSync(place, { recursive: true, force: true });
    jasmine.DEFAULT_TIMEOUT_INTERVAL = timeout;
  });

  it('comes back equal, row by row, but for what opens the door', async () => {
    const is = await takenIn(folder, async (there) => {
      const all = await contents(there.sequelize);
      const [next] = await there.sequelize.query(`SELECT nextval(pg_get_serial_sequence('customer', 'id'))::int AS id`);
      const [here] = await db.sequelize.query(`SELECT max(id) + 1 AS id FROM customer`);
      expect(next).toEqual(here);
      const [open] = await there.sequelize.query(`SELECT count(*)::int AS open FROM device WHERE ended_at IS NULL`);
      expect(open).toEqual([{ open: 0 }]);
      return all;
    });
    // The screens are there by name, and ended; their keys, the passwords and the sittings are not.
    const { device, secret, sitting, door_try, ...rest } = was;
    expect([device, sitting, secret, door_try].map((one) => one?.split(' ')[0])).toEqual(['1', '1', '0', '0']);
    expect(is).toEqual({
      ...rest,
      device: is['device'] ?? '',
      secret: '0 rows, ',
      sitting: '0 rows, ',
      door_try: '0 rows, ',
    });
    expect(is['device']).toMatch(/^1 rows/);
    expect(Number(was['evidence']?.split(' ')[0])).toBeGreaterThan(1000);
  });

  it('is read by whatever reads its forms: lines of JSON, pictures, address cards', async () => {
    expect(lines('saw').find((one) => one['id'] === 1)?.['pitch_mm']).toBe(0.1 + 0.2);
    // The demo has pictures of its own; this one is three pixels by two.
    const picture = lines('photograph').find((one) => one['width_px'] === 3);
    expect(Object.keys(picture ?? {})).not.toContain('bytes');
    const read = await sharp(path.join(folder, 'photographs', `${String(picture?.['id'])}.jpg`)).metadata();
    expect([read.format, read.width, read.height]).toEqual(['jpeg', 3, 2]);
    const cards = readCards(readFileSync(path.join(folder, 'customers.vcf'), 'utf8'));
    expect(cards.ok && cards.cards.length).toBe(Number(was['customer']?.split(' ')[0]));
    const all = readdirSync(path.join(folder, 'rows')).map((name) => name.replace('.jsonl', ''));
    expect(all.sort()).toEqual(
      Object.keys(was).filter((name) => !['migration', 'secret', 'sitting', 'door_try'].includes(name)),
    );
    expect(lines('device').flatMap(Object.keys)).not.toContain('token_hash');
  });

  it('goes into a new folder alone, and is written down', async () => {
    await expectAsync(exportShop(from.url, folder, new Date())).toBeRejectedWithError(/holds something already/);
    const file = path.join(place, 'a-file');
    writeFileSync(file, '');
    await expectAsync(exportShop(from.url, path.join(file, 'below'), new Date())).toBeRejectedWithError(
      /can be put into .*: part of it is a file/,
    );
    expect(readdirSync(place).sort()).toEqual(['a-file', 'out']);
    const [log] = await db.sequelize.query(`SELECT kind, about, by_person FROM change_log ORDER BY id DESC LIMIT 1`);
    expect(log).toEqual([{ kind: 'exported', about: 'the shop', by_person: null }]);
  });

  it('what is missing, changed or no export is refused in a sentence, and the place is as empty as it was', async () => {
    const broken = (how: (at: string) => void): string => {
      const at = mkdtempSync(path.join(place, 'broken-'));
      cpSync(folder, at, { recursive: true });
      how(at);
      return at;
    };
    const list = (at: string, change: (list: ExportList) => object): void => {
      const file = path.join(at, 'odontis-export.json');
      writeFileSync(file, JSON.stringify(change(JSON.parse(readFileSync(file, 'utf8')) as ExportList)));
    };
    const into = await emptyDatabase();
    const there = connect(into.url);
    for (const [how, says] of [
      [(at: string) => rmSync(path.join(at, 'odontis-export.json')), /is no export of a shop/],
      [(at: string) => writeFileSync(path.join(at, 'odontis-export.json'), '{'), /not as it was written/],
      [(at: string) => rmSync(path.join(at, 'rows', 'saw.jsonl')), /saw.jsonl is missing/],
      [
        (at: string) => copyFileSync(path.join(at, 'rows', 'saw.jsonl'), path.join(at, 'rows', 'plan.jsonl')),
        /plan.jsonl/,
      ],
      [(at: string) => rmSync(path.join(at, 'photographs'), { recursive: true }), /\.jpg is missing/],
      [
        (at: string) => list(at, (was) => ({ ...was, migrations: [...was.migrations, '2099-01-01-later'] })),
        /by a newer Odontis \(2099-01-01-later\)/,
      ],
      [
        (at: string) => list(at, (was) => ({ ...was, tables: { ...was.tables, secret: was.tables['saw'] } })),
        /secret is in no export/,
      ],
      [
        // A reading of a saw that is not there.
        (at: string) => list(at, ({ tables: { session: _gone, ...tables }, ...was }) => ({ ...was, tables })),
        /could not be taken in, and nothing of it was kept/,
      ],
    ] as const) {
      const at = broken(how);
      await expectAsync(importShop(at, into.url)).withContext(String(says)).toBeRejectedWithError(says);
      const [left] = await there.sequelize.query(`SELECT tablename FROM pg_tables WHERE schemaname = 'public'`);
      expect(left).withContext(String(says)).toEqual([]);
      rmSync(at, { recursive: true });
    }
    await expectAsync(importShop(folder, from.url)).toBeRejectedWithError(/a shop in this database already/);
    expect(existsSync(folder)).toBeTrue();
    await there.sequelize.close();
    await into.drop();
  });
});
