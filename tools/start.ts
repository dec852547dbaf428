import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { Cluster, portTrouble } from './cluster';
import { ensurePostgres } from './debian';
import { endWith, Plainly } from './say';
import { readSettings } from './settings';
import { buildWeb, WEB_FOLDER } from './web-build';

/** One shop a data folder: a second start on it is refused while the first runs. */
function holdFolder(folder: string): () => void {
  mkdirSync(folder, { recursive: true });
  const file = path.join(folder, 'running.pid');
  if (existsSync(file)) {
    const pid = Number(readFileSync(file, 'utf8'));
    const command = `/proc/${pid}/cmdline`;
    if (pid !== process.pid && existsSync(command) && readFileSync(command, 'utf8').includes('bootstrap.mjs')) {
      throw new Plainly(`Odontis is running already on ${folder} (process ${pid}).`);
    }
  }
  writeFileSync(file, String(process.pid));
  return () => rmSync(file, { force: true });
}

async function start(): Promise<void> {
  const settings = readSettings(process.env);
  const trouble = await portTrouble(settings.port, settings.host);
  if (trouble !== null) throw new Plainly(troubleSays(trouble, settings));
  buildWeb();
  let cluster: Cluster | null = null;
  let release = (): void => undefined;
  if (settings.databaseUrl === null) {
    const programs = ensurePostgres();
    release = holdFolder(settings.dataFolder);
    cluster = await Cluster.start({ programs, folder: settings.dataFolder });
  }
  const databaseUrl = cluster?.url() ?? (settings.databaseUrl as string);
  const { runServer } = await import('../server/main');
  const server = await runServer({ ...settings, databaseUrl, webFolder: WEB_FOLDER, demo: true }).catch(
    async (error: unknown) => {
      await cluster?.stop();
      release();
      throw plain(error, settings.databaseUrl);
    },
  );
  if (server.loadedDemo) console.log('The demo shop, Skerrow Saw Works, is loaded.');
  console.log(`Odontis is open at ${server.address}   (Ctrl-C closes it)`);

  const watch = cluster ? watchDatabase(cluster) : undefined;
  let closing = false;
  const close = async (): Promise<void> => {
    if (closing) return;
    closing = true;
    clearInterval(watch);
    console.log('\nClosing …');
    await server.close();
    await cluster?.stop();
    release();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void close());
}

/** How often a look is taken whether the database still runs, ms. */
const LOOK_EVERY_MS = 1000;

/** A database killed under the running shop is started again; screens catch up by themselves. */
function watchDatabase(cluster: Cluster): NodeJS.Timeout {
  let looking = false;
  return setInterval(() => {
    if (looking) return;
    looking = true;
    cluster
      .revive()
      .then((revived) => revived && console.log('The database had stopped; it runs again.'))
      .catch((error: unknown) => console.error(String(error)))
      .finally(() => (looking = false));
  }, LOOK_EVERY_MS);
}

/** Why the address cannot be listened on, in one line. */
function troubleSays(code: string, { port, host }: { port: number; host: string }): string {
  if (code === 'EADDRINUSE') {
    return `Port ${port} on ${host} is in use. Stop what uses it, or choose another, such as PORT=${port + 1} npm start.`;
  }
  if (code === 'EACCES') return `Port ${port} may only be used by root. Choose one above 1023.`;
  return `HOST ${host} is not an address of this machine (${code}).`;
}

function plain(error: unknown, url: string | null): unknown {
  const { code, name, message } = error as { code?: string; name?: string; message?: string };
  if (code === 'EADDRINUSE') return new Plainly('The port was taken meanwhile. Choose another with PORT=… npm start.');
  if (code === 'EADDRNOTAVAIL' || code === 'ENOTFOUND') return new Plainly('HOST is not an address of this machine.');
  if (url !== null && name?.startsWith('SequelizeConnection'))
    return new Plainly(`The database at DATABASE_URL cannot be used: ${message}`);
  return error;
}

start().catch(endWith);
