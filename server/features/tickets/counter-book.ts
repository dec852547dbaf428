import { QueryTypes } from 'sequelize';
import type { CounterBook, RackRow } from '@odontis/contract/ticket';
import type { ShopsPast } from '@odontis/core/shop/judge-intake';
import type { PastEstimate } from '@odontis/core/shop/supposed-work';
import type { Database } from '../../database/connect';
import { learnedHere } from '../learning/service';
import { readRack } from './rack';

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

/** What the counter promises and reckons with: the bench's load by day, and how past estimates stood to their plans. */
export async function readCounterBook(db: Database): Promise<CounterBook> {
  const [rack, past] = await Promise.all([readRack(db), readPast(db)]);
  return {
    past,
    due: rack
      .map((row) => ({ ticket: row.id, day: row.promisedOn, minutes: minutesLeft(row) }))
      .filter((d) => d.minutes > 0),
  };
}
