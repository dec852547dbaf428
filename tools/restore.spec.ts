import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import type { Sequelize } from 'sequelize';
import { QueryTypes } from 'sequelize';
import { connect } from '../server/database/connect';
import { loadDemoShop } from '../server/demo/load-demo-shop';
import { migrator } from '../server/migrations/migrate';
import { emptyDatabase } from '../server/testing/test-shop';
import { ensurePostgres } from './debian';

const run = promisify(execFile);

/** How many rows every table has, and a sum over all their contents. */
async function contents(sequelize: Sequelize): Promise<Record<string, string>> {
  const tables = await sequelize.query<{ name: string }>(
    `SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public' ORDER BY 1`,
    { type: QueryTypes.SELECT },
  );
  const all: Record<string, string> = {};
  for (const { name } of tables) {
    const [row] = await sequelize.query<{ sum: string }>(
      `SELECT count(*) || ' rows, ' || coalesce(md5(string_agg(md5(r::text), '' ORDER BY md5(r::text))), '') AS sum FROM "${name}" r`,
      { type: QueryTypes.SELECT },
    );
    all[name] = row?.sum ?? '';
  }
  return all;
}

describe('a copy of the database', () => {
  it('comes back whole into an empty one, every row of every table as it was', async () => {
    const programs = ensurePostgres();
    const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-copy-'));
    const [from, into] = [await emptyDatabase(), await emptyDatabase()];
    const [db, copy] = [connect(from.url), connect(into.url)];
    try {
      await migrator(db.sequelize).up();
      await loadDemoShop(db);
      const file = path.join(folder, 'copy.dump');
      await run(path.join(programs, 'pg_dump'), ['--format=custom', '--file', file, from.url]);
      await run(path.join(programs, 'pg_restore'), ['--exit-on-error', '--no-owner', '--dbname', into.url, file]);
      const [was, is] = [await contents(db.sequelize), await contents(copy.sequelize)];
      expect(is).toEqual(was);
      expect(was['customer']).toMatch(/^[1-9]\d* rows/);
      // Found as they are typed, as before.
      const [found] = await copy.sequelize.query<{ name: string }>(
        `SELECT name FROM customer WHERE plain_name = plain_text(name) LIMIT 1`,
        { type: QueryTypes.SELECT },
      );
      expect(found?.name).toBeTruthy();
    } finally {
      await db.sequelize.close();
      await copy.sequelize.close();
      await from.drop();
      await into.drop();
      rmSync(folder, { recursive: true, force: true });
    }
  }, 120_000);
});
