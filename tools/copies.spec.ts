import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { copiesState } from '@odontis/contract/copies';
import { pino } from 'pino';
import supertest from 'supertest';
import { createApp } from '../server/app';
import { ShopCopies } from '../server/features/copies/shop-copies';
import { connect } from '../server/database/connect';
import { bringUp, migrator } from '../server/migrations/migrate';
import { contents } from '../server/testing/contents';
import type { TestDatabase } from '../server/testing/test-shop';
import { demoDatabase, emptyDatabase, screenHeaders } from '../server/testing/test-shop';
import { backUp, copiesIn, restore } from '../server/features/copies/copies';
import { ensurePostgres } from './debian';

describe('a copy of the shop', () => {
  const programs = ensurePostgres();
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-copies-'));
  let from: TestDatabase;
  let was: Record<string, string>;
  let file: string;
  const PASSPHRASE = 'shavings and whiskers';
  const copied = (more: Partial<Parameters<typeof backUp>[0]> = {}): Promise<string> =>
    backUp({ programs, url: from.url, folder, passphrase: null, now: new Date(), ...more });
  /** What came of restoring into a database of its own. */
  const restored = async (copy: string, passphrase: string | null = null): Promise<Record<string, string>> => {
    const into = await emptyDatabase();
    const db = connect(into.url);
    try {
      await restore(programs, copy, into.url, passphrase);
      return await contents(db.sequelize);
    } finally {
      await db.sequelize.close();
      await into.drop();
    }
  };
  let timeout: number;
  beforeAll(async () => {
    timeout = jasmine.DEFAULT_TIMEOUT_INTERVAL;
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 120_000;
    from = await demoDatabase();
    const db = connect(from.url);
    was = await contents(db.sequelize);
    await db.sequelize.close();
    file = await copied({ now: new Date(2031, 4, 1, 2) });
  });
  afterAll(async () => {
    await from.drop();
    rmSync(folder, { recursive: true, force: true });
    jasmine.DEFAULT_TIMEOUT_INTERVAL = timeout;
  });

  it('comes back whole into an empty database: every row of every table as it was', async () => {
    expect(await restored(file)).toEqual(was);
    expect(was['evidence']).toMatch(/^[1-9]\d+ rows/);
    expect(path.basename(file)).toBe('odontis-2031-05-01-020000.copy');
  });

  it('encrypted, nothing of it can be read, and it comes back by its passphrase alone', async () => {
    const secret = await copied({ passphrase: PASSPHRASE, now: new Date(2031, 4, 2, 2) });
    const bytes = readFileSync(secret);
    expect(readFileSync(file).includes(Buffer.from('PGDMP'))).toBeTrue();
    expect(bytes.includes(Buffer.from('PGDMP'))).toBeFalse();
    expect(await restored(secret, PASSPHRASE)).toEqual(was);
    await expectAsync(restored(secret)).toBeRejectedWithError(/is encrypted: give its passphrase/);
    await expectAsync(restored(secret, 'another one')).toBeRejectedWithError(/The passphrase is not that of/);
  });

  it('one that was cut short, changed, or is none is refused before anything is touched', async () => {
    const bytes = readFileSync(file);
    const bad = (name: string, content: Buffer | string): string => {
      const at = path.join(folder, name);
      writeFileSync(at, content);
      return at;
    };
    const changed = Buffer.from(bytes);
    changed[changed.length - 9] = (changed.at(-9) ?? 0) ^ 1;
    for (const [name, content, says] of [
      ['short', bytes.subarray(0, bytes.length / 2), /cut short or changed/],
      ['changed', changed, /cut short or changed/],
      ['none', 'a letter to somebody\n', /is no copy of a shop/],
      ['empty', '', /is no copy of a shop/],
    ] as const)
      await expectAsync(restored(bad(name, content)))
        .withContext(name)
        .toBeRejectedWithError(says);
    await expectAsync(restored(path.join(folder, 'missing'))).toBeRejectedWithError(/cannot be read/);
    const newer = Buffer.from(
      bytes.toString('latin1').replace('2026-11-29-made-once', '2099-11-29-made-once'),
      'latin1',
    );
    await expectAsync(restored(bad('newer', newer))).toBeRejectedWithError(
      /by a newer Odontis \(2099-11-29-made-once\)/,
    );
  });

  it('never goes over a shop that is there', async () => {
    await expectAsync(restore(programs, file, from.url, null)).toBeRejectedWithError(/a shop in this database already/);
    const db = connect(from.url);
    expect(await contents(db.sequelize)).toEqual(was);
    await db.sequelize.close();
  });

  it('of an older program is brought up to this one', async () => {
    const old = await emptyDatabase();
    const db = connect(old.url);
    await migrator(db.sequelize).up({ to: '2026-11-29-check-edges' });
    await expectAsync(copied({ url: old.url })).toBeRejectedWithError(/whose copies cannot be read back/);
    await migrator(db.sequelize).up({ to: '2026-11-29-words-of-a-copy' });
    await db.sequelize.query(`INSERT INTO person (name, initials) VALUES ('First Hand', 'FH')`);
    const copy = await copied({ url: old.url, now: new Date(2031, 4, 3, 2) });
    await db.sequelize.close();
    await old.drop();
    const now = await restored(copy);
    expect(now['person']).toMatch(/^1 rows/);
    expect(Object.keys(now)).toEqual(Object.keys(was));
  });

  it('what a copy left that was killed half way goes with a later one; one in the making stays', async () => {
    const [old, young] = ['odontis-2031-04-01-020000.copy.new', 'odontis-2031-05-01-015900.copy.body'].map((name) =>
      path.join(folder, name),
    ) as [string, string];
    const now = new Date(2031, 4, 3, 4);
    for (const [half, at] of [
      [old, new Date(2031, 3, 1)],
      [young, new Date(2031, 4, 3, 3, 59)],
    ] as const) {
      writeFileSync(half, 'half');
      utimesSync(half, at, at);
    }
    await copied({ now });
    expect([existsSync(old), existsSync(young)]).toEqual([false, true]);
    rmSync(young);
  });

  it('the newest are kept, as many as is said; nothing half made lies about', async () => {
    const db = connect(from.url);
    await db.sequelize.query(`UPDATE shop SET book = book || '{"copiesKept": 2}'`);
    await db.sequelize.close();
    for (const day of [4, 5, 6]) await copied({ now: new Date(2031, 4, day, 2) });
    const names = copiesIn(folder).map((one) => path.basename(one.file));
    expect(names).toEqual(['odontis-2031-05-06-020000.copy', 'odontis-2031-05-05-020000.copy']);
    expect(readdirSync(folder).filter((name) => /\.(new|body)$/.test(name))).toEqual([]);
  });

  it('somebody of the shop makes one from the screen, and sees how they stand; where it cannot, it says why', async () => {
    const own = path.join(folder, 'from-screen');
    const db = connect(from.url);
    const silent = pino({ level: 'silent' });
    const at = (place: string) =>
      createApp({
        db,
        logger: silent,
        copies: new ShopCopies(db, from.url, { programs, folder: place, passphrase: null }, silent),
      });
    const screen = await screenHeaders(db, 1);
    const looks = (app: ReturnType<typeof createApp>) => supertest(app).get('/api/copies').set(screen);
    const asks = (app: ReturnType<typeof createApp>) => supertest(app).post('/api/copies').set(screen).send({});
    const before = copiesState.parse((await looks(at(own))).body);
    expect([before.count, before.newest, before.kept]).toEqual([0, null, 2]);
    expect((await supertest(at(own)).post('/api/copies').send({})).status).toBe(401);
    const app = at(own);
    const made = await Promise.all([asks(app), asks(app)]);
    expect(made.map((answer) => answer.status)).toEqual([201, 201]);
    // Asked for twice at once it is made once.
    expect(copiesState.parse(made[1]?.body).count).toBe(1);
    const taken = path.join(folder, 'a-file');
    writeFileSync(taken, '');
    const refused = await asks(at(path.join(taken, 'below')));
    expect([refused.status, (refused.body as { code: string }).code]).toEqual([507, 'copy-failed']);
    const none = createApp({ db, logger: silent });
    expect(copiesState.parse((await looks(none)).body).kept).toBeNull();
    await db.sequelize.close();
  });

  it('the night’s is made once, by whichever of two servers comes first', async () => {
    const own = path.join(folder, 'of-the-night');
    const silent = pino({ level: 'silent' });
    const dbs = [connect(from.url), connect(from.url)];
    const servers = dbs.map((db) => new ShopCopies(db, from.url, { programs, folder: own, passphrase: null }, silent));
    const night = new Date(2031, 4, 8, 3);
    await Promise.all(servers.map((one) => one.night(night)));
    await Promise.all(servers.map((one) => one.night(night)));
    expect(copiesIn(own).map((one) => path.basename(one.file))).toEqual(['odontis-2031-05-08-030000.copy']);
    await servers[1]?.night(new Date(2031, 4, 9, 3));
    expect(copiesIn(own).length).toBe(2);
    await Promise.all(dbs.map((db) => db.sequelize.close()));
  });

  it('one is made before an older shop’s data are changed; where it cannot be, nothing is touched', async () => {
    const old = await emptyDatabase();
    const db = connect(old.url);
    await migrator(db.sequelize).up({ to: '2026-11-29-words-of-a-copy' });
    await db.sequelize.query(`INSERT INTO person (name, initials) VALUES ('First Hand', 'FH')`);
    const before = await contents(db.sequelize);
    const copiesAt = (place: string) =>
      new ShopCopies(db, old.url, { programs, folder: place, passphrase: null }, pino({ level: 'silent' }));
    const opened = (place: string): Promise<void> =>
      bringUp(db.sequelize, (made) => copiesAt(place).beforeChange(made, new Date(2031, 5, 1)));
    const taken = path.join(folder, 'taken');
    writeFileSync(taken, '');
    await expectAsync(opened(path.join(taken, 'below'))).toBeRejectedWithError(
      /^Before these data are changed for this Odontis they are copied, .*Nothing was touched\.$/,
    );
    expect(await contents(db.sequelize)).toEqual(before);
    const place = path.join(folder, 'before-a-change');
    await opened(place);
    await opened(place);
    const [copy, ...more] = copiesIn(place);
    expect(more).toEqual([]);
    expect(copy?.head.migrations.at(-1)).toBe('2026-11-29-words-of-a-copy');
    expect((await restored(copy?.file ?? ''))['person']).toMatch(/^1 rows/);
    await db.sequelize.close();
    await old.drop();
  });
});
