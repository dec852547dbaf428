import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';

/** How often somebody may be wrong within which time, and how long they wait then. Seconds. */
interface Patience {
  readonly name: string;
  readonly wrong: number;
  readonly withinS: number;
  readonly waitS: number;
}
const DAY_S = 86_400;
/** Of one person at one place: a hand in a glove slips a few times. */
const PERSON_HERE: Patience = { name: 'here', wrong: 5, withinS: 300, waitS: 60 };
/** Of one person at one place in a day: a code of four digits would be found in time. */
const PERSON_DAY: Patience = { name: 'day', wrong: 60, withinS: DAY_S, waitS: DAY_S };
/** Of one strange place, whoever it says it is. */
const PLACE: Patience = { name: 'place', wrong: 30, withinS: 900, waitS: 900 };
/** Of one person from all strange places together. */
const ANYWHERE: Patience = { name: 'anywhere', wrong: 100, withinS: DAY_S, waitS: DAY_S };

/** Where a try comes from. */
export interface TryFrom {
  readonly address: string;
  /** The screen where it is a known one: what strangers try does not keep it waiting. */
  readonly deviceId: number | null;
}

/**
 * Wrong tries, counted before they are looked at and in the database, so that a hundred at once or at several
 * servers count alike. Too many wait; a known screen waits for its own alone, so that nobody locks the shop out.
 */
export class Tries {
  private readonly limiters: ReadonlyMap<Patience, RateLimiterPostgres>;

  constructor(db: Database) {
    const of = (is: Patience) =>
      new RateLimiterPostgres({
        storeClient: db.sequelize,
        storeType: 'sequelize',
        tableName: 'door_try',
        tableCreated: true,
        keyPrefix: is.name,
        points: is.wrong,
        duration: is.withinS,
        blockDuration: is.waitS,
      });
    this.limiters = new Map([PERSON_HERE, PERSON_DAY, PLACE, ANYWHERE].map((is) => [is, of(is)] as const));
  }

  /** Whether `right` is so. Throws Problem `too-often` before it looks, where too many were wrong. */
  async look(who: string, { address, deviceId }: TryFrom, right: () => Promise<boolean>): Promise<boolean> {
    const place = deviceId === null ? address : `device ${deviceId}`;
    const both = `${who} ${place}`;
    const own: [Patience, string][] = [
      [PERSON_HERE, both],
      [PERSON_DAY, both],
    ];
    const strange: [Patience, string][] = [
      [PLACE, place],
      [ANYWHERE, who],
    ];
    const counts = deviceId === null ? [...own, ...strange] : own;
    for (const [is, key] of counts) await this.count(is, key);
    if (!(await right())) return false;
    await this.limiters.get(PERSON_HERE)?.delete(both);
    for (const [is, key] of counts.slice(1)) await this.limiters.get(is)?.reward(key);
    return true;
  }

  private async count(is: Patience, key: string): Promise<void> {
    try {
      await this.limiters.get(is)?.consume(key);
    } catch (refused) {
      if (!(refused instanceof RateLimiterRes)) throw refused;
      const says = `That was wrong too often. Try again in ${waitSays(refused.msBeforeNext)}.`;
      throw new Problem('too-often', says, [], undefined, { retryAfterS: Math.ceil(refused.msBeforeNext / 1000) });
    }
  }
}

/** A wait as a person hears it. */
function waitSays(ms: number): string {
  const seconds = Math.max(1, Math.ceil(ms / 1000));
  if (seconds < 120) return seconds === 1 ? 'a second' : `${seconds} seconds`;
  const minutes = Math.ceil(seconds / 60);
  return minutes < 120 ? `${minutes} minutes` : `${Math.ceil(minutes / 60)} hours`;
}
