import { Router } from 'express';
import { keyed } from '@odontis/contract/fields';
import { labelWanted } from '@odontis/contract/notes';
import type { Database } from '../../database/connect';
import { firstOfKey } from '../../database/made-once';
import { parse } from '../../http/parse';
import { personOf } from '../../http/who';
import { loadRoll, printLabels, readPrinter } from '../../standins/label-printer';
import { readShop } from '../shop/service';
import { readDossier } from '../tickets/dossier';
import { pressed } from '../papers/paper-press';

export function labelRoutes(db: Database): Router {
  const router = Router();
  router.get('/labels', async (_request, response) => {
    response.json(await readPrinter(db));
  });
  router.post('/labels', async (request, response) => {
    const by = personOf(request);
    const { tickets, key } = parse(keyed(labelWanted), request.body);
    const { book } = await readShop(db);
    const dossiers = [];
    for (const id of tickets) dossiers.push(await readDossier(db, id));
    const drawings = (await pressed({ kind: 'labels', dossiers, book })).toString('utf8').split('\n');
    const labels = tickets.map((ticketId, i) => ({ ticketId, drawing: drawings[i] ?? '' }));
    await db.sequelize.transaction(async (t) => {
      if (await firstOfKey(db, 'labels', key, t)) await printLabels(db, labels, by, t);
    });
    response.status(201).json(await readPrinter(db));
  });
  router.post('/labels/roll', async (request, response) => {
    response.json(await loadRoll(db));
  });
  return router;
}
