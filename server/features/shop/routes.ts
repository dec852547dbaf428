import { Router } from 'express';
import { shopChange } from '@odontis/contract/shop';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { whoOf } from '../../http/who';
import { changeShop, readShop } from './service';

export function shopRoutes(db: Database): Router {
  const router = Router();
  router.get('/shop', async (_request, response) => {
    response.json(await readShop(db));
  });
  router.put('/shop', async (request, response) => {
    response.json(await changeShop(db, parse(shopChange, request.body), whoOf(request)));
  });
  return router;
}
