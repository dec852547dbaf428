import { Router } from 'express';
import type { Response } from 'express';
import * as z from 'zod';
import { measuringSheet } from '@odontis/contract/measuring-sheet';
import { recordId } from '@odontis/contract/fields';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { Problem } from '../../http/problem';
import { readShop } from '../shop/service';
import { readDossier } from '../tickets/dossier';
import { pressed } from './paper-press';

const tagsWanted = z.object({
  tickets: z
    .string({ error: 'Say which tickets, such as tickets=12,13.' })
    .regex(/^\d{1,9}(,\d{1,9}){0,99}$/, 'Say which tickets, such as tickets=12,13; a hundred at most.')
    .transform((list) => list.split(',').map(Number)),
  skip: z.coerce.number().int().min(0).max(9, 'A sheet has ten places.').default(0),
});

const aidsWanted = z.object({
  paper: z.enum(['a4', 'letter'], { error: 'The paper is a4 or letter.' }).default('a4'),
});

const send = (response: Response, name: string, bytes: Buffer): void => {
  response.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${name}"`);
  response.send(bytes);
};

export function paperRoutes(db: Database): Router {
  const router = Router();
  router.get('/tickets/:id/tag.pdf', async (request, response) => {
    const [dossier, { book }] = await Promise.all([readDossier(db, parse(recordId, request.params.id)), readShop(db)]);
    send(response, `tag-${dossier.ticket.number}.pdf`, await pressed({ kind: 'tag', dossier, book }));
  });
  router.get('/tags.pdf', async (request, response) => {
    const { tickets, skip } = parse(tagsWanted, request.query);
    const { book } = await readShop(db);
    const dossiers = [];
    for (const id of tickets) dossiers.push(await readDossier(db, id));
    send(response, 'tags.pdf', await pressed({ kind: 'tags', dossiers, book, skip }));
  });
  router.get('/measuring-sheet.pdf', async (request, response) => {
    const sheet = parse(measuringSheet, request.query);
    send(response, `measuring-sheet-${sheet.sheet}.pdf`, await pressed({ kind: 'measuring-sheet', sheet }));
  });
  router.get('/tickets/:id/quote.pdf', async (request, response) => {
    const [dossier, { book }] = await Promise.all([readDossier(db, parse(recordId, request.params.id)), readShop(db)]);
    const all = [dossier];
    for (const other of dossier.cameWith) all.push(await readDossier(db, other.id));
    all.sort((a, b) => a.ticket.number - b.ticket.number);
    send(response, `quote-${dossier.ticket.number}.pdf`, await pressed({ kind: 'quote', dossiers: all, book }));
  });
  router.get('/tickets/:id/report.pdf', async (request, response) => {
    const [dossier, { book }] = await Promise.all([readDossier(db, parse(recordId, request.params.id)), readShop(db)]);
    send(
      response,
      `report-${dossier.ticket.number}.pdf`,
      await pressed({ kind: 'report', dossier, book, now: new Date().toISOString() }),
    );
  });
  router.get('/tickets/:id/card.pdf', async (request, response) => {
    const [dossier, { book }] = await Promise.all([readDossier(db, parse(recordId, request.params.id)), readShop(db)]);
    send(response, `card-${dossier.ticket.number}.pdf`, await pressed({ kind: 'card', dossier, book }));
  });
  router.get('/tickets/:id/outwork/:number/note.pdf', async (request, response) => {
    const [id, number] = [parse(recordId, request.params.id), parse(recordId, request.params.number)];
    const [dossier, { book }] = await Promise.all([readDossier(db, id), readShop(db)]);
    const sent = dossier.outwork.find((one) => one.number === number);
    if (!sent) throw new Problem('not-found', 'Nothing was sent out under that number.');
    const name = `delivery-note-${dossier.ticket.number}-${number}.pdf`;
    send(response, name, await pressed({ kind: 'delivery-note', dossier, sent, book }));
  });
  router.get('/tickets/:id/aids.pdf', async (request, response) => {
    const { paper } = parse(aidsWanted, request.query);
    const dossier = await readDossier(db, parse(recordId, request.params.id));
    send(response, `aids-${dossier.ticket.number}.pdf`, await pressed({ kind: 'aids', dossier, paper }));
  });
  return router;
}
