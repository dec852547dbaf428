import { Router } from 'express';
import { recordId } from '@odontis/contract/fields';
import { newTool, newToolDeed } from '@odontis/contract/store';
import { tool } from '@odontis/core/store/tool';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/who';
import { addTool, changeTool, keepDeed, readStore } from './service';

export function storeRoutes(db: Database): Router {
  const router = Router();
  router.get('/store', async (_request, response) => {
    response.json(await readStore(db));
  });
  router.post('/store/tools', async (request, response) => {
    response.status(201).json(await addTool(db, parse(newTool, request.body), personOf(request)));
  });
  router.put('/store/tools/:id', async (request, response) => {
    const told = parse(tool, request.body);
    response.json(await changeTool(db, parse(recordId, request.params.id), told));
  });
  router.post('/store/tools/:id/deeds', async (request, response) => {
    const deed = parse(newToolDeed, request.body);
    response.status(201).json(await keepDeed(db, parse(recordId, request.params.id), deed, personOf(request)));
  });
  return router;
}
