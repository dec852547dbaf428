import { Router } from 'express';
import { keyed, recordId } from '@odontis/contract/fields';
import { newMessage } from '@odontis/contract/notes';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf } from '../../http/who';
import { carryMessages } from '../../standins/message-carrier';
import { readOutbox } from './read-messages';
import { writeMessage } from './service';

export function outboxRoutes(db: Database): Router {
  const router = Router();
  router.get('/outbox', async (_request, response) => {
    response.json(await readOutbox(db));
  });
  router.post('/outbox/carry', async (request, response) => {
    response.json(await carryMessages(db));
  });
  router.post('/tickets/:id/messages', async (request, response) => {
    const by = personOf(request);
    const message = parse(keyed(newMessage), request.body);
    response.status(201).json(await writeMessage(db, parse(recordId, request.params.id), message, by));
  });
  return router;
}
