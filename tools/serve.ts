import path from 'node:path';
import type { DemoStory } from '../server/demo/demo-story';
import type { RunningServer } from '../server/main';
import type { FromServer, ToOpen, ToServer } from './kept-server';
import { Plainly } from './say';
import { tlsOf } from './server-tls';

// The process of the server: opened by what started it, and closed with it. Ctrl-C is heard by both; the other says when.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => undefined);

const send = (message: FromServer): void => void process.send?.(message);

let open: RunningServer | null = null;

/** Read in at once: the database comes up meanwhile. What fails in it is said where the server is opened. */
const program = import('../server/main');
program.catch(() => undefined);

/** The demo shop's story, told while its new database is still being made. */
let story: Promise<DemoStory> | undefined;
const tell = async (): Promise<DemoStory> => {
  await program;
  return (await import('../server/demo/demo-story')).tellDemo();
};

async function serve({ settings, databaseUrl, webFolder, copies }: ToOpen): Promise<void> {
  const tls = await tlsOf(settings);
  const { runServer } = await program;
  const logFolder = path.join(settings.dataFolder, 'logs');
  const where = { databaseUrl, webFolder, copies, logFolder };
  const server = await runServer({ ...settings, ...where, ...(tls && { tls }), ...(story && { story: await story }) });
  open = server;
  const { address, loadedDemo, isNew } = server;
  const trust = tls?.trust ? { addresses: tls.trust.addresses, fingerprint: tls.trust.fingerprint } : null;
  send({ kind: 'open', opened: { address, loadedDemo, isNew, trust } });
}

// Whatever started it is gone without a word, as when it was killed: the port is free at once for the next start.
process.once('disconnect', () => process.exit(1));

process.on('message', (message: ToServer) => {
  if (message === 'tell-demo') {
    story = tell();
    story.catch(() => undefined);
    return;
  }
  if (message === 'close') {
    // Not open yet, it leaves nothing half done: every step is a transaction.
    void (open?.close() ?? Promise.resolve()).then(() => process.exit(0));
    return;
  }
  serve(message).catch((error: unknown) => {
    const { code, name, message } = error as { code?: string; name?: string; message: string };
    // Said whole before the process ends.
    process.send?.({ kind: 'failed', plainly: error instanceof Plainly, error: { code, name, message } }, () =>
      process.exit(1),
    );
  });
});
