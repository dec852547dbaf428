import { Router } from 'express';
import { benchEvents } from '@odontis/contract/bench';
import { recordId } from '@odontis/contract/fields';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/who';
import { keepBenchEvents } from './service';

export function benchRoutes(db: Database): Router {
  const router = Router();
  router.post('/tickets/:id/bench', async (request, response) => {
    const by = personOf(request);
    response.json(await keepBenchEvents(db, parse(recordId, request.params.id), parse(benchEvents, request.body), by));
  });
  return router;
}
