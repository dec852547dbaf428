import { Router } from 'express';
import { recordId } from '@odontis/contract/fields';
import { gaugingDone, newAngles, newGauged, newGauging } from '@odontis/contract/gauging';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/person';
import { addAngles, addGauged, finishGauging, openGauging } from './service';

export function gaugingRoutes(db: Database): Router {
  const router = Router();
  router.post('/tickets/:id/sessions', async (request, response) => {
    const by = await personOf(request, db);
    response
      .status(201)
      .json(await openGauging(db, parse(recordId, request.params.id), parse(newGauging, request.body), by));
  });
  router.post('/tickets/:id/sessions/:session/readings', async (request, response) => {
    const by = await personOf(request, db);
    const { readings } = parse(newGauged, request.body);
    const [id, session] = [parse(recordId, request.params.id), parse(recordId, request.params.session)];
    response.status(201).json(await addGauged(db, id, session, readings, by));
  });
  router.post('/tickets/:id/sessions/:session/angles', async (request, response) => {
    const by = await personOf(request, db);
    const { readings } = parse(newAngles, request.body);
    const [id, session] = [parse(recordId, request.params.id), parse(recordId, request.params.session)];
    response.status(201).json(await addAngles(db, id, session, readings, by));
  });
  router.post('/tickets/:id/sessions/:session/finish', async (request, response) => {
    await personOf(request, db);
    const { note } = parse(gaugingDone, request.body);
    const [id, session] = [parse(recordId, request.params.id), parse(recordId, request.params.session)];
    response.json(await finishGauging(db, id, session, note));
  });
  return router;
}
