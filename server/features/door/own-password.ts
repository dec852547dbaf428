import type { Database } from '../../database/connect';
import type { Who } from '../../http/who';
import { isSecret } from './secrets';
import type { Tries } from './tries';

/** Whether who asks said their own password; true of somebody of the demo who has none. */
export async function isOwnPassword(db: Database, tries: Tries, who: Who, typed: string): Promise<boolean> {
  const kept = await db.models.Secret.findByPk(who.personId);
  const hash = kept?.passwordHash ?? null;
  if (hash === null) return true;
  const from = { address: '', deviceId: who.deviceId };
  return tries.look(`own ${who.personId}`, from, () => isSecret(hash, typed));
}
