import { Router } from 'express';
import { recordId } from '@odontis/contract/fields';
import { endChange, newTicket, reopenChange, ticketChange } from '@odontis/contract/ticket';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/who';
import { readDossier } from './dossier';
import { readCounterBook } from './counter-book';
import { readRack } from './rack';
import { endTicket, reopenTicket } from './end';
import { editTicket, openTicket, ticketByNumber } from './service';

export function ticketRoutes(db: Database): Router {
  const router = Router();
  router.get('/rack', async (_request, response) => {
    response.json(await readRack(db));
  });
  router.get('/counter', async (request, response) => {
    response.json(await readCounterBook(db, personOf(request)));
  });
  router.get('/tickets/numbered/:number', async (request, response) => {
    response.json(await ticketByNumber(db, parse(recordId, request.params.number)));
  });
  router.post('/tickets/:id/end', async (request, response) => {
    const by = personOf(request);
    const change = parse(endChange, request.body);
    response.json(await endTicket(db, parse(recordId, request.params.id), change, by));
  });
  router.post('/tickets/:id/reopen', async (request, response) => {
    const change = parse(reopenChange, request.body);
    response.json(await reopenTicket(db, parse(recordId, request.params.id), change));
  });
  router.post('/tickets', async (request, response) => {
    const by = personOf(request);
    response.status(201).json(await openTicket(db, parse(newTicket, request.body), by));
  });
  router.get('/tickets/:id', async (request, response) => {
    response.json(await readDossier(db, parse(recordId, request.params.id)));
  });
  router.patch('/tickets/:id', async (request, response) => {
    const by = personOf(request);
    response.json(await editTicket(db, parse(recordId, request.params.id), parse(ticketChange, request.body), by));
  });
  return router;
}
