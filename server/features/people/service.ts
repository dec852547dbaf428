import { QueryTypes } from 'sequelize';
import type { NewCalibration, NewPerson, Person, PersonChange } from '@odontis/contract/people';
import type { CalibrationReading } from '@odontis/core/calibration/hand';
import type { PlaceKeeping } from '@odontis/core/work/place-keeping';
import type { Database } from '../../database/connect';
import { keepChange } from '../../database/keep-change';
import { firstOfKey } from '../../database/made-once';
import { Problem } from '../../http/problem';
import type { Who } from '../../http/who';
import type { CalibrationRow } from './model';

/** Everyone of the shop, those who left among them, with what was measured of their hand. */
export async function listPeople(db: Database): Promise<Person[]> {
  const [people, readings, secrets] = await Promise.all([
    db.models.Person.findAll({ order: ['id'] }),
    db.models.Calibration.findAll({ order: ['id'] }),
    db.sequelize.query<{ id: number; hasPassword: boolean; hasCode: boolean }>(
      `SELECT person_id AS id, password_hash IS NOT NULL AS "hasPassword", code_hash IS NOT NULL AS "hasCode" FROM secret`,
      { type: QueryTypes.SELECT },
    ),
  ]);
  const secretOf = new Map(secrets.map((one) => [one.id, one]));
  return people.map(({ id, name, initials, role, leftAt, placeWay, placeWindow }) => ({
    id,
    name,
    initials,
    role,
    here: leftAt === null,
    hasPassword: secretOf.get(id)?.hasPassword ?? false,
    hasCode: secretOf.get(id)?.hasCode ?? false,
    place: { way: placeWay, window: placeWindow },
    calibrations: readings.filter((r) => r.personId === id).map(toReading),
  }));
}

/** More hands than any shop has. */
const MOST_PEOPLE = 200;

export async function addPerson(
  db: Database,
  { key, ...person }: NewPerson & { readonly key: string },
  who: Who,
): Promise<Person[]> {
  await db.sequelize.transaction(async (transaction) => {
    if (!(await firstOfKey(db, 'person', key, transaction))) return;
    if ((await db.models.Person.count({ transaction })) >= MOST_PEOPLE)
      throw new Problem('bad-input', `A shop has ${MOST_PEOPLE} people at most here.`);
    const { id, role } = await db.models.Person.create(person, { transaction });
    await keepChange(db, who, { kind: 'person-added', about: `person ${id}`, after: { role } }, transaction);
  });
  return listPeople(db);
}

/** One at a time says who is an owner, so that the last one stays. */
const OWNERS_LOCK = 7003;

/** What somebody does in the shop, and whether they are still of it. An owner is left always. */
export async function changePerson(db: Database, id: number, change: PersonChange, who: Who): Promise<Person[]> {
  await db.sequelize.transaction(async (transaction) => {
    await db.sequelize.query(`SELECT pg_advisory_xact_lock(${OWNERS_LOCK})`, { transaction });
    const row = await db.models.Person.findByPk(id, { transaction });
    if (!row) throw new Problem('not-found', 'There is no such person here.');
    if (id === who.personId && (change.role !== 'owner' || !change.here))
      throw new Problem('bad-input', 'Nobody takes the shop from themselves: another owner does.');
    const before = { role: row.role, here: row.leftAt === null };
    const { here, ...told } = change;
    await row.update({ ...told, leftAt: here ? null : (row.leftAt ?? new Date()) }, { transaction });
    const after = { role: change.role, here };
    await keepChange(db, who, { kind: 'person-changed', about: `person ${id}`, before, after }, transaction);
  });
  return listPeople(db);
}

/** How somebody keeps the place at the vise, chosen by themselves. */
export async function choosePlaceKeeping(
  db: Database,
  id: number,
  { way, window }: PlaceKeeping,
  by: number,
): Promise<Person[]> {
  if (id !== by) throw new Problem('not-allowed', 'Everybody chooses for themselves how they keep the place.');
  const [changed] = await db.models.Person.update({ placeWay: way, placeWindow: window }, { where: { id } });
  if (changed === 0) throw new Problem('not-found', 'There is no such person here.');
  return listPeople(db);
}

/** A reading of a person's hand; one that is there already is not added again. */
export async function addCalibration(
  db: Database,
  personId: number,
  { key, reading }: NewCalibration,
  by: number,
): Promise<Person[]> {
  if (!(await db.models.Person.findByPk(personId))) throw new Problem('not-found', 'There is no such person here.');
  await db.models.Calibration.bulkCreate([{ key, ...reading, personId, createdBy: by }], { ignoreDuplicates: true });
  return listPeople(db);
}

/** What the hand a plan of this person's is made with did before, in the order it was read. */
export async function readingsOfHand(db: Database, personId: number): Promise<CalibrationReading[]> {
  return (await db.models.Calibration.findAll({ where: { personId }, order: ['id'] })).map(toReading);
}

/** The database holds each kind to its bounds, as the contract does. */
const toReading = ({ what, tool, amount, didMm }: CalibrationRow): CalibrationReading => ({
  what,
  tool,
  amount,
  didMm,
});
