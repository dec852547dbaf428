import { Router } from 'express';
import type { Response } from 'express';
import { recordId } from '@odontis/contract/fields';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { readShop } from '../shop/service';
import { readDossier } from '../tickets/dossier';
import { printPdf } from './print';
import { reportDocument } from './report';
import { tagDocument } from './tag';

const send = (response: Response, name: string, bytes: Buffer): void => {
  response.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${name}"`);
  response.send(bytes);
};

export function paperRoutes(db: Database): Router {
  const router = Router();
  router.get('/tickets/:id/tag.pdf', async (request, response) => {
    const [dossier, { book }] = await Promise.all([readDossier(db, parse(recordId, request.params.id)), readShop(db)]);
    send(response, `tag-${dossier.ticket.number}.pdf`, await printPdf(tagDocument(dossier, book)));
  });
  router.get('/tickets/:id/report.pdf', async (request, response) => {
    const [dossier, { book }] = await Promise.all([readDossier(db, parse(recordId, request.params.id)), readShop(db)]);
    send(response, `report-${dossier.ticket.number}.pdf`, await printPdf(reportDocument(dossier, book)));
  });
  return router;
}
