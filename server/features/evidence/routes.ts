import { Router } from 'express';
import * as z from 'zod';
import { lineMeasured, newEvidenceUnread, sessionDone } from '@odontis/contract/evidence';
import { recordId } from '@odontis/contract/fields';
import { reading } from '@odontis/core/evidence/reading';
import type { Database } from '../../database/connect';
import { parse, parseMany } from '../../http/parse';
import { whoOf } from '../../http/who';
import { addEvidence, finishSession, lineIsMeasured } from './service';

const sessionKey = z.uuid('A session is named by its key.');

export function evidenceRoutes(db: Database): Router {
  const router = Router();
  router.post('/tickets/:id/evidence', async (request, response) => {
    const id = parse(recordId, request.params.id);
    const unread = parse(newEvidenceUnread, request.body);
    const readings = await parseMany(reading, unread.readings, '/readings');
    response.status(201).json(await addEvidence(db, id, { ...unread, readings }, whoOf(request)));
  });
  router.post('/tickets/:id/sessions/:session/finish', async (request, response) => {
    const { note } = parse(sessionDone, request.body);
    const [id, key] = [parse(recordId, request.params.id), parse(sessionKey, request.params.session)];
    response.json(await finishSession(db, id, key, note));
  });
  router.post('/tickets/:id/measured', async (request, response) => {
    const { version } = parse(lineMeasured, request.body);
    response.json(await lineIsMeasured(db, parse(recordId, request.params.id), version));
  });
  return router;
}
