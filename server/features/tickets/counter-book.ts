import { QueryTypes } from 'sequelize';
import type { CounterBook, RackRow } from '@odontis/contract/ticket';
import type { ShopsPast } from '@odontis/core/shop/judge-intake';
import type { PastEstimate } from '@odontis/core/shop/supposed-work';
import { paceOf } from '@odontis/core/shop/pace';
import type { Pace } from '@odontis/core/work/shop-pace';
import type { Database } from '../../database/connect';
import { learnedHere } from '../learning/service';
import { readRack } from './rack';
import type { Walked } from './time-of-walk';
import { timeOf } from './time-of-walk';

/** So many of the shop's latest estimates that came to a plan are looked at, of each family. */
const LATEST_OF_FAMILY = 40;

/** Estimates of the counter beside the first plan they came to, the latest of each family. */
function readPast(db: Database): Promise<PastEstimate[]> {
  return db.sequelize.query<PastEstimate>(
    `SELECT family, looked, likely AS "likelyMinutes", planned AS "plannedMinutes" FROM (
       SELECT s.family, t.line_look <> 'not-looked' AS looked, e.minutes_likely AS likely, p.minutes_likely AS planned,
              row_number() OVER (PARTITION BY s.family, t.line_look <> 'not-looked' ORDER BY t.id DESC) AS n
         FROM ticket t JOIN saw s ON s.id = t.saw_id
         JOIN price_word e ON e.ticket_id = t.id AND e.kind = 'estimate' AND e.minutes_likely > 0
         JOIN LATERAL (SELECT minutes_likely FROM price_word WHERE ticket_id = t.id AND kind = 'plan' ORDER BY id LIMIT 1) p ON p.minutes_likely > 0
     ) told WHERE n <= ${LATEST_OF_FAMILY} ORDER BY family, looked, n`,
    { type: QueryTypes.SELECT },
  );
}

/** What of this shop's own past the counter reckons with. */
export async function readShopsPast(db: Database): Promise<ShopsPast> {
  const [learned, past] = await Promise.all([learnedHere(db), readPast(db)]);
  return { learned, past };
}

/** Minutes still to be worked on a saw of the rack. */
export function minutesLeft(row: Pick<RackRow, 'stage' | 'minutes' | 'stops' | 'stopsDone' | 'waitsFor'>): number {
  if (row.stage === 'handover' || row.stage === 'check' || row.waitsFor === 'grinder') return 0;
  return (row.minutes ?? 0) * (row.stops > 0 ? 1 - row.stopsDone / row.stops : 1);
}

/** A filer's pace is taken from so many of their latest saws. */
const LATEST_SAWS = 25;

/** A person's own pace: the vise's marks against their plans; the shop's where they have no past. */
async function readPace(db: Database, person: number): Promise<Pace> {
  const walks = await db.sequelize.query<Walked>(
    `SELECT p.body, e.stops, e.at, e.how FROM plan p
       JOIN LATERAL (SELECT array_agg(stop ORDER BY happened_at, stop) AS stops, array_agg(extract(epoch FROM happened_at) * 1000 ORDER BY happened_at, stop)::float8[] AS at,
                            array_agg(how ORDER BY happened_at, stop) AS how
                       FROM bench_event WHERE plan_id = p.id AND person_id = :person AND action = 'done') e ON e.stops IS NOT NULL
      ORDER BY p.id DESC LIMIT ${LATEST_SAWS}`,
    { type: QueryTypes.SELECT, replacements: { person } },
  );
  const own = paceOf(walks.map(timeOf));
  return own.saws > 0 ? own : ((await learnedHere(db)).minutes ?? own);
}

/** What the counter promises and reckons with, and the pace of who is at the screen. */
export async function readCounterBook(db: Database, person: number): Promise<CounterBook> {
  const [rack, past, pace] = await Promise.all([readRack(db), readPast(db), readPace(db, person)]);
  return {
    past,
    pace,
    due: rack
      .map((row) => ({ ticket: row.id, day: row.promisedOn, minutes: minutesLeft(row) }))
      .filter((d) => d.minutes > 0),
  };
}
