import type { NewCalibration, NewPerson, Person } from '@odontis/contract/people';
import type { CalibrationReading, Hand } from '@odontis/core/calibration/hand';
import { handOf } from '@odontis/core/calibration/hand';
import type { Database } from '../../database/connect';
import { firstOfKey } from '../../database/made-once';
import { Problem } from '../../http/problem';
import type { CalibrationRow } from './model';

/** Everyone of the shop, with what was measured of their hand. */
export async function listPeople(db: Database): Promise<Person[]> {
  const [people, readings] = await Promise.all([
    db.models.Person.findAll({ order: ['id'] }),
    db.models.Calibration.findAll({ order: ['id'] }),
  ]);
  return people.map(({ id, name, initials }) => ({
    id,
    name,
    initials,
    calibrations: readings.filter((r) => r.personId === id).map(toReading),
  }));
}

/** More hands than any shop has. */
const MOST_PEOPLE = 200;

export async function addPerson(
  db: Database,
  { key, ...person }: NewPerson & { readonly key: string },
): Promise<Person[]> {
  await db.sequelize.transaction(async (transaction) => {
    if (!(await firstOfKey(db, 'person', key, transaction))) return;
    if ((await db.models.Person.count({ transaction })) >= MOST_PEOPLE)
      throw new Problem('bad-input', `A shop has ${MOST_PEOPLE} people at most here.`);
    await db.models.Person.create(person, { transaction });
  });
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

/** The hand a plan of this person's is made with. */
export async function handOfPerson(db: Database, personId: number): Promise<Hand> {
  return handOf((await db.models.Calibration.findAll({ where: { personId }, order: ['id'] })).map(toReading));
}

/** The database holds each kind to its bounds, as the contract does. */
const toReading = ({ what, tool, amount, didMm }: CalibrationRow): CalibrationReading => ({
  what,
  tool,
  amount,
  didMm,
});
