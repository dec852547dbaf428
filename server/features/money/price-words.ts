import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { PriceWord } from '@odontis/core/money/price-chain';
import { heldFrom, priceStanding } from '@odontis/core/money/price-chain';
import type { WorkOrder } from '@odontis/core/work/order';
import { readOrder } from '@odontis/core/work/read-order';
import { minutesAtStop, walkOf } from '@odontis/core/work/step';
import type { Database } from '../../database/connect';
import type { TicketRow } from '../tickets/model';
import type { PriceWordRow } from './model';

/** A word as it is added, with who gave it and what was noted. */
export interface NewWord extends Pick<PriceWordRow, 'ticketId' | 'kind' | 'low' | 'high' | 'personId'> {
  readonly key?: string;
  readonly minutesLow?: number | null;
  readonly minutesHigh?: number | null;
  readonly minutesLikely?: number | null;
  readonly planId?: number | null;
  readonly outworkId?: number | null;
  readonly quote?: string | null;
  readonly wordBy?: PriceWordRow['wordBy'];
  readonly said?: string;
  readonly note?: string;
}

/** Adds a word to a ticket's price. */
export async function addWord(
  db: Database,
  { said = '', note = '', ...word }: NewWord,
  t: Transaction,
): Promise<number> {
  const row = await db.models.PriceWord.create({ ...word, key: word.key ?? randomUUID() }, { transaction: t });
  if (said !== '' || note !== '')
    await db.models.PriceSaid.create({ priceWordId: row.id, said, note }, { transaction: t });
  return row.id;
}

/** Everything said of a ticket's price, in the order it was said. */
export async function readPrices(db: Database, ticketId: number, transaction?: Transaction): Promise<PriceWord[]> {
  const rows = await db.sequelize.query<Omit<PriceWord, 'at'> & { at: Date }>(
    `SELECT w.id, w.kind, w.low, w.high, w.minutes_low AS "minutesLow", w.minutes_high AS "minutesHigh", w.minutes_likely AS "minutesLikely",
            p.number AS plan, w.quote, w.word_by AS "wordBy", COALESCE(s.said, '') AS said, COALESCE(s.note, '') AS note, o.name AS by, w.at
       FROM price_word w JOIN person o ON o.id = w.person_id LEFT JOIN plan p ON p.id = w.plan_id
       LEFT JOIN price_said s ON s.price_word_id = w.id WHERE w.ticket_id = :ticketId ORDER BY w.id`,
    { type: QueryTypes.SELECT, replacements: { ticketId }, transaction },
  );
  return rows.map(({ at, ...word }) => ({ ...word, at: at.toISOString() }));
}

/** The first stop of an order that the price holds back as it stands; null where none is, or the owner waived it. */
export function heldBy(chain: readonly PriceWord[], order: WorkOrder): number | null {
  const { over, upTo, waived, live } = priceStanding(chain);
  if (over === 0 || waived || (live?.kind !== 'plan' && live?.kind !== 'outwork')) return null;
  const stopMinutes = walkOf(order.steps).map((stop) => minutesAtStop(order.steps[stop.step]));
  const minutesBefore = Math.max(0, (live.minutesHigh ?? order.minutes) - order.minutes);
  return heldFrom({ stopMinutes, amount: live.high, minutesBefore }, upTo);
}

/** Sets from where a ticket's work is held back, after a word was said of its price. */
export async function holdWork(db: Database, row: TicketRow, t: Transaction): Promise<void> {
  const plan = await db.models.Plan.findOne({
    where: { ticketId: row.id },
    order: [['number', 'DESC']],
    transaction: t,
  });
  const held = plan ? heldBy(await readPrices(db, row.id, t), readOrder(plan.body)) : null;
  await row.update({ heldFrom: held }, { transaction: t });
}
