import { readFileSync } from 'node:fs';
import { statfs } from 'node:fs/promises';
import path from 'node:path';
import { Router } from 'express';
import { QueryTypes } from 'sequelize';
import type { MachineState } from '@odontis/contract/machine';
import type { Database } from '../../database/connect';
import { openApi } from '../../http/described';
import type { Measured } from '../../http/measured';
import { notSignedIn } from '../../http/who';

/** The program's own version. */
export const VERSION = (JSON.parse(readFileSync(path.resolve('package.json'), 'utf8')) as { version: string }).version;

/** So many slow routes are shown. */
const SHOWN = 6;
const bytesOf = (fs: { bsize: number }, blocks: number): number => fs.bsize * blocks;

/** What a machine's keeper asks: whether it lives, whether it can serve, how it does. */
export interface MachineParts {
  readonly measured: Measured;
  /** The folder whose disk is watched; the program's own where left out. */
  readonly dataFolder: string;
  readonly isOwn: (address: string | undefined) => boolean;
}

export function machineRoutes(db: Database, { measured, dataFolder, isOwn }: MachineParts): Router {
  const router = Router();
  const startedAt = new Date().toISOString();
  // Lives: the process answers, whatever the database does.
  router.get('/alive', (_request, response) => {
    response.json({ ok: true });
  });
  // Ready: the database answers, too.
  router.get('/health', async (_request, response) => {
    await db.sequelize.query('SELECT 1');
    response.json({ ok: true });
  });
  // Programs that gather metrics run beside the server; nobody else is told.
  router.get('/metrics', async (request, response) => {
    if (!isOwn(request.socket.remoteAddress)) throw notSignedIn();
    response.type(measured.registry.contentType).send(await measured.registry.metrics());
  });
  router.get('/openapi.json', async (_request, response) => {
    response.json(await openApi(VERSION));
  });
  router.get('/machine', async (_request, response) => {
    const [[size], fs, slowest] = await Promise.all([
      db.sequelize.query<{ bytes: string }>('SELECT pg_database_size(current_database()) AS bytes', {
        type: QueryTypes.SELECT,
      }),
      statfs(dataFolder).catch(() => null),
      measured.slowest(SHOWN),
    ]);
    const state: MachineState = {
      version: VERSION,
      node: process.versions.node,
      startedAt,
      disk: fs && { freeBytes: bytesOf(fs, fs.bavail), totalBytes: bytesOf(fs, fs.blocks) },
      databaseBytes: Number(size?.bytes ?? 0),
      slowest,
    };
    response.json(state);
  });
  return router;
}
