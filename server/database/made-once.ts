import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Database } from './connect';

/**
 * Whether this is the first time that something of this key is made: then it is to be made in the same
 * transaction. Of two at once the second waits for what becomes of the first.
 */
export async function firstOfKey(
  db: Database,
  what: 'message' | 'photograph' | 'labels' | 'person',
  key: string,
  transaction: Transaction,
): Promise<boolean> {
  const fresh = await db.sequelize.query<{ key: string }>(
    'INSERT INTO made (key, what) VALUES ($1, $2) ON CONFLICT (key) DO NOTHING RETURNING key',
    { type: QueryTypes.SELECT, bind: [key, what], transaction },
  );
  return fresh.length > 0;
}
