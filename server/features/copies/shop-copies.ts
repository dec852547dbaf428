import type { Logger } from 'pino';
import type { Backup } from './copies';
import type { CopiesState } from '@odontis/contract/copies';
import { CopyTrouble } from './copy-file';
import { backUp, copiesIn } from './copies';

/** At this hour of the shop's own clock the night's copy is due. */
const NIGHT_HOUR = 2;
/** How often a look is taken: a computer that slept at two copies when it wakes. */
const LOOK_EVERY_MS = 10 * 60_000;

/** The last time a night's copy was due. */
function lastNight(now: Date): Date {
  const due = new Date(now.getFullYear(), now.getMonth(), now.getDate(), NIGHT_HOUR);
  if (due > now) due.setDate(due.getDate() - 1);
  return due;
}

/** Whether a copy is due: none was made since the last night's hour. */
export const isDue = (newestMadeAt: string | null, now: Date): boolean =>
  newestMadeAt === null || new Date(newestMadeAt) < lastNight(now);

/** Where copies go, how many are kept, and with what. */
export type CopyPlace = Pick<Backup, 'programs' | 'folder' | 'passphrase'> & { readonly kept: number };

/** The shop's copies: one every night by itself, at once where the last night's is missing, and whenever somebody asks. */
export class ShopCopies {
  private making: Promise<unknown> | null = null;
  private timer: NodeJS.Timeout | undefined;

  constructor(
    private readonly url: string,
    private readonly place: CopyPlace,
    private readonly logger: Logger,
  ) {}

  /** How they stand. */
  stand(): CopiesState {
    const all = copiesIn(this.place.folder);
    const [newest] = all;
    return {
      folder: this.place.folder,
      count: all.length,
      kept: this.place.kept,
      newest: newest
        ? { madeAt: newest.head.madeAt, bytes: newest.bytes, encrypted: newest.head.encrypted !== null }
        : null,
    };
  }

  /** One now; asked for while one is being made, that one. Throws {@link CopyTrouble}. */
  async copyNow(now = new Date()): Promise<void> {
    this.making ??= backUp({ ...this.place, url: this.url, now }).finally(() => (this.making = null));
    await this.making;
  }

  /** From now on every night. */
  nightly(): void {
    this.timer = setInterval(() => {
      const now = new Date();
      if (this.making || !isDue(this.stand().newest?.madeAt ?? null, now)) return;
      this.copyNow(now).catch((error: unknown) =>
        this.logger.error({ says: error instanceof CopyTrouble ? error.message : '' }, 'the copy of the night failed'),
      );
    }, LOOK_EVERY_MS);
    this.timer.unref();
  }

  /** No more; the one in hand is made whole. */
  async stop(): Promise<void> {
    clearInterval(this.timer);
    await this.making?.catch(() => undefined);
  }
}
