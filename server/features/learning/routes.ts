import { Router } from 'express';
import type { Database } from '../../database/connect';
import { readLearning } from './service';

export function learningRoutes(db: Database): Router {
  const router = Router();
  router.get('/learning', async (_request, response) => {
    response.json(await readLearning(db));
  });
  return router;
}
