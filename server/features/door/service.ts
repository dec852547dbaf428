import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { AtTheDoor, ChangeOver, Device, DoorState, FirstOwner, SignIn } from '@odontis/contract/door';
import { CODE_DIGITS } from '@odontis/contract/secrets';
import type { Database } from '../../database/connect';
import { keepChange } from '../../database/keep-change';
import { Problem } from '../../http/problem';
import type { Who } from '../../http/who';
import type { Screen } from './screens';
import { endScreen, sitDown, trustScreen } from './screens';
import { hashSecret, isSecret } from './secrets';
import type { Tries, TryFrom } from './tries';

/** A screen locks after so long where the shop book says nothing, minutes. */
const USUAL_LOCK_MINUTES = 30;

/** What the door knows of everybody who may come in. */
interface AtDoorRow extends Omit<AtTheDoor, 'opensBy'> {
  readonly hasCode: boolean;
  readonly hasPassword: boolean;
}

async function everybody(db: Database): Promise<AtDoorRow[]> {
  return db.sequelize.query<AtDoorRow>(
    `SELECT p.id, p.name, p.initials, p.role, s.code_hash IS NOT NULL AS "hasCode",
            s.password_hash IS NOT NULL AS "hasPassword"
       FROM person p LEFT JOIN secret s ON s.person_id = p.id WHERE p.left_at IS NULL ORDER BY p.id`,
    { type: QueryTypes.SELECT },
  );
}

/** How somebody is let in at a known screen; null of somebody who has nothing to be let in by. */
function opensBy({ hasCode, hasPassword }: AtDoorRow, demo: boolean): AtTheDoor['opensBy'] | null {
  if (hasCode) return 'code';
  if (hasPassword) return 'password';
  return demo ? 'press' : null;
}

/** Where a browser stands: on the shop's own computer or not, at a shop that has a page of trust or not. */
export interface Standing {
  readonly onOwnComputer: boolean;
  readonly trustPage: boolean;
}

/** How the door stands for a browser: with the screen it is, if any, and where it stands. */
export async function readDoor(db: Database, screen: Screen | null, at: Standing): Promise<DoorState> {
  const { onOwnComputer, trustPage } = at;
  const [shop, all] = await Promise.all([db.models.Shop.findByPk(1), everybody(db)]);
  const demo = shop?.demo ?? false;
  const isFirst = !demo && !all.some((one) => one.hasPassword);
  const known = screen !== null;
  const people = all.flatMap(({ hasCode, hasPassword, ...one }) => {
    const by = opensBy({ ...one, hasCode, hasPassword }, demo);
    // Of an older shop without passwords, whoever is to be its first owner is chosen among its people.
    if (by === null) return isFirst && onOwnComputer ? [{ ...one, opensBy: 'password' as const }] : [];
    return known || (demo && by === 'press') ? [{ ...one, opensBy: by }] : [];
  });
  const open = screen !== null && !screen.locked && screen.personId !== null && screen.sitting !== null && screen.role;
  return {
    state: open ? 'open' : known ? 'locked' : isFirst && onOwnComputer ? 'first' : 'stranger',
    demo,
    people,
    here: open
      ? {
          key: screen.sitting,
          personId: screen.personId,
          name: screen.personName ?? '',
          role: open,
          device: { id: screen.deviceId, name: screen.deviceName },
        }
      : null,
    trustPage,
    lockAfterMinutes: shop?.book.lockAfterMinutes === undefined ? USUAL_LOCK_MINUTES : shop.book.lockAfterMinutes,
  };
}

/** One at a time makes a shop's first owner. */
const FIRST_LOCK = 7002;

/** The first owner of a shop in which nobody has a password: somebody new, or one of its people by name. */
export async function makeFirstOwner(db: Database, told: FirstOwner): Promise<string> {
  const passwordHash = await hashSecret(told.password);
  return db.sequelize.transaction(async (transaction) => {
    await db.sequelize.query(`SELECT pg_advisory_xact_lock(${FIRST_LOCK})`, { transaction });
    const shop = await db.models.Shop.findByPk(1, { transaction });
    const taken = await db.models.Secret.count({ transaction });
    if (shop?.demo || taken > 0) throw new Problem('not-let-in', 'This shop has an owner. Sign in, or ask them.');
    const person = await namedPerson(db, told.name, transaction);
    const personId =
      person?.id ??
      (await db.models.Person.create({ name: told.name, initials: told.initials, role: 'owner' }, { transaction })).id;
    await db.models.Person.update({ role: 'owner' }, { where: { id: personId }, transaction });
    await db.models.Secret.create({ personId, passwordHash, codeHash: null }, { transaction });
    const { token, deviceId } = await trustScreen(db, { name: told.device, personId }, transaction);
    const who = { personId, deviceId };
    await keepChange(
      db,
      who,
      { kind: 'person-added', about: `person ${personId}`, after: { role: 'owner' } },
      transaction,
    );
    await keepChange(db, who, { kind: 'device-trusted', about: `device ${deviceId}`, after: told.device }, transaction);
    return token;
  });
}

/** Somebody of the shop by their name, however its letters are written. */
async function namedPerson(
  db: Database,
  name: string,
  transaction?: Transaction,
): Promise<{ id: number; passwordHash: string | null } | null> {
  const [found] = await db.sequelize.query<{ id: number; passwordHash: string | null }>(
    `SELECT p.id, s.password_hash AS "passwordHash" FROM person p LEFT JOIN secret s ON s.person_id = p.id
      WHERE lower(p.name) = lower($1) AND p.left_at IS NULL ORDER BY s.password_hash IS NULL, p.id LIMIT 1`,
    { type: QueryTypes.SELECT, bind: [name], transaction },
  );
  return found ?? null;
}

const notLetIn = (): Problem => new Problem('not-let-in', 'Name and password do not fit together.');

/** Let in at a new screen by name and password. What of the two was wrong is not said. */
export async function signInAt(db: Database, tries: Tries, told: SignIn, from: TryFrom): Promise<string> {
  const person = await namedPerson(db, told.name);
  const right = await tries.look(told.name.toLowerCase(), from, () =>
    isSecret(person?.passwordHash ?? null, told.password),
  );
  if (!right || !person) throw notLetIn();
  return letScreenIn(db, { name: told.device, personId: person.id });
}

/** What a browser of the demo is called. */
const DEMO_SCREEN = 'A screen of the demo';

/** Let into the demo by a press: only in a made-up shop, and only as one who has no password there. */
export async function signIntoDemo(db: Database, personId: number, screen: Screen | null): Promise<string> {
  const [shop, all] = await Promise.all([db.models.Shop.findByPk(1), everybody(db)]);
  const one = all.find((p) => p.id === personId);
  if (!shop?.demo || !one || opensBy(one, true) !== 'press') throw notLetIn();
  if (screen) return db.sequelize.transaction((transaction) => sitDown(db, screen.deviceId, personId, transaction));
  return letScreenIn(db, { name: DEMO_SCREEN, personId });
}

const letScreenIn = (db: Database, of: { readonly name: string; readonly personId: number }): Promise<string> =>
  db.sequelize.transaction(async (transaction) => {
    const { token, deviceId } = await trustScreen(db, of, transaction);
    const who = { personId: of.personId, deviceId };
    await keepChange(db, who, { kind: 'device-trusted', about: `device ${deviceId}`, after: of.name }, transaction);
    return token;
  });

const CODE = new RegExp(`^\\d{${CODE_DIGITS.least},${CODE_DIGITS.most}}$`);

/** Another sits down at a known screen, or the same one again after it locked: by their code, or their password. */
export async function changeOverAt(
  db: Database,
  tries: Tries,
  { personId, secret }: ChangeOver,
  screen: Screen,
  address: string,
): Promise<string> {
  const [person, kept] = await Promise.all([db.models.Person.findByPk(personId), db.models.Secret.findByPk(personId)]);
  const isCode = kept?.codeHash !== null && CODE.test(secret);
  const from = { address, deviceId: screen.deviceId };
  const right = await tries.look(`person ${personId}`, from, () =>
    isSecret((isCode ? kept?.codeHash : kept?.passwordHash) ?? null, secret),
  );
  if (!right || !person || person.leftAt !== null) throw new Problem('not-let-in', 'That was not it. Try once more.');
  return db.sequelize.transaction((transaction) => sitDown(db, screen.deviceId, personId, transaction));
}

/** The screen is locked until somebody says who they are; what is open on it stays open behind. */
export async function lockScreen(db: Database, { deviceId }: Screen): Promise<void> {
  await db.models.Sitting.update({ lockedAt: new Date() }, { where: { deviceId, endedAt: null, lockedAt: null } });
}

/** Screens that were let in: an owner sees all, others those they let in themselves and the one they sit at. */
export async function listDevices(db: Database, who: Who): Promise<Device[]> {
  const rows = await db.sequelize.query<
    Omit<Device, 'own' | 'trustedAt' | 'seenAt'> & { trustedAt: Date; seenAt: Date }
  >(
    `SELECT d.id, d.name, t.name AS "trustedBy", d.trusted_at AS "trustedAt", d.seen_at AS "seenAt",
            p.name AS person, coalesce(s.locked_at IS NOT NULL, true) AS locked
       FROM device d JOIN person t ON t.id = d.trusted_by
       LEFT JOIN sitting s ON s.device_id = d.id AND s.ended_at IS NULL
       LEFT JOIN person p ON p.id = s.person_id
      WHERE d.ended_at IS NULL AND ($1 OR d.trusted_by = $2 OR d.id = $3) ORDER BY d.seen_at DESC, d.id`,
    { type: QueryTypes.SELECT, bind: [who.role === 'owner', who.personId, who.deviceId] },
  );
  return rows.map((row) => ({
    ...row,
    trustedAt: row.trustedAt.toISOString(),
    seenAt: row.seenAt.toISOString(),
    own: row.id === who.deviceId,
  }));
}

/** A screen is let in no more: one's own, one that one let in, or, for an owner, any. */
export async function endDevice(db: Database, id: number, who: Who): Promise<void> {
  const mine = await listDevices(db, who);
  if (!mine.some((device) => device.id === id)) throw new Problem('not-found', 'There is no such screen.');
  await db.sequelize.transaction(async (transaction) => {
    if (await endScreen(db, id, who.personId, transaction))
      await keepChange(db, who, { kind: 'device-ended', about: `device ${id}` }, transaction);
  });
}
