import { spawnSync } from 'node:child_process';
import {
  chmodSync,
  cpSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { Cluster } from './cluster';
import { ensurePostgres, postgresPrograms } from './debian';

describe('a cluster of our own', () => {
  let folder: string;
  const start = (): Promise<Cluster> => Cluster.start({ programs: ensurePostgres(), folder });
  const pid = (): number =>
    Number(readFileSync(path.join(folder, 'postgres', 'postmaster.pid'), 'utf8').split('\n')[0]);
  const ask = async (url: string, sql: string): Promise<unknown[]> => {
    const client = new pg.Client({ connectionString: url });
    client.on('error', () => undefined);
    await client.connect();
    try {
      return (await client.query(sql)).rows as unknown[];
    } finally {
      await client.end();
    }
  };

  beforeEach(() => {
    folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-cluster-'));
    chmodSync(folder, 0o755);
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  it('listens on loopback alone, with a password nobody else can read', async () => {
    const cluster = await start();
    try {
      const [listen] = await ask(cluster.url(), 'SHOW listen_addresses');
      expect(listen).toEqual({ listen_addresses: '127.0.0.1' });
      expect(await ask(cluster.url(), 'SHOW unix_socket_directories')).toEqual([{ unix_socket_directories: '' }]);
      expect(statSync(path.join(folder, 'cluster.json')).mode & 0o077).toBe(0);
      const guessed = cluster.url().replace(/:[0-9a-f]+@/, ':guessed@');
      await expectAsync(ask(guessed, 'SELECT 1')).toBeRejectedWithError(/password authentication failed/);
      const nobody = cluster.url().replace(/\/\/.*@/, '//postgres@');
      await expectAsync(ask(nobody, 'SELECT 1')).toBeRejected();
    } finally {
      await cluster.stop();
    }
  }, 60_000);

  it('keeps its port and every record over a stop and over kill -9', async () => {
    let cluster = await start();
    const url = cluster.url();
    await ask(url, 'CREATE TABLE kept AS SELECT 1 AS n');
    await cluster.stop();
    cluster = await start();
    expect(cluster.url()).toBe(url);
    await ask(url, 'INSERT INTO kept VALUES (2)');
    process.kill(pid(), 'SIGKILL');
    cluster = await start();
    expect(await ask(cluster.url(), 'SELECT count(*)::int AS n FROM kept')).toEqual([{ n: 2 }]);
    await cluster.stop();
  }, 60_000);

  it('brings back a server that died, and leaves one alone that runs or was stopped', async () => {
    const cluster = await start();
    expect(await cluster.revive()).toBeFalse();
    const was = pid();
    process.kill(was, 'SIGKILL');
    while (!(await cluster.revive())) await new Promise((resolve) => setTimeout(resolve, 20));
    expect(pid()).not.toBe(was);
    expect(await ask(cluster.url(), 'SELECT 1 AS n')).toEqual([{ n: 1 }]);
    await cluster.stop();
    expect(await cluster.revive()).toBeFalse();
  }, 60_000);

  it('takes over a server that is still running', async () => {
    const first = await start();
    const was = pid();
    const second = await start();
    expect(pid()).toBe(was);
    expect(second.url()).toBe(first.url());
    await second.stop();
  }, 60_000);

  it('moves to another port when somebody took its own, and remembers that one', async () => {
    const first = await start();
    const port = Number(new URL(first.url()).port);
    await first.stop();
    const squatter = net.createServer();
    await new Promise<void>((resolve) => squatter.listen(port, '127.0.0.1', resolve));
    const moved = await start();
    expect(Number(new URL(moved.url()).port)).not.toBe(port);
    await moved.stop();
    await new Promise((resolve) => squatter.close(resolve));
    const again = await start();
    expect(again.url()).toBe(moved.url());
    await again.stop();
  }, 60_000);

  it('a folder that was copied while it ran starts beside it, one that was moved is taken over', async () => {
    const first = await start();
    await ask(first.url(), 'CREATE TABLE kept AS SELECT 7 AS n');
    await ask(first.url(), 'CHECKPOINT');
    const original = folder;
    const copy = `${folder}-copy`;
    cpSync(folder, copy, { recursive: true, preserveTimestamps: true });
    if (process.getuid?.() === 0) spawnSync('chown', ['-R', 'postgres:', path.join(copy, 'postgres')]);
    chmodSync(path.join(copy, 'postgres'), 0o700);
    folder = copy;
    const second = await start();
    expect(pid()).not.toBe(
      Number(readFileSync(path.join(original, 'postgres', 'postmaster.pid'), 'utf8').split('\n')[0]),
    );
    expect(await ask(second.url(), 'SELECT n FROM kept')).toEqual([{ n: 7 }]);
    await second.stop();
    rmSync(copy, { recursive: true, force: true });
    folder = `${original}-moved`;
    renameSync(original, folder);
    const was = pid();
    const third = await start();
    expect(pid()).toBe(was);
    expect(await ask(third.url(), 'SELECT n FROM kept')).toEqual([{ n: 7 }]);
    await third.stop();
  }, 60_000);

  it('says in one line that its database user cannot enter the folder', async () => {
    if (process.getuid?.() !== 0) return pending('Only root runs the database as somebody else.');
    chmodSync(folder, 0o700);
    await expectAsync(start()).toBeRejectedWithError(/cannot enter/);
  });

  it('a server that will not come up is told by its own last word, and not waited for', async () => {
    const cluster = await start();
    await cluster.stop();
    writeFileSync(path.join(folder, 'postgres', 'global', 'pg_control'), 'not what it was');
    await expectAsync(start()).toBeRejectedWithError(/PostgreSQL will not start on .*; it says: .*Its log is/);
  }, 60_000);

  it('two versions on the machine do not confuse it: a folder is read by the one that made it', () => {
    const at = path.join(folder, 'versions');
    for (const version of ['15', '17', '9.6'])
      for (const program of ['initdb', 'postgres']) {
        mkdirSync(path.join(at, version, 'bin'), { recursive: true });
        writeFileSync(path.join(at, version, 'bin', program), '');
      }
    expect(postgresPrograms(folder, at)).toBe(path.join(at, '17', 'bin'));
    mkdirSync(path.join(folder, 'postgres'));
    writeFileSync(path.join(folder, 'postgres', 'PG_VERSION'), '15\n');
    expect(postgresPrograms(folder, at)).toBe(path.join(at, '15', 'bin'));
    writeFileSync(path.join(folder, 'postgres', 'PG_VERSION'), '16\n');
    expect(() => postgresPrograms(folder, at)).toThrowError(
      /were made by PostgreSQL 16, and here is 17 and 15 and 9.6/,
    );
    expect(postgresPrograms(folder, path.join(folder, 'none'))).toBeNull();
  });
});
