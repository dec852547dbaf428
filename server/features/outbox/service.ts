import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { Message, NewMessage, OutboxMessage } from '@odontis/contract/notes';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { readDossier } from '../tickets/dossier';

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

/** A note to the customer into the outbox. A question makes the ticket wait for its answer. */
export function writeMessage(db: Database, ticketId: number, message: NewMessage, by: number): Promise<Dossier> {
  return db.sequelize.transaction(async (t) => {
    const row = await db.models.Ticket.findByPk(ticketId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!row) throw new Problem('not-found', 'There is no such ticket.');
    if (message.kind === 'ready' && row.stage !== 'handover')
      throw new Problem(
        'wrong-stage',
        'This saw is not ready to hand over: tell nobody to come for it yet.',
        [],
        await readDossier(db, ticketId, t),
      );
    if (message.kind === 'question' && row.closedAt !== null)
      throw new Problem(
        'wrong-stage',
        'This ticket has ended: a question would wait for ever.',
        [],
        await readDossier(db, ticketId, t),
      );
    await db.models.Message.create({ ...message, ticketId, writtenBy: by }, { transaction: t });
    if (message.kind === 'question')
      await row.update(
        { waitsFor: 'customer', waitsNote: message.body.slice(0, 300), version: row.version + 1 },
        { transaction: t },
      );
    return readDossier(db, ticketId, t);
  });
}
