import type { NewPerson, NewStrokeReading, Person } from '@odontis/contract/people';
import { fitStrokeRate } from '@odontis/core/line/strokes';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';

/** Everyone of the shop, with the stroke rate fitted from their own readings. */
export async function listPeople(db: Database): Promise<Person[]> {
  const [people, readings] = await Promise.all([
    db.models.Person.findAll({ order: ['id'] }),
    db.models.StrokeReading.findAll(),
  ]);
  return people.map((person) => ({
    id: person.id,
    name: person.name,
    initials: person.initials,
    strokeRate: { ...fitStrokeRate(readings.filter((r) => r.personId === person.id)) },
  }));
}

export async function addPerson(db: Database, person: NewPerson): Promise<Person[]> {
  await db.models.Person.create(person);
  return listPeople(db);
}

export async function addStrokeReading(
  db: Database,
  personId: number,
  reading: NewStrokeReading,
  by: number,
): Promise<Person[]> {
  if (!(await db.models.Person.findByPk(personId))) throw new Problem('not-found', 'There is no such person here.');
  await db.models.StrokeReading.create({ ...reading, personId, createdBy: by });
  return listPeople(db);
}

/** The rate a plan of this person's is made with. */
export async function strokeRateOf(db: Database, personId: number) {
  return fitStrokeRate(await db.models.StrokeReading.findAll({ where: { personId } }));
}
