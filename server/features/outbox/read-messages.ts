import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Message, OutboxMessage } from '@odontis/contract/notes';
import type { Database } from '../../database/connect';

type Told = Omit<OutboxMessage, 'at' | 'sentAt'> & { at: Date; sentAt: Date | null };
const MESSAGES = `SELECT m.id, m.kind, m.sent_to AS "sentTo", m.body, m.state, o.name AS by, m.written_at AS at, m.sent_at AS "sentAt",
       t.id AS "ticketId", t.number, c.name AS customer
  FROM message m JOIN person o ON o.id = m.written_by JOIN ticket t ON t.id = m.ticket_id
  JOIN saw s ON s.id = t.saw_id JOIN customer c ON c.id = s.customer_id`;
const told = (row: Told): OutboxMessage => ({
  ...row,
  at: row.at.toISOString(),
  sentAt: row.sentAt?.toISOString() ?? null,
});

/** Notes written about one ticket, oldest first. */
export async function readMessages(db: Database, ticketId: number, t?: Transaction): Promise<Message[]> {
  const rows = await db.sequelize.query<Told>(`${MESSAGES} WHERE m.ticket_id = :ticketId ORDER BY m.id`, {
    type: QueryTypes.SELECT,
    replacements: { ticketId },
    transaction: t,
  });
  return rows.map(told);
}

/** What the outbox holds, the newest first; more than these are not shown. */
export async function readOutbox(db: Database): Promise<OutboxMessage[]> {
  const rows = await db.sequelize.query<Told>(`${MESSAGES} ORDER BY m.id DESC LIMIT 300`, { type: QueryTypes.SELECT });
  return rows.map(told);
}
