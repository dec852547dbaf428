import { QueryTypes } from 'sequelize';
import type { Database } from '../../database/connect';
import { MIGRATIONS } from '../../migrations/migrate';
import { CopyTrouble } from './copy-file';

/** What a newer Odontis made is not taken in: this one would not know what it holds. Throws {@link CopyTrouble}. */
export function refuseNewer(from: string, migrations: readonly string[]): void {
  const known = new Set(MIGRATIONS.map((one) => one.name));
  const newer = migrations.filter((name) => !known.has(name));
  if (newer.length > 0)
    throw new CopyTrouble(
      `${from} was made by a newer Odontis (${newer.join(', ')}). Bring it back with that one; nothing was touched.`,
    );
}

/** Nothing goes over a shop that is there. Throws {@link CopyTrouble}. */
export async function refuseUnlessEmpty(db: Database): Promise<void> {
  const tables = await db.sequelize.query(`SELECT 1 FROM pg_tables WHERE schemaname = 'public' LIMIT 1`, {
    type: QueryTypes.SELECT,
  });
  if (tables.length > 0)
    throw new CopyTrouble(
      'There is a shop in this database already, and a copy never goes over one. Bring it back into an empty place.',
    );
}
