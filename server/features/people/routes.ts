import { Router } from 'express';
import { keyed, recordId } from '@odontis/contract/fields';
import { newCalibration, newPerson } from '@odontis/contract/people';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/person';
import { addCalibration, addPerson, listPeople } from './service';

export function peopleRoutes(db: Database): Router {
  const router = Router();
  router.get('/people', async (_request, response) => {
    response.json(await listPeople(db));
  });
  router.post('/people', async (request, response) => {
    // The first of a new shop is added by nobody; everyone after by somebody of it.
    if ((await db.models.Person.count()) > 0) await personOf(request, db);
    response.status(201).json(await addPerson(db, parse(keyed(newPerson), request.body)));
  });
  router.post('/people/:id/calibrations', async (request, response) => {
    const by = await personOf(request, db);
    const reading = parse(newCalibration, request.body);
    response.status(201).json(await addCalibration(db, parse(recordId, request.params.id), reading, by));
  });
  return router;
}
