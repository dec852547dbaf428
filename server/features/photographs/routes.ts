import { Router } from 'express';
import { keyed, recordId } from '@odontis/contract/fields';
import { newPhotograph } from '@odontis/contract/notes';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { personOf, whoOf } from '../../http/who';
import { addPhotograph, photographBytes, removePhotograph } from './service';

export function photographRoutes(db: Database): Router {
  const router = Router();
  router.post('/tickets/:id/photographs', async (request, response) => {
    const by = personOf(request);
    const wanted = parse(keyed(newPhotograph), request.body);
    response.status(201).json(await addPhotograph(db, parse(recordId, request.params.id), wanted, by));
  });
  router.delete('/tickets/:id/photographs/:photograph', async (request, response) => {
    const [id, photograph] = [parse(recordId, request.params.id), parse(recordId, request.params.photograph)];
    response.json(await removePhotograph(db, id, photograph, whoOf(request)));
  });
  router.get('/photographs/:id.jpg', async (request, response) => {
    const bytes = await photographBytes(db, parse(recordId, request.params.id));
    response.type('image/jpeg').setHeader('Cache-Control', 'private, max-age=86400').send(bytes);
  });
  return router;
}
