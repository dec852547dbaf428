import { Router } from 'express';
import { recordId } from '@odontis/contract/fields';
import { measuringKind, readingsChange } from '@odontis/contract/readings';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/person';
import { keepReadings } from './service';

export function readingRoutes(db: Database): Router {
  const router = Router();
  router.put('/tickets/:id/readings/:kind', async (request, response) => {
    const by = await personOf(request, db);
    const kind = parse(measuringKind, request.params.kind);
    const change = parse(readingsChange, request.body);
    response.json(await keepReadings(db, parse(recordId, request.params.id), kind, change, by));
  });
  return router;
}
