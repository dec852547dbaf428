import { createWriteStream, existsSync, readdirSync } from 'node:fs';
import { mkdir, rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { QueryTypes, Transaction } from 'sequelize';
import type { Database } from '../../database/connect';
import { connect } from '../../database/connect';
import { keepChange } from '../../database/keep-change';
import { MIGRATIONS } from '../../migrations/migrate';
import { behindADoor } from '../../migrations/2026-11-30-behind-a-door';
import { writeCards } from '../customers/vcard';
import { CopyTrouble, noWayInto } from './copy-file';
import type { ExportList } from './open-form';
import { CARDS, FILES, LEFT_OUT, LIST, rowsFile, WITHHELD } from './open-form';
import { sumOf } from './read-file';

const ROWS_AT_ONCE = 2000;

const select = <T extends object>(db: Database, sql: string, transaction: Transaction, of: object = {}): Promise<T[]> =>
  db.sequelize.query<T>(sql, { type: QueryTypes.SELECT, transaction, replacements: { ...of } });

/** Tables in an order in which each comes after those it names. */
async function tablesInOrder(db: Database, transaction: Transaction): Promise<string[]> {
  const named = await select<{ name: string; needs: string[] }>(
    db,
    `SELECT relname AS name, ARRAY(
       SELECT confrelid::regclass::text FROM pg_constraint f
       WHERE f.contype = 'f' AND f.conrelid = c.oid AND f.confrelid <> c.oid) AS needs
     FROM pg_class c WHERE relkind = 'r' AND relnamespace = 'public'::regnamespace ORDER BY relname`,
    transaction,
  );
  const order: string[] = [];
  const put = (name: string): void => {
    if (order.includes(name)) return;
    for (const need of named.find((one) => one.name === name)?.needs ?? []) put(need);
    order.push(name);
  };
  for (const { name } of named) put(name);
  return order.filter((name) => !LEFT_OUT.includes(name));
}

/** The column by which rows came one after the other: a row names only those before it. */
async function orderOf(db: Database, table: string, transaction: Transaction): Promise<string> {
  const [row] = await select<{ name: string }>(
    db,
    `SELECT attname AS name FROM pg_attribute WHERE attrelid = to_regclass(:table) AND attnum > 0 AND NOT attisdropped
     ORDER BY attidentity = 'a' DESC, attnum LIMIT 1`,
    transaction,
    { table },
  );
  return row?.name ?? 'ctid';
}

/** Every row of a table as JSON, so many at a time, as the database writes it: a number read and written again could be another. */
async function* rowsOf(db: Database, table: string, transaction: Transaction): AsyncGenerator<string> {
  const file = FILES[table];
  const withheld = [...(WITHHELD[table] ?? []), ...(file ? [file.column] : [])];
  const json = withheld.reduce((text, column) => `${text} - '${column}'`, 'to_jsonb(r)');
  const order = await orderOf(db, table, transaction);
  await db.sequelize.query(
    `DECLARE going NO SCROLL CURSOR FOR SELECT (${json})::text AS text FROM "${table}" r ORDER BY "${order}"`,
    { transaction },
  );
  for (;;) {
    const rows = await select<{ text: string }>(db, `FETCH ${ROWS_AT_ONCE} FROM going`, transaction);
    if (rows.length === 0) break;
    yield `${rows.map((one) => one.text).join('\n')}\n`;
  }
  await db.sequelize.query('CLOSE going', { transaction });
}

/** What is a file of its own, each by its row's number. */
async function writeFiles(db: Database, table: string, folder: string, transaction: Transaction): Promise<void> {
  const of = FILES[table];
  if (!of) return;
  await mkdir(path.join(folder, of.folder));
  for (const { id } of await select<{ id: number }>(db, `SELECT id FROM "${table}" ORDER BY id`, transaction)) {
    const sql = `SELECT "${of.column}" AS bytes FROM "${table}" WHERE id = :id`;
    const [row] = await select<{ bytes: Buffer }>(db, sql, transaction, { id });
    if (row) await writeFile(path.join(folder, of.folder, `${id}.${of.end}`), row.bytes);
  }
}

async function writeTable(
  db: Database,
  table: string,
  folder: string,
  transaction: Transaction,
): Promise<ExportList['tables'][string]> {
  const file = rowsFile(folder, table);
  await pipeline(Readable.from(rowsOf(db, table, transaction)), createWriteStream(file));
  await writeFiles(db, table, folder, transaction);
  const [counted] = await select<{ rows: number }>(db, `SELECT count(*)::int AS rows FROM "${table}"`, transaction);
  return { rows: counted?.rows ?? 0, sha256: await sumOf(file) };
}

/** Everybody in the book as vCards, for whatever else keeps addresses. */
async function writeCustomers(db: Database, folder: string, transaction: Transaction): Promise<void> {
  const { Customer, Contact } = db.models;
  const contacts = await Contact.findAll({ order: ['customerId', 'place'], transaction });
  const customers = await Customer.findAll({ where: { forgottenAt: null }, order: ['id'], transaction });
  const cards = customers.map(({ id, name, phone, email, business, note }) =>
    writeCards({
      ...{ name, phone, email, business, note },
      contacts: contacts.filter((one) => one.customerId === id),
    }),
  );
  await writeFile(path.join(folder, CARDS), cards.join(''));
}

async function writeAll(db: Database, folder: string, now: Date): Promise<void> {
  await mkdir(path.join(folder, 'rows'), { recursive: true });
  const level = Transaction.ISOLATION_LEVELS.REPEATABLE_READ;
  await db.sequelize.transaction({ isolationLevel: level }, async (transaction) => {
    const migrations = await select<{ name: string }>(db, 'SELECT name FROM migration ORDER BY name', transaction);
    const tables: ExportList['tables'] = {};
    for (const table of await tablesInOrder(db, transaction))
      tables[table] = await writeTable(db, table, folder, transaction);
    await writeCustomers(db, folder, transaction);
    const sequences = await select<{ name: string; last: string }>(
      db,
      `SELECT sequencename AS name, last_value::text AS last FROM pg_sequences
       WHERE schemaname = 'public' AND last_value IS NOT NULL ORDER BY 1`,
      transaction,
    );
    const list: ExportList = {
      ...{ format: 'odontis-export', version: 1, madeAt: now.toISOString(), tables },
      migrations: migrations.map((one) => one.name),
      sequences: Object.fromEntries(
        sequences
          .filter(({ name }) => !LEFT_OUT.some((out) => name.startsWith(`${out}_`)))
          .map((s) => [s.name, s.last]),
      ),
    };
    await writeFile(path.join(folder, LIST), `${JSON.stringify(list, null, 2)}\n`);
    await keepChange(db, { personId: null, deviceId: null }, { kind: 'exported', about: 'the shop' });
  });
}

/**
 * The whole shop into a new folder, in open forms, as it stood at one moment, while it goes on. Written beside its
 * place and moved there when it is whole. Throws {@link CopyTrouble} where the folder holds something already.
 */
export async function exportShop(url: string, into: string, now: Date): Promise<void> {
  if (existsSync(into) && readdirSync(into).length > 0)
    throw new CopyTrouble(`${into} holds something already: say a new folder.`);
  const aside = `${into}.new`;
  const db = connect(url);
  try {
    const shape = await db.sequelize.query<{ name: string }>('SELECT name FROM migration', { type: QueryTypes.SELECT });
    refuseOlder(shape.map((one) => one.name));
    await rm(aside, { recursive: true, force: true });
    await writeAll(db, aside, now);
    await rm(into, { recursive: true, force: true });
    await rename(aside, into);
  } catch (error) {
    await rm(aside, { recursive: true, force: true }).catch(() => undefined);
    throw noWayInto(into, error);
  } finally {
    await db.sequelize.close();
  }
}

/** Before it stood behind a door, a shop was written by a program that did not export. */
function refuseOlder(migrations: readonly string[]): void {
  if (!migrations.includes(behindADoor.name) || migrations.length > MIGRATIONS.length)
    throw new CopyTrouble('These data are of another Odontis. Start this one once on them, then export.');
}
