import type { Learning } from '@odontis/contract/learning';
import { setImmediate as turn } from 'node:timers/promises';
import type { Learned } from '@odontis/core/learn/learned';
import { LESSONS, NOTHING_LEARNED } from '@odontis/core/learn/learned';
import type { Lesson } from '@odontis/core/learn/lesson';
import type { ShopPairs } from '@odontis/core/learn/shop-lessons';
import { inForce, shopLesson } from '@odontis/core/learn/shop-lessons';
import type { Database } from '../../database/connect';
import { readShop } from '../shop/service';
import { readPairs } from './read-pairs';

interface Taught {
  readonly lessons: readonly Lesson[];
  readonly pairs: ShopPairs;
  readonly learned: Learned;
}

/** What was learned stands so long before it is looked at again: a pair more hardly changes it. ms. */
const STANDS_MS = 60_000;
/** Pairs that are sent for the picture. */
const SHOWN = 120;

const taught = new WeakMap<Database, { readonly atMs: number; readonly what: Promise<Taught> }>();

async function teach(db: Database): Promise<Taught> {
  const [pairs, { book }] = await Promise.all([readPairs(db), readShop(db)]);
  const lessons: Lesson[] = [];
  // One at a turn of the loop: each takes some milliseconds, jumps most.
  for (const id of LESSONS) {
    lessons.push(shopLesson(id, pairs));
    await turn();
  }
  return { lessons, pairs, learned: inForce(lessons, book.putBack ?? []) };
}

/** Worked out once a minute at the most, whoever asks; a failure is not remembered. */
function known(db: Database): Promise<Taught> {
  const held = taught.get(db);
  if (held && Date.now() - held.atMs < STANDS_MS) return held.what;
  const what = teach(db);
  taught.set(db, { atMs: Date.now(), what });
  what.catch(() => taught.delete(db));
  return what;
}

/** What is in force of what this shop learned; the tables where that cannot be worked out: nothing waits for a lesson. */
export const learnedHere = (db: Database): Promise<Learned> =>
  known(db).then(
    ({ learned }) => learned,
    () => NOTHING_LEARNED,
  );

/** Worked out anew the next time it is asked for. */
export const forgetLearned = (db: Database): void => void taught.delete(db);

/** Everything the shop learned, foretold against found, as the shop book tells it. */
export async function readLearning(db: Database): Promise<Learning> {
  const { lessons, pairs } = await known(db);
  return {
    lessons: lessons.map(({ sinceMs, ...lesson }) => ({
      ...lesson,
      since: sinceMs === null ? null : new Date(sinceMs).toISOString(),
      latest: pairs[lesson.id].slice(0, SHOWN).map(({ foretold, found }) => ({ foretold, found })),
    })),
  };
}
