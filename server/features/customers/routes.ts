import { Router } from 'express';
import { z } from 'zod';
import { recordId, text } from '@odontis/contract/fields';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { findCustomers, knownSaws } from './service';

const search = z.object({ typed: text(200, 'What to look for').default('') });

export function customerRoutes(db: Database): Router {
  const router = Router();
  router.get('/customers', async (request, response) => {
    response.json(await findCustomers(db, parse(search, request.query).typed));
  });
  router.get('/customers/:id/saws', async (request, response) => {
    response.json(await knownSaws(db, parse(recordId, request.params.id)));
  });
  return router;
}
