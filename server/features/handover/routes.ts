import { Router } from 'express';
import { handover } from '@odontis/contract/check';
import { recordId } from '@odontis/contract/fields';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/who';
import { closeTicket } from './service';

export function handoverRoutes(db: Database): Router {
  const router = Router();
  router.post('/tickets/:id/handover', async (request, response) => {
    const by = personOf(request);
    const closing = parse(handover, request.body);
    response.json(await closeTicket(db, parse(recordId, request.params.id), closing, by));
  });
  return router;
}
