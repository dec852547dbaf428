import { Piscina } from 'piscina';
import { Problem } from '../../http/problem';
import type { Paper } from './paper';

/** Papers that wait their turn; more at once are asked to come again. */
const MOST_WAITING = 100;
/** A thread with nothing to do for so long goes. */
const IDLE_MS = 10 * 60_000;

let press: Piscina<Paper, Uint8Array> | undefined;

/**
 * A paper made beside the server's loop, so that nobody else waits for it: one thread, since a shop has two
 * cores and the other one serves. Begun with the first paper and kept. Throws Problem `busy` where too many wait.
 */
export async function pressed(paper: Paper): Promise<Buffer> {
  press ??= new Piscina<Paper, Uint8Array>({
    filename: new URL('./paper-worker.ts', import.meta.url).href,
    // The thread reads the house's TypeScript as the server does.
    execArgv: ['--import', 'tsx'],
    minThreads: 0,
    maxThreads: 1,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
  });
  if (press.queueSize >= MOST_WAITING)
    throw new Problem('busy', 'Too many papers are being made just now. Ask for this one again in a moment.');
  return Buffer.from(await press.run(paper));
}
