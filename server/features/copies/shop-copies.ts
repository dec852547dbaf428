import type { Logger } from 'pino';
import { QueryTypes } from 'sequelize';
import type { Database } from '../../database/connect';
import { loggable } from '../../http/loggable';
import { wordsOfACopy } from '../../migrations/2026-11-29-words-of-a-copy';
import type { Backup } from './copies';
import type { CopiesState } from '@odontis/contract/copies';
import { CopyTrouble } from './copy-file';
import { backUp, copiesIn, copiesKept } from './copies';

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

/** Where copies go, and with what. */
export type CopyPlace = Pick<Backup, 'programs' | 'folder' | 'passphrase'>;

/** Held of the database by the one server that makes the night's copy. */
const NIGHT_LOCK = 7101;

/** The shop's copies: one every night by itself, at once where the last night's is missing, and whenever somebody asks. */
export class ShopCopies {
  private making: Promise<unknown> | null = null;
  private timer: NodeJS.Timeout | undefined;

  constructor(
    private readonly db: Database,
    private readonly url: string,
    private readonly place: CopyPlace,
    private readonly logger: Logger,
  ) {}

  /** How they stand. */
  async stand(): Promise<CopiesState> {
    const all = copiesIn(this.place.folder);
    const [newest] = all;
    return {
      folder: this.place.folder,
      count: all.length,
      kept: await copiesKept(this.db),
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

  /**
   * One before the data are changed for a newer program: whatever that does, the way back lies there. Of data whose
   * copies cannot be read back (docs/decisions.md) there is none. Throws {@link CopyTrouble}, and nothing was touched.
   */
  async beforeChange(migrations: readonly string[], now = new Date()): Promise<void> {
    if (!migrations.includes(wordsOfACopy.name)) return;
    try {
      await this.copyNow(now);
    } catch (error) {
      if (!(error instanceof CopyTrouble)) throw error;
      throw new CopyTrouble(
        `Before these data are changed for this Odontis they are copied, and that cannot be done: ${error.message} Nothing was touched.`,
      );
    }
  }

  /** The night's copy, if it is due and no other server on this database is at it. */
  async night(now = new Date()): Promise<void> {
    if (!isDue(this.newest(), now)) return;
    await this.db.sequelize.transaction(async (transaction) => {
      const [lock] = await this.db.sequelize.query<{ got: boolean }>(
        `SELECT pg_try_advisory_xact_lock(${NIGHT_LOCK}) AS got`,
        { type: QueryTypes.SELECT, transaction },
      );
      // Another may have made it meanwhile.
      if (lock?.got && isDue(this.newest(), now)) await this.copyNow(now);
    });
  }

  private newest(): string | null {
    return copiesIn(this.place.folder)[0]?.head.madeAt ?? null;
  }

  /** From now on every night. */
  nightly(): void {
    this.timer = setInterval(() => {
      if (this.making) return;
      this.night().catch((error: unknown) =>
        this.logger.error(
          error instanceof CopyTrouble ? { says: error.message } : { ...loggable(error) },
          'the copy of the night failed',
        ),
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
