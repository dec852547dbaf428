import { randomBytes } from 'node:crypto';
import { createReadStream, existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { createInterface } from 'node:readline';
import type { Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';
import type { Database } from '../../database/connect';
import { connect } from '../../database/connect';
import { bringUp, MIGRATIONS, migrator } from '../../migrations/migrate';
import { CopyTrouble } from './copy-file';
import { refuseNewer, refuseUnlessEmpty } from './into-empty';
import type { ExportList } from './open-form';
import { exportList, FILES, LEFT_OUT, LIST, rowsFile } from './open-form';
import { jsonOf, sumOf } from './read-file';

/** A statement that takes rows in holds about so much text, and so many rows. */
const TEXT_AT_ONCE = 8_000_000;
const ROWS_AT_ONCE = 2000;
const KEY_BYTES = 32;

/** What an export says of itself, checked: every file there, none changed. Throws {@link CopyTrouble}. */
async function readList(folder: string): Promise<ExportList> {
  let text: string;
  try {
    text = await readFile(path.join(folder, LIST), 'utf8');
  } catch {
    throw new CopyTrouble(`${folder} is no export of a shop: there is no ${LIST} in it.`);
  }
  const read = exportList.safeParse(jsonOf(text));
  if (!read.success) throw new CopyTrouble(`${LIST} in ${folder} is not as it was written. Nothing was taken in.`);
  refuseNewer(folder, read.data.migrations);
  for (const [table, { sha256 }] of Object.entries(read.data.tables)) {
    // What opens the door comes in by nobody's file.
    if (LEFT_OUT.includes(table)) throw new CopyTrouble(`${table} is in no export. Nothing was taken in.`);
    const file = rowsFile(folder, table);
    if (!existsSync(file) || (await sumOf(file)) !== sha256)
      throw new CopyTrouble(`${file} is missing or not as it was written. Nothing was taken in.`);
  }
  return read.data;
}

/** A row as the database takes it: files put back in, a screen's key one that nobody has. */
async function wholeRow(folder: string, table: string, line: string): Promise<string> {
  const file = FILES[table];
  if (!file && table !== 'device') return line;
  const row = JSON.parse(line) as Record<string, unknown>;
  if (file) {
    const at = path.join(folder, file.folder, `${String(row['id'])}.${file.end}`);
    if (!existsSync(at)) throw new CopyTrouble(`${at} is missing. Nothing was taken in.`);
    row[file.column] = `\\x${(await readFile(at)).toString('hex')}`;
  } else {
    row['token_hash'] = `\\x${randomBytes(KEY_BYTES).toString('hex')}`;
    // Whoever takes the shop in lets its screens in anew.
    row['ended_at'] ??= row['seen_at'];
    row['ended_by'] ??= row['trusted_by'];
  }
  return JSON.stringify(row);
}

async function takeTable(db: Database, folder: string, table: string, transaction: Transaction): Promise<number> {
  const columns = await db.sequelize.query<{ name: string }>(
    `SELECT quote_ident(attname) AS name FROM pg_attribute
     WHERE attrelid = to_regclass(:table) AND attnum > 0 AND NOT attisdropped AND attgenerated = '' ORDER BY attnum`,
    { type: QueryTypes.SELECT, replacements: { table }, transaction },
  );
  if (columns.length === 0) throw new CopyTrouble(`There is no table ${table} in a shop. Nothing was taken in.`);
  const names = columns.map((one) => one.name).join(', ');
  // What a migration put there first comes from the export as well.
  const held = await db.sequelize.query(`SELECT 1 FROM "${table}" LIMIT 1`, { type: QueryTypes.SELECT, transaction });
  if (held.length > 0) await db.sequelize.query(`DELETE FROM "${table}"`, { transaction });
  let rows: string[] = [];
  let [length, count] = [0, 0];
  const put = async (): Promise<void> => {
    if (rows.length === 0) return;
    await db.sequelize.query(
      `INSERT INTO "${table}" (${names}) OVERRIDING SYSTEM VALUE
       SELECT ${names} FROM jsonb_populate_recordset(NULL::"${table}", $1::jsonb)`,
      { bind: [`[${rows.join(',')}]`], transaction },
    );
    count += rows.length;
    [rows, length] = [[], 0];
  };
  for await (const line of createInterface({ input: createReadStream(rowsFile(folder, table)) })) {
    const row = await wholeRow(folder, table, line);
    rows.push(row);
    length += row.length;
    if (rows.length >= ROWS_AT_ONCE || length >= TEXT_AT_ONCE) await put();
  }
  await put();
  return count;
}

async function takeAll(db: Database, folder: string, list: ExportList): Promise<void> {
  await db.sequelize.transaction(async (transaction) => {
    for (const [table, told] of Object.entries(list.tables)) {
      const count = await takeTable(db, folder, table, transaction);
      if (count !== told.rows)
        throw new CopyTrouble(`${table} has ${count} rows and should have ${told.rows}. Nothing was taken in.`);
    }
    for (const [name, last] of Object.entries(list.sequences))
      await db.sequelize.query('SELECT setval(to_regclass(:name), :last)', {
        replacements: { name, last },
        transaction,
      });
  });
}

/**
 * An export into an empty database, brought up to this program's shape. All or nothing: what is wrong with it is said
 * before anything is written, and a database that holds a table is left as it is. Throws {@link CopyTrouble}.
 */
export async function importShop(folder: string, url: string): Promise<ExportList> {
  const list = await readList(folder);
  const db = connect(url);
  try {
    await refuseUnlessEmpty(db);
    // Taken in as it was, then brought up like any older shop.
    const last = MIGRATIONS.filter((one) => list.migrations.includes(one.name)).at(-1);
    try {
      await migrator(db.sequelize).up({ to: last?.name ?? '' });
      await takeAll(db, folder, list);
      await bringUp(db.sequelize);
    } catch (error) {
      await db.sequelize.query('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
      if (error instanceof CopyTrouble) throw error;
      throw new CopyTrouble(`${folder} could not be taken in, and nothing of it was kept: ${(error as Error).message}`);
    }
    return list;
  } finally {
    await db.sequelize.close();
  }
}
