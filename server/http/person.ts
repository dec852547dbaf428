import type { Request } from 'express';
import { PERSON_HEADER } from '@odontis/contract/problem';
import type { Database } from '../database/connect';
import { Problem } from './problem';

/** The person at the screen, who must exist: every record says who made it. */
export async function personOf(request: Request, db: Database): Promise<number> {
  const id = Number(request.get(PERSON_HEADER));
  const known = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await db.models.Person.findByPk(id) : null;
  if (!known) throw new Problem('person-unknown', 'Choose who is at the screen first; every record says who made it.');
  return known.id;
}
