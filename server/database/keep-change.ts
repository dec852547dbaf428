import type { Transaction } from 'sequelize';
import type { ChangeKind } from '@odontis/contract/changes';
import type { Database } from './connect';

/** What a line of the log tells besides who and when; nothing that names a customer. */
export interface ChangeTold {
  readonly kind: ChangeKind;
  /** What it is about, by number: "person 3". */
  readonly about: string;
  readonly before?: object | string | null;
  readonly after?: object | string | null;
}

/** A line into the log of changes (nobody's where it was done at the shop's computer by a command), in the transaction of what it tells: both or neither. */
export async function keepChange(
  db: Database,
  { personId, deviceId }: { readonly personId: number | null; readonly deviceId: number | null },
  { kind, about, before = null, after = null }: ChangeTold,
  transaction?: Transaction,
): Promise<void> {
  await db.models.Change.create({ kind, byPerson: personId, deviceId, about, before, after }, { transaction });
}
