import type { Transaction } from 'sequelize';
import type { CodeChange, PasswordChange, Person } from '@odontis/contract/people';
import { mayAs } from '@odontis/contract/roles';
import type { Database } from '../../database/connect';
import { keepChange } from '../../database/keep-change';
import { Problem } from '../../http/problem';
import type { Who } from '../../http/who';
import { hashSecret } from '../door/secrets';
import { isOwnPassword } from '../door/own-password';
import type { Tries } from '../door/tries';
import { listPeople } from './service';

/** Who asks, and the count of their wrong tries. */
interface Asking {
  readonly who: Who;
  readonly tries: Tries;
}

/**
 * A password chosen: one's own, or by an owner for somebody else; who asks says their own first, unless they have
 * none yet. Other screens that somebody let in with the password before are strangers again.
 */
export async function setPassword(db: Database, id: number, told: PasswordChange, at: Asking): Promise<Person[]> {
  const { who } = at;
  if (id !== who.personId && !mayAs(who.role, 'owner'))
    throw new Problem('not-allowed', 'Everybody chooses their own password; an owner can choose one for somebody.');
  await sureOf(db, at, told.own);
  const passwordHash = await hashSecret(told.password);
  await changeSecret(db, id, who, 'password-set', async (transaction) => {
    await writeSecret(db, 'password_hash', { id, hash: passwordHash }, transaction);
    await db.sequelize.query(
      `UPDATE device SET ended_at = now(), ended_by = $3 WHERE trusted_by = $1 AND id <> $2 AND ended_at IS NULL`,
      { bind: [id, who.deviceId, who.personId], transaction },
    );
  });
  return listPeople(db);
}

/** A code for changing over at known screens, chosen by oneself; it takes the place of a password there alone. */
export async function setCode(db: Database, id: number, told: CodeChange, at: Asking): Promise<Person[]> {
  const { who } = at;
  if (id !== who.personId) throw new Problem('not-allowed', 'Everybody chooses their own code.');
  await sureOf(db, at, told.own);
  const codeHash = told.code === null ? null : await hashSecret(told.code);
  await changeSecret(db, id, who, 'code-set', async (transaction) => {
    await writeSecret(db, 'code_hash', { id, hash: codeHash }, transaction);
  });
  return listPeople(db);
}

/** Throws Problem `not-let-in` unless who asks has said their own password, or has none. */
async function sureOf(db: Database, { who, tries }: Asking, own: string): Promise<void> {
  if (!(await isOwnPassword(db, tries, who, own))) throw new Problem('not-let-in', 'Your own password is not right.');
}

const writeSecret = (
  db: Database,
  column: 'password_hash' | 'code_hash',
  { id, hash }: { readonly id: number; readonly hash: string | null },
  transaction: Transaction,
) =>
  db.sequelize.query(
    `INSERT INTO secret (person_id, ${column}) VALUES ($1, $2)
       ON CONFLICT (person_id) DO UPDATE SET ${column} = excluded.${column}, changed_at = now()`,
    { bind: [id, hash], transaction },
  );

async function changeSecret(
  db: Database,
  id: number,
  who: Who,
  kind: 'password-set' | 'code-set',
  change: (transaction: Transaction) => Promise<void>,
): Promise<void> {
  if (!(await db.models.Person.findByPk(id))) throw new Problem('not-found', 'There is no such person here.');
  await db.sequelize.transaction(async (transaction) => {
    await change(transaction);
    await keepChange(db, who, { kind, about: `person ${id}` }, transaction);
  });
}
