import { execFile } from 'node:child_process';
import { accessSync, constants, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import { QueryTypes } from 'sequelize';
import type { Database } from '../../database/connect';
import { USUAL_COPIES_KEPT } from '@odontis/contract/copies';
import { connect } from '../../database/connect';
import { bringUp } from '../../migrations/migrate';
import { wordsOfACopy } from '../../migrations/2026-11-29-words-of-a-copy';
import type { CopyHead } from './copy-file';
import { CopyTrouble, noWayInto, readCopy, readHead, writeCopy } from './copy-file';
import { refuseNewer, refuseUnlessEmpty } from './into-empty';

const run = promisify(execFile);
/** A program of PostgreSQL on a database, which says what is wrong in its last line. Its password goes where no list of processes shows it. */
async function postgres(
  programs: string,
  name: string,
  url: string,
  args: readonly string[],
  fails: string,
): Promise<void> {
  const address = new URL(url);
  const env = { ...process.env, PGPASSWORD: decodeURIComponent(address.password) };
  address.password = '';
  try {
    await run(path.join(programs, name), ['--dbname', address.href, ...args], { env, maxBuffer: 1e7 });
  } catch (error) {
    const said = String((error as { stderr?: string }).stderr ?? '')
      .trim()
      .split('\n');
    throw new CopyTrouble(
      `${fails}: ${said.find((line) => /error|ERROR|fatal/.test(line)) ?? said.at(-1) ?? String(error)}`,
    );
  }
}

/** So many copies the shop keeps; asked of the database itself, which may be of another program's shape. */
export async function copiesKept(db: Database): Promise<number> {
  const [row] = await db.sequelize.query<{ kept: number | null }>(
    `SELECT (book ->> 'copiesKept')::int AS kept FROM shop WHERE id = 1`,
    { type: QueryTypes.SELECT },
  );
  return row?.kept ?? USUAL_COPIES_KEPT;
}

/** Somewhere for a dump in between that goes when it is done. */
async function inFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-copying-'));
  try {
    return await work(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const two = (n: number): string => String(n).padStart(2, '0');
/** A copy's name by its day and minute, so that they lie in order. */
export function copyName(at: Date): string {
  const day = `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
  return `odontis-${day}-${two(at.getHours())}${two(at.getMinutes())}${two(at.getSeconds())}.copy`;
}
const isCopy = (name: string): boolean => /^odontis-[\d-]+\.copy$/.test(name);

/** Copies in a folder, the newest first, by when they say they were made; what is no copy is passed over. */
export function copiesIn(folder: string): { readonly file: string; readonly head: CopyHead; readonly bytes: number }[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter(isCopy)
    .flatMap((name) => {
      const file = path.join(folder, name);
      try {
        return [{ file, head: readHead(file).head, bytes: statSync(file).size }];
      } catch (error) {
        if (error instanceof CopyTrouble) return [];
        throw error;
      }
    })
    .sort((a, b) => b.head.madeAt.localeCompare(a.head.madeAt));
}

/** What a copy leaves that was killed half way; one in the making is younger. */
const HALF = /^odontis-[\d-]+\.copy\.(new|body)$/;
const OLD_HALF_MS = 6 * 3_600_000;
function dropHalves(folder: string, now: Date): void {
  for (const name of readdirSync(folder).filter((one) => HALF.test(one))) {
    const file = path.join(folder, name);
    if (now.getTime() - statSync(file).mtimeMs > OLD_HALF_MS) rmSync(file, { force: true });
  }
}

export interface Backup {
  /** PostgreSQL's programs, and the running database. */
  readonly programs: string;
  readonly url: string;
  readonly folder: string;
  readonly passphrase: string | null;
  readonly now: Date;
}

/**
 * One consistent copy of everything, pictures included, while the shop goes on: as the database stood at one
 * moment. Older ones beyond what the shop keeps go when the new one is whole. Returns its file. CopyTrouble where it cannot.
 */
export async function backUp({ programs, url, folder, passphrase, now }: Backup): Promise<string> {
  const into = path.join(folder, copyName(now));
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK);
    dropHalves(folder, now);
  } catch (error) {
    throw noWayInto(folder, error);
  }
  const db = connect(url);
  let kept: number;
  try {
    kept = await copiesKept(db);
    const [rows] = await db.sequelize.query('SELECT name FROM migration ORDER BY name');
    const migrations = (rows as { name: string }[]).map((row) => row.name);
    if (!migrations.includes(wordsOfACopy.name))
      throw new CopyTrouble(
        'These data are of an older Odontis, whose copies cannot be read back. Start this one once on them, then copy.',
      );
    await inFolder(async (aside) => {
      const dump = path.join(aside, 'dump');
      await postgres(
        programs,
        'pg_dump',
        url,
        ['--format=custom', '--no-owner', '--file', dump],
        'The database could not be copied',
      );
      await writeCopy(dump, into, { madeAt: now.toISOString(), migrations }, passphrase);
    });
  } catch (error) {
    throw noWayInto(folder, error);
  } finally {
    await db.sequelize.close();
  }
  for (const old of copiesIn(folder).slice(kept)) rmSync(old.file, { force: true });
  return into;
}

/**
 * A copy into an empty database, brought up to this program's shape. All or nothing: what is wrong with the copy is
 * said before anything is written, and a database that holds a table is left as it is.
 */
export async function restore(
  programs: string,
  file: string,
  url: string,
  passphrase: string | null,
): Promise<CopyHead> {
  refuseNewer(file, readHead(file).head.migrations);
  return inFolder(async (aside) => {
    const dump = path.join(aside, 'dump');
    const told = await readCopy(file, dump, passphrase);
    const db = connect(url);
    try {
      await refuseUnlessEmpty(db);
      const args = ['--exit-on-error', '--single-transaction', '--no-owner', dump];
      await postgres(programs, 'pg_restore', url, args, `${file} could not be restored, and nothing of it was kept`);
      await bringUp(db.sequelize);
    } finally {
      await db.sequelize.close();
    }
    return told;
  });
}
