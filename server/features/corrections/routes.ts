import { Router } from 'express';
import { newSawCorrection } from '@odontis/contract/corrections';
import { recordId } from '@odontis/contract/fields';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/who';
import { correctSaw } from './service';

export function correctionRoutes(db: Database): Router {
  const router = Router();
  router.post('/tickets/:id/saw', async (request, response) => {
    const by = personOf(request);
    const change = parse(newSawCorrection, request.body);
    response.status(201).json(await correctSaw(db, parse(recordId, request.params.id), change, by));
  });
  return router;
}
