import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { connect } from '../server/database/connect';
import { migrator } from '../server/migrations/migrate';
import { Cluster } from './cluster';
import { drawModel, readModel } from './data-model';
import { ensurePostgres } from './debian';

/** Writes docs/data-model.svg from a database that was just migrated; a test holds them equal. */
const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-model-'));
chmodSync(folder, 0o755);
const cluster = await Cluster.start({ programs: ensurePostgres(), folder, throwaway: true });
try {
  const db = connect(cluster.url());
  await migrator(db.sequelize).up();
  writeFileSync('docs/data-model.svg', drawModel(await readModel(db)));
  await db.sequelize.close();
} finally {
  await cluster.stop();
  rmSync(folder, { recursive: true, force: true });
}
