import { Router } from 'express';
import { newCheck } from '@odontis/contract/check';
import { recordId } from '@odontis/contract/fields';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/who';
import { keepCheck } from './service';

export function checkRoutes(db: Database): Router {
  const router = Router();
  router.post('/tickets/:id/checks', async (request, response) => {
    const by = personOf(request);
    const check = parse(newCheck, request.body);
    response.status(201).json(await keepCheck(db, parse(recordId, request.params.id), check, by));
  });
  return router;
}
