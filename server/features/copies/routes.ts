import { Router } from 'express';
import type { CopiesState } from '@odontis/contract/copies';
import type { Database } from '../../database/connect';
import { keepChange } from '../../database/keep-change';
import { Problem } from '../../http/problem';
import { whoOf } from '../../http/who';
import { CopyTrouble } from './copy-file';
import type { ShopCopies } from './shop-copies';

/** A server that makes none, such as one on a database that is copied elsewhere. */
const NONE: CopiesState = { folder: '', count: 0, newest: null, kept: null };

export function copyRoutes(db: Database, copies: ShopCopies | null): Router {
  const router = Router();
  router.get('/copies', async (_request, response) => {
    response.json((await copies?.stand()) ?? NONE);
  });
  router.post('/copies', async (request, response) => {
    const who = whoOf(request);
    if (!copies) throw new Problem('not-found', 'This shop makes no copies by itself.');
    try {
      await copies.copyNow();
    } catch (error) {
      if (error instanceof CopyTrouble) throw new Problem('copy-failed', error.message);
      throw error;
    }
    await keepChange(db, who, { kind: 'copy-made', about: 'the shop' });
    response.status(201).json(await copies.stand());
  });
  return router;
}
