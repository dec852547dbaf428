import { QueryTypes } from 'sequelize';
import type { CounterBook, RackRow } from '@odontis/contract/ticket';
import type { PastTime } from '@odontis/core/shop/pace';
import { learnedHere } from '../learning/service';
import { paceOf } from '@odontis/core/shop/pace';
import type { Pace } from '@odontis/core/work/reckon-work';
import type { Database } from '../../database/connect';
import { readRack } from './rack';
import type { Walked } from './time-of-walk';
import { timeOf } from './time-of-walk';

/** A filer's pace is taken from so many of their latest saws. */
const LATEST_SAWS = 25;

/** A person's own pace: the vise's marks against their plans, and hours written down against what the counter reckoned. */
export async function readPace(db: Database, person: number): Promise<Pace> {
  const [walks, jobs] = await Promise.all([
    db.sequelize.query<Walked>(
      `SELECT p.body, e.stops, e.at, e.how FROM plan p
         JOIN LATERAL (SELECT array_agg(stop ORDER BY happened_at, stop) AS stops, array_agg(extract(epoch FROM happened_at) * 1000 ORDER BY happened_at, stop)::float8[] AS at,
                              array_agg(how ORDER BY happened_at, stop) AS how
                         FROM bench_event WHERE plan_id = p.id AND person_id = :person AND action = 'done') e ON e.stops IS NOT NULL
        ORDER BY p.id DESC LIMIT ${LATEST_SAWS}`,
      { type: QueryTypes.SELECT, replacements: { person } },
    ),
    db.sequelize.query<PastTime>(
      `SELECT (minutes_low + minutes_high) / 2 AS "reckonedMinutes", minutes_taken AS "takenMinutes" FROM ticket
        WHERE worked_by = :person AND minutes_low IS NOT NULL ORDER BY id DESC LIMIT ${LATEST_SAWS}`,
      { type: QueryTypes.SELECT, replacements: { person } },
    ),
  ]);
  const own = paceOf([...walks.map(timeOf), ...jobs]);
  // Who has no past works as the others of the shop do, where that was learned.
  return own.saws > 0 ? own : ((await learnedHere(db)).minutes ?? own);
}

/** Minutes still to be worked on a saw of the rack. */
export function minutesLeft(row: Pick<RackRow, 'stage' | 'minutes' | 'stops' | 'stopsDone' | 'waitsFor'>): number {
  if (row.stage === 'handover' || row.stage === 'check' || row.waitsFor === 'grinder') return 0;
  return (row.minutes ?? 0) * (row.stops > 0 ? 1 - row.stopsDone / row.stops : 1);
}

/** What the counter promises against: the bench's load by day, and the pace of who is at the screen. */
export async function readCounterBook(db: Database, person: number): Promise<CounterBook> {
  const [rack, pace] = await Promise.all([readRack(db), readPace(db, person)]);
  return {
    pace,
    due: rack
      .map((row) => ({ ticket: row.id, day: row.promisedOn, minutes: minutesLeft(row) }))
      .filter((d) => d.minutes > 0),
  };
}
