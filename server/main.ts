import type { Server } from 'node:http';
import { pino } from 'pino';
import { createApp } from './app';
import type { CopyPlace } from './features/copies/shop-copies';
import { ShopCopies } from './features/copies/shop-copies';
import { connect } from './database/connect';
import { loadDemoShop } from './demo/load-demo-shop';
import { bringUp } from './migrations/migrate';

export interface ServerSettings {
  readonly databaseUrl: string;
  readonly host: string;
  readonly port: number;
  readonly webFolder: string;
  /** Where copies go every night; none are made where left out. */
  readonly copies?: CopyPlace;
  /** Fill an empty database with the demo shop. */
  readonly demo: boolean;
}

export interface RunningServer {
  readonly address: string;
  readonly loadedDemo: boolean;
  close(): Promise<void>;
}

/** Requests in flight are answered for so long when the shop closes. */
const GRACE_MS = 10_000;
const LOOK_EVERY_MS = 50;

/** Nobody new is let in; who is in is answered, unless it takes too long; connections that only wait are closed. */
async function lastAnswered(server: Server): Promise<void> {
  const closed = new Promise<void>((resolve) => server.close(() => resolve()));
  // A connection goes back to waiting when its answer is out.
  const looking = setInterval(() => server.closeIdleConnections(), LOOK_EVERY_MS);
  const enough = setTimeout(() => server.closeAllConnections(), GRACE_MS);
  await closed;
  clearInterval(looking);
  clearTimeout(enough);
}

/** Migrate, load the demo into an empty database, listen. Rejects with the system's error when it cannot. */
export async function runServer(settings: ServerSettings): Promise<RunningServer> {
  const db = connect(settings.databaseUrl);
  try {
    await bringUp(db.sequelize);
    const loadedDemo = settings.demo && (await loadDemoShop(db));
    const logger = pino({ level: 'warn' });
    const copies = settings.copies && new ShopCopies(settings.databaseUrl, settings.copies, logger);
    const app = createApp({
      db,
      logger,
      ...(copies && { copies }),
      webFolder: settings.webFolder,
      host: settings.host,
    });
    const server = await new Promise<Server>((resolve, reject) => {
      const listening = app.listen(settings.port, settings.host, (error?: Error) =>
        error ? reject(error) : resolve(listening),
      );
    });
    copies?.nightly();
    const close = async (): Promise<void> => {
      await lastAnswered(server);
      await copies?.stop();
      await db.sequelize.close();
    };
    return { address: `http://${settings.host}:${settings.port}`, loadedDemo, close };
  } catch (error) {
    await db.sequelize.close();
    throw error;
  }
}
