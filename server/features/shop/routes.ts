import { Router } from 'express';
import { shopChange } from '@odontis/contract/shop';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { whoOf } from '../../http/who';
import { forgetLearned, learnedHere } from '../learning/service';
import { changeShop, readShop } from './service';

export function shopRoutes(db: Database): Router {
  const router = Router();
  router.get('/shop', async (_request, response) => {
    response.json({ ...(await readShop(db)), learned: await learnedHere(db) });
  });
  router.put('/shop', async (request, response) => {
    const kept = await changeShop(db, parse(shopChange, request.body), whoOf(request));
    // What was put back to the table is so at once.
    forgetLearned(db);
    response.json({ ...kept, learned: await learnedHere(db) });
  });
  return router;
}
