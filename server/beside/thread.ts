import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { Problem } from '../http/problem';

/** Whether this runs as it was built (tools/server-build.ts): the threads' programs then lie beside it, by their name. */
const HERE = import.meta.url;
const isBuilt = HERE.endsWith('.mjs');

/** A thread's program, built or from its source, as the server runs itself; given by its place in the house. */
const programOf = (source: string) =>
  isBuilt
    ? { filename: new URL(`${path.basename(source)}.mjs`, HERE).href, execArgv: [] }
    : { filename: pathToFileURL(path.resolve(`${source}.ts`)).href, execArgv: ['--import', 'tsx'] };

/** Work that waits its turn; more at once are asked to come again. */
const MOST_WAITING = 100;
/** A thread with nothing to do for so long goes. */
const IDLE_MS = 10 * 60_000;

/**
 * A thread beside the server's loop for one kind of work, so that nobody else waits for it: one, since a shop has two
 * cores and the other one serves. Begun with the first of it and kept.
 */
export class Thread<In, Out> {
  private pool: Piscina<In, Out> | undefined;

  /** The module that does it, its default export, by its place in the house; and what is said where too much waits. */
  constructor(
    private readonly worker: string,
    private readonly tooMuch: string,
  ) {}

  /** Throws Problem `busy` where too much waits, and whatever the work throws. */
  async run(work: In): Promise<Out> {
    this.pool ??= new Piscina<In, Out>({
      ...programOf(this.worker),
      minThreads: 0,
      maxThreads: 1,
      maxQueue: MOST_WAITING,
      idleTimeout: IDLE_MS,
    });
    if (this.pool.queueSize >= MOST_WAITING) throw new Problem('busy', this.tooMuch);
    return this.pool.run(work);
  }
}
