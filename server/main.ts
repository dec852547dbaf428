import type { RequestListener, Server } from 'node:http';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Logger } from 'pino';
import { createApp } from './app';
import type { CopyPlace } from './features/copies/shop-copies';
import { ShopCopies } from './features/copies/shop-copies';
import { connect } from './database/connect';
import type { DemoStory } from './demo/demo-story';
import { loadDemoShop } from './demo/load-demo-shop';
import { fileLogger } from './http/file-logger';
import { loggable } from './http/loggable';
import { EVERYWHERE } from './http/own-names';
import type { Trust } from './http/trust-page';
import { trustPage } from './http/trust-page';
import { TwoDoors } from './http/two-doors';
import { bringUp } from './migrations/migrate';

export interface ServerSettings {
  readonly databaseUrl: string;
  readonly host: string;
  readonly port: number;
  readonly webFolder: string;
  /** Where copies go every night; none are made where left out. */
  readonly copies?: CopyPlace;
  /** The folder whose disk the owner's page watches. */
  readonly dataFolder?: string;
  /** Where a JSON line for every request goes; warnings alone, to the console, where left out. */
  readonly logFolder?: string;
  /** With what it is served over TLS; plainly, and from this computer alone, where left out. */
  readonly tls?: ServerTls;
  /** Fill an empty database with the demo shop. */
  readonly demo: boolean;
  /** The demo shop, where it was worked out beforehand. */
  readonly story?: DemoStory;
}

/** Key and certificate in PEM, and how others come to trust them. */
export interface ServerTls {
  readonly key: string;
  readonly cert: string;
  /** Where the shop makes its certificates itself. */
  readonly trust?: Trust;
  /** Looked for every day: a renewed one, or null while the present one is good. */
  readonly renewed?: () => Promise<{ readonly key: string; readonly cert: string } | null>;
}

export interface RunningServer {
  readonly address: string;
  readonly loadedDemo: boolean;
  /** Nobody is of this shop yet. */
  readonly isNew: boolean;
  close(): Promise<void>;
}

/** Requests in flight are answered for so long when the shop closes. */
const GRACE_MS = 10_000;
const LOOK_EVERY_MS = 50;

/** What lets nobody new in, and lets go who waits. */
type Closing = Pick<Server, 'closeIdleConnections' | 'closeAllConnections'> & { close(done: () => void): unknown };

/** Nobody new is let in; who is in is answered, unless it takes too long; connections that only wait are closed. */
async function lastAnswered(server: Closing): Promise<void> {
  const closed = new Promise<void>((resolve) => server.close(() => resolve()));
  // A connection goes back to waiting when its answer is out.
  const looking = setInterval(() => server.closeIdleConnections(), LOOK_EVERY_MS);
  const enough = setTimeout(() => server.closeAllConnections(), GRACE_MS);
  await closed;
  clearInterval(looking);
  clearTimeout(enough);
}

const DAY_MS = 86_400_000;

async function renew(server: Closing, tls: ServerTls | undefined, logger: Logger): Promise<void> {
  try {
    const fresh = await tls?.renewed?.();
    if (fresh && server instanceof TwoDoors) server.renew(fresh);
  } catch (error) {
    logger.error({ ...loggable(error) }, 'certificate not renewed');
  }
}

const listenPlainly = (app: Express, { port, host }: ServerSettings): Promise<Server> =>
  new Promise((resolve, reject) => {
    const listening = app.listen(port, host, (error?: Error) => (error ? reject(error) : resolve(listening)));
  });

async function listenOverTls(app: Express, { port, host }: ServerSettings, tls: ServerTls): Promise<TwoDoors> {
  const nobody: RequestListener = (_request, response) => void response.writeHead(421).end();
  const doors = new TwoDoors({ ...tls, shop: app, plain: tls.trust ? trustPage(tls.trust, host) : nobody });
  await doors.listen(port, host);
  return doors;
}

/** Where it is opened on this computer, where nothing travels: plainly, also where others come over TLS. */
function addressOf({ host, port }: ServerSettings): string {
  const here = EVERYWHERE.has(host) ? '127.0.0.1' : host;
  return `http://${here.includes(':') ? `[${here}]` : here}:${port}`;
}

/** Migrate, load the demo into an empty database, listen. Rejects with the system's error when it cannot. */
export async function runServer(settings: ServerSettings): Promise<RunningServer> {
  const db = connect(settings.databaseUrl);
  try {
    const file = settings.logFolder === undefined ? null : fileLogger(settings.logFolder);
    const logger = file ?? pino({ level: 'warn' });
    const copies = settings.copies && new ShopCopies(db, settings.databaseUrl, settings.copies, logger);
    await bringUp(db.sequelize, (migrations) => copies?.beforeChange(migrations) ?? Promise.resolve());
    const loadedDemo = settings.demo && (await loadDemoShop(db, settings.story));
    const isNew = (await db.models.Person.count()) === 0;
    const app = createApp({
      db,
      logger,
      ...(copies && { copies }),
      webFolder: settings.webFolder,
      host: settings.host,
      ...(settings.dataFolder !== undefined && { dataFolder: settings.dataFolder }),
      ofProcess: true,
      ...(settings.tls?.trust && { trust: settings.tls.trust }),
    });
    const server = settings.tls ? await listenOverTls(app, settings, settings.tls) : await listenPlainly(app, settings);
    copies?.nightly();
    const renewing = settings.tls && setInterval(() => void renew(server, settings.tls, logger), DAY_MS);
    const close = async (): Promise<void> => {
      clearInterval(renewing);
      await lastAnswered(server);
      await copies?.stop();
      file?.flushed();
      await db.sequelize.close();
    };
    return { address: addressOf(settings), loadedDemo, isNew, close };
  } catch (error) {
    await db.sequelize.close();
    throw error;
  }
}
