import { Router } from 'express';
import { QueryTypes } from 'sequelize';
import * as z from 'zod';
import type { Change, ChangesPage } from '@odontis/contract/changes';
import { recordId } from '@odontis/contract/fields';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';

/** So many lines at once. */
const PAGE = 50;
const asked = z.object({ before: recordId.optional() });

/** The log of changes, the newest first, before the line of a number where one is told. */
export async function readChanges(db: Database, before?: number): Promise<ChangesPage> {
  const rows = await db.sequelize.query<Omit<Change, 'at'> & { readonly at: Date }>(
    `SELECT c.id, c.at, c.kind, p.name AS by, d.name AS device, c.about, c.before, c.after
       FROM change_log c LEFT JOIN person p ON p.id = c.by_person LEFT JOIN device d ON d.id = c.device_id
      WHERE c.id < $1 ORDER BY c.id DESC LIMIT ${PAGE + 1}`,
    { type: QueryTypes.SELECT, bind: [before ?? 2_147_483_647] },
  );
  const changes = rows.slice(0, PAGE).map((row) => ({ ...row, at: row.at.toISOString() }));
  return { changes, more: rows.length > PAGE };
}

export function changeRoutes(db: Database): Router {
  const router = Router();
  router.get('/changes', async (request, response) => {
    response.json(await readChanges(db, parse(asked, request.query).before));
  });
  return router;
}
