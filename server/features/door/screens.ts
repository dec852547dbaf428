import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Role } from '@odontis/contract/roles';
import type { Database } from '../../database/connect';
import { newToken, tokenHash } from './secrets';

/** A screen that was let in, and who sits at it; nobody where the last one left the shop. */
export interface Screen {
  readonly deviceId: number;
  readonly deviceName: string;
  readonly personId: number | null;
  readonly personName: string | null;
  readonly role: Role | null;
  readonly sitting: string | null;
  readonly locked: boolean;
  /** Its token was turned long enough ago to be turned again. */
  readonly old: boolean;
}

/** A screen nobody used for so long is a stranger again. */
const FORGOTTEN = '90 days';
/** A token is turned so often while it is used. */
const TURNED = '1 day';
/** What was on its way while the token was turned still counts. */
const GRACE = '1 minute';
/** When a screen was last seen is written down so often at most. */
const SEEN = '5 minutes';

/** The screen of a token, whoever sits at it; null of a token nobody was given, or that ended. */
export async function screenOf(db: Database, token: string): Promise<Screen | null> {
  const [found] = await db.sequelize.query<Screen & { readonly stale: boolean }>(
    `SELECT d.id AS "deviceId", d.name AS "deviceName", p.id AS "personId", p.name AS "personName", p.role,
            CASE WHEN p.id IS NULL THEN NULL ELSE s.key END AS sitting,
            (p.id IS NULL OR s.locked_at IS NOT NULL) AS locked,
            d.turned_at < now() - interval '${TURNED}' AS old,
            d.seen_at < now() - interval '${SEEN}' AS stale
       FROM device d
       LEFT JOIN sitting s ON s.device_id = d.id AND s.ended_at IS NULL
       LEFT JOIN person p ON p.id = s.person_id AND p.left_at IS NULL
      WHERE (d.token_hash = $1 OR (d.former_hash = $1 AND d.turned_at > now() - interval '${GRACE}'))
        AND d.ended_at IS NULL AND d.seen_at > now() - interval '${FORGOTTEN}'`,
    { type: QueryTypes.SELECT, bind: [tokenHash(token)] },
  );
  if (!found) return null;
  const { stale, ...screen } = found;
  if (stale) await db.models.Device.update({ seenAt: new Date() }, { where: { id: screen.deviceId } });
  return screen;
}

/** In whose sitting at this screen something was done; null of a sitting that was at another, or of somebody who left. */
export async function sittingAt(
  db: Database,
  deviceId: number,
  key: string,
): Promise<{ readonly personId: number; readonly role: Role } | null> {
  const [found] = await db.sequelize.query<{ personId: number; role: Role }>(
    `SELECT p.id AS "personId", p.role FROM sitting s JOIN person p ON p.id = s.person_id AND p.left_at IS NULL
      WHERE s.key = $1 AND s.device_id = $2`,
    { type: QueryTypes.SELECT, bind: [key, deviceId] },
  );
  return found ?? null;
}

/** A screen let in, with its first sitting. Resolves with what its cookie holds. */
export async function trustScreen(
  db: Database,
  { name, personId }: { readonly name: string; readonly personId: number },
  transaction: Transaction,
): Promise<{ readonly token: string; readonly deviceId: number }> {
  const token = newToken();
  const device = await db.models.Device.create(
    { name, tokenHash: tokenHash(token), trustedBy: personId },
    { transaction },
  );
  await db.models.Sitting.create({ key: randomUUID(), deviceId: device.id, personId }, { transaction });
  return { token, deviceId: device.id };
}

/** Somebody sits down at a known screen: the one before has ended. Resolves with its new token. */
export async function sitDown(
  db: Database,
  deviceId: number,
  personId: number,
  transaction: Transaction,
): Promise<string> {
  const token = await turnToken(db, deviceId, transaction);
  await db.models.Sitting.update({ endedAt: new Date() }, { where: { deviceId, endedAt: null }, transaction });
  await db.models.Sitting.create({ key: randomUUID(), deviceId, personId }, { transaction });
  return token;
}

/** A new token for a screen; the former one counts for a moment more. The row is held until the transaction ends. */
export async function turnToken(db: Database, deviceId: number, transaction?: Transaction): Promise<string> {
  const token = newToken();
  await db.sequelize.query(
    'UPDATE device SET former_hash = token_hash, token_hash = $1, turned_at = now(), seen_at = now() WHERE id = $2',
    { bind: [tokenHash(token), deviceId], transaction },
  );
  return token;
}

/** A screen is a stranger again, and whoever sat at it sits there no more. */
export async function endScreen(
  db: Database,
  deviceId: number,
  by: number,
  transaction: Transaction,
): Promise<boolean> {
  const [ended] = await db.models.Device.update(
    { endedAt: new Date(), endedBy: by },
    { where: { id: deviceId, endedAt: null }, transaction },
  );
  await db.models.Sitting.update({ endedAt: new Date() }, { where: { deviceId, endedAt: null }, transaction });
  return ended > 0;
}
