import { Router } from 'express';
import { recordId } from '@odontis/contract/fields';
import { newOutwork, outworkBack } from '@odontis/contract/outwork';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/who';
import { cameBack, sendOut } from './service';

export function outworkRoutes(db: Database): Router {
  const router = Router();
  router.post('/tickets/:id/outwork', async (request, response) => {
    const by = personOf(request);
    const told = parse(newOutwork, request.body);
    response.status(201).json(await sendOut(db, parse(recordId, request.params.id), told, by));
  });
  router.post('/tickets/:id/outwork/back', async (request, response) => {
    const by = personOf(request);
    const told = parse(outworkBack, request.body);
    response.status(201).json(await cameBack(db, parse(recordId, request.params.id), told, by));
  });
  return router;
}
