import type { ChildProcess } from 'node:child_process';
import { fork } from 'node:child_process';
import type { CopyPlace } from '../server/features/copies/shop-copies';
import { Plainly } from './say';
import { SERVER_PROGRAM } from './server-build';
import type { Settings } from './settings';

/** What the server's process is told to open. */
export interface ToOpen {
  readonly settings: Settings;
  readonly databaseUrl: string;
  readonly webFolder: string;
  readonly copies: CopyPlace;
}

/** What the server's process is sent: to work the demo shop out beforehand, what to open, and to close it. */
export type ToServer = 'tell-demo' | ToOpen | 'close';

/** What it says when it is open. */
export interface Opened {
  readonly address: string;
  readonly loadedDemo: boolean;
  readonly isNew: boolean;
  readonly trust: { readonly addresses: readonly string[]; readonly fingerprint: string } | null;
}

/** What the server's process sends: that it is open, or why it cannot be. */
export type FromServer =
  | { readonly kind: 'open'; readonly opened: Opened }
  | {
      readonly kind: 'failed';
      readonly plainly: boolean;
      readonly error: { readonly code?: string; readonly name?: string; readonly message: string };
    };

/** A server that died is started again after so long, and later each time it dies at once. ms. */
const FIRST_WAIT_MS = 300;
const LONGEST_WAIT_MS = 30_000;
/** Open for so long it has recovered. ms. */
const RECOVERED_MS = 60_000;

/**
 * The server in a process of its own, started again should it die: of a want of memory, of a hand on the wrong
 * process, of what nobody foresaw. What was being written then is kept whole or not at all by the database, and
 * the screens send again.
 */
export class KeptServer {
  private child: ChildProcess | null = null;
  private closing = false;
  private waitMs = FIRST_WAIT_MS;
  private timer: NodeJS.Timeout | undefined;

  private toOpen: ToOpen | null = null;

  constructor(
    private readonly how: { readonly longestWaitMs: number; readonly say: (text: string) => void } = {
      longestWaitMs: LONGEST_WAIT_MS,
      say: (text) => console.log(text),
    },
  ) {}

  /**
   * Begins the server's process, so that it reads its program in while the database is still coming up; where that
   * will be a new one for the demo shop, it works that out meanwhile, too.
   */
  begin(first: { readonly tellDemo: boolean } = { tellDemo: false }): ChildProcess {
    if (this.child) return this.child;
    const child = fork(SERVER_PROGRAM, [], { execArgv: [] });
    child.once('exit', () => (this.child = null));
    if (first.tellDemo) child.send('tell-demo' satisfies ToServer);
    return (this.child = child);
  }

  /** Rejects with what the server's process says where it cannot open. */
  open(toOpen: ToOpen): Promise<Opened> {
    this.toOpen = toOpen;
    const child = this.begin();
    const openedAt = Date.now();
    return new Promise((resolve, reject) => {
      let isOpen = false;
      child.on('message', (message: FromServer) => {
        if (message.kind === 'open') {
          isOpen = true;
          resolve(message.opened);
        } else reject(message.plainly ? new Plainly(message.error.message) : Object.assign(new Error(), message.error));
      });
      child.once('exit', (code, signal) => {
        if (!isOpen) {
          reject(new Error(`The server’s process ended as it began (${signal ?? code}).`));
          return;
        }
        if (!this.closing) this.again(signal ?? `code ${code}`, Date.now() - openedAt);
      });
      child.send(toOpen satisfies ToServer);
    });
  }

  private again(why: string, openForMs: number): void {
    this.waitMs = openForMs > RECOVERED_MS ? FIRST_WAIT_MS : Math.min(this.waitMs * 2, this.how.longestWaitMs);
    this.how.say(`The server had ended (${why}); it is started again.`);
    this.timer = setTimeout(() => {
      if (!this.toOpen) return;
      this.open(this.toOpen).catch((error: unknown) => {
        this.how.say(error instanceof Error ? error.message : String(error));
        if (!this.closing) this.again('could not open', 0);
      });
    }, this.waitMs);
  }

  /** Ends it without a word, as a want of memory does; it is started again. */
  kill(): void {
    this.child?.kill('SIGKILL');
  }

  /** Requests in flight are answered; resolves when the process has ended. */
  close(): Promise<void> {
    this.closing = true;
    clearTimeout(this.timer);
    const { child } = this;
    if (!child) return Promise.resolve();
    return new Promise((resolve) => {
      child.once('exit', () => resolve());
      child.send('close' satisfies ToServer);
    });
  }
}
