import { Router } from 'express';
import { recordId } from '@odontis/contract/fields';
import { newPriceWord } from '@odontis/contract/price';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { whoOf } from '../../http/who';
import { sayPrice } from './service';

export function moneyRoutes(db: Database): Router {
  const router = Router();
  router.post('/tickets/:id/price', async (request, response) => {
    const who = whoOf(request);
    const word = parse(newPriceWord, request.body);
    response.status(201).json(await sayPrice(db, parse(recordId, request.params.id), word, who));
  });
  return router;
}
