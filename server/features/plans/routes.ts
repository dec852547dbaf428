import { Router } from 'express';
import { recordId } from '@odontis/contract/fields';
import { isRoundChoice, linePlanChoice, roundPlanChoice } from '@odontis/contract/plan';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/who';
import { acceptPlan } from './service';

export function planRoutes(db: Database): Router {
  const router = Router();
  router.post('/tickets/:id/plan', async (request, response) => {
    const by = personOf(request);
    const id = parse(recordId, request.params.id);
    const choice = isRoundChoice(request.body)
      ? parse(roundPlanChoice, request.body)
      : parse(linePlanChoice, request.body);
    response.status(201).json(await acceptPlan(db, id, choice, by));
  });
  return router;
}
