import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { Cluster, portTrouble } from './cluster';
import { ensurePostgres } from './debian';
import type { Opened } from './kept-server';
import { KeptServer } from './kept-server';
import { endWith, Plainly } from './say';
import { buildServer } from './server-build';
import type { Settings } from './settings';
import { readCopySettings, readSettings } from './settings';
import { buildWeb, WEB_FOLDER } from './web-build';

/** When a process began, in the kernel's ticks (proc(5), field 22 of stat): tells it from a later one of its number. Null of none. */
function beganAt(pid: number): string | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The program's name stands in brackets and may hold blanks.
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null;
  } catch {
    return null;
  }
}

/** One shop a data folder: a second start on it is refused while the first runs. */
function holdFolder(folder: string): () => void {
  mkdirSync(folder, { recursive: true });
  const file = path.join(folder, 'running.pid');
  if (existsSync(file)) {
    const [pid = '', began] = readFileSync(file, 'utf8').split(' ');
    if (Number(pid) !== process.pid && began !== undefined && beganAt(Number(pid)) === began)
      throw new Plainly(`Odontis is running already on ${folder} (process ${pid}).`);
  }
  writeFileSync(file, `${process.pid} ${beganAt(process.pid) ?? ''}`);
  return () => rmSync(file, { force: true });
}

/** What is to be ended again, in the order it came up: the last first. */
class Undoing {
  private readonly steps: (() => Promise<void> | void)[] = [];
  private ended: Promise<void> | undefined;
  ending = false;

  add(undo: () => Promise<void> | void): void {
    this.steps.push(undo);
  }

  /** All of it once, whoever asks and however often; what fails does not keep the rest. */
  all(): Promise<void> {
    this.ending = true;
    this.ended ??= (async () => {
      for (let undo = this.steps.pop(); undo; undo = this.steps.pop())
        await Promise.resolve(undo()).catch((error: unknown) => console.error(String(error)));
    })();
    return this.ended;
  }
}

async function start(): Promise<void> {
  const settings = readSettings(process.env);
  const up = new Undoing();
  // Asked to end while it still starts, it ends what is up by then; the database, too.
  const close = async (): Promise<void> => {
    if (up.ending) return;
    console.log('\nClosing …');
    await up.all();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void close());
  try {
    await open(settings, up);
  } catch (error) {
    // A Ctrl-C that ended a program we waited for is heard a moment later.
    await new Promise((resolve) => setImmediate(resolve));
    // Ended while it started: whoever ended it says so.
    if (up.ending) return await new Promise<never>(() => undefined);
    await up.all();
    throw plain(error, settings.databaseUrl);
  }
}

async function open(settings: Settings, up: Undoing): Promise<void> {
  const trouble = await portTrouble(settings.port, settings.host);
  if (trouble !== null) throw new Plainly(troubleSays(trouble, settings));
  await buildServer();
  buildWeb();
  let cluster: Cluster | null = null;
  const copies = readCopySettings(process.env, settings.dataFolder);
  const folder = settings.databaseUrl === null ? settings.dataFolder : null;
  if (folder !== null) {
    up.add(holdFolder(folder));
    up.add(() => Cluster.stopAt(folder));
  }
  const kept = new KeptServer();
  up.add(() => kept.close());
  kept.begin({ tellDemo: settings.demo && folder !== null && !Cluster.isIn(folder) });
  const programs = ensurePostgres(folder);
  if (folder !== null) cluster = await Cluster.start({ programs, folder });
  const databaseUrl = cluster?.url() ?? (settings.databaseUrl as string);
  const server = await kept.open({ settings, databaseUrl, webFolder: WEB_FOLDER, copies: { ...copies, programs } });
  if (server.loadedDemo) console.log('The demo shop, Skerrow Saw Works, is loaded.');
  if (server.isNew) console.log('This shop is new: open it on this computer, and its first owner is made there.');
  console.log(`Odontis is open at ${server.address}   (Ctrl-C closes it)`);
  sayTrust(settings, server.trust);
  const watch = cluster ? watchDatabase(cluster) : undefined;
  up.add(() => clearInterval(watch));
}

function sayTrust({ port }: Settings, trust: Opened['trust']): void {
  const [first] = trust?.addresses ?? [];
  if (!trust || first === undefined) return;
  console.log(`From other computers: ${trust.addresses.join(', ')}`);
  console.log(
    `A tablet trusts it once: open http://127.0.0.1:${port}/trust here and point its camera at the code there,`,
  );
  console.log(`or open ${first.replace('https', 'http')}/trust on it. Fingerprint ${trust.fingerprint}`);
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
  if (name === 'NewerData' || name === 'CopyTrouble') return new Plainly(message ?? '');
  if (url !== null && name?.startsWith('SequelizeConnection'))
    return new Plainly(`The database at DATABASE_URL cannot be used: ${message}`);
  return error;
}

start().catch(endWith);
