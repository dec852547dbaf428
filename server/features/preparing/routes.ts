import { Router } from 'express';
import { recordId } from '@odontis/contract/fields';
import { newPreparation } from '@odontis/contract/preparing';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/who';
import { keepPreparation } from './service';

export function preparingRoutes(db: Database): Router {
  const router = Router();
  router.post('/tickets/:id/preparing', async (request, response) => {
    const by = personOf(request);
    const done = parse(newPreparation, request.body);
    response.status(201).json(await keepPreparation(db, parse(recordId, request.params.id), done, by));
  });
  return router;
}
