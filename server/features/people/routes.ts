import { Router } from 'express';
import { keyed, recordId } from '@odontis/contract/fields';
import { codeChange, newCalibration, newPerson, passwordChange, personChange } from '@odontis/contract/people';
import { placeKeeping } from '@odontis/core/work/place-keeping';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf, whoOf } from '../../http/who';
import { Tries } from '../door/tries';
import { setCode, setPassword } from './own-secrets';
import { addCalibration, addPerson, changePerson, choosePlaceKeeping, listPeople } from './service';

export function peopleRoutes(db: Database): Router {
  const router = Router();
  const tries = new Tries(db);
  router.get('/people', async (_request, response) => {
    response.json(await listPeople(db));
  });
  router.post('/people', async (request, response) => {
    response.status(201).json(await addPerson(db, parse(keyed(newPerson), request.body), whoOf(request)));
  });
  router.put('/people/:id', async (request, response) => {
    const change = parse(personChange, request.body);
    response.json(await changePerson(db, parse(recordId, request.params.id), change, whoOf(request)));
  });
  router.put('/people/:id/password', async (request, response) => {
    const change = parse(passwordChange, request.body);
    response.json(await setPassword(db, parse(recordId, request.params.id), change, { who: whoOf(request), tries }));
  });
  router.put('/people/:id/code', async (request, response) => {
    const change = parse(codeChange, request.body);
    response.json(await setCode(db, parse(recordId, request.params.id), change, { who: whoOf(request), tries }));
  });
  router.put('/people/:id/place', async (request, response) => {
    const place = parse(placeKeeping, request.body);
    response.json(await choosePlaceKeeping(db, parse(recordId, request.params.id), place, personOf(request)));
  });
  router.post('/people/:id/calibrations', async (request, response) => {
    const by = personOf(request);
    const reading = parse(newCalibration, request.body);
    response.status(201).json(await addCalibration(db, parse(recordId, request.params.id), reading, by));
  });
  return router;
}
