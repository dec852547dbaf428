import type { OutboxMessage } from '@odontis/contract/notes';
import type { Database } from '../database/connect';
import { readOutbox } from '../features/outbox/read-messages';

/**
 * Notes that say what is not so any more: a saw said to be ready that is not, a price that was spoken of since, a
 * question on a ticket that ended. They are kept and not sent.
 */
const OVERTAKEN = `
  UPDATE message m SET state = 'overtaken' FROM ticket t
   WHERE t.id = m.ticket_id AND m.state = 'waiting' AND (
         (m.kind IN ('ready', 'price') AND EXISTS (
            SELECT 1 FROM price_word w WHERE w.ticket_id = t.id AND w.id > COALESCE(m.price_word_id, 0) AND w.at > m.written_at))
      OR (m.kind = 'ready' AND t.stage <> 'handover')
      OR (m.kind = 'price' AND t.closed_at IS NOT NULL)
      OR (m.kind = 'question' AND t.closed_at IS NOT NULL))`;

/**
 * Stand-in for whoever would carry notes to customers: it takes every waiting
 * note as a carrier would and marks it sent. Nothing leaves this machine.
 */
export async function carryMessages(db: Database): Promise<OutboxMessage[]> {
  await db.sequelize.query(OVERTAKEN);
  await db.models.Message.update({ state: 'sent', sentAt: new Date() }, { where: { state: 'waiting' } });
  return readOutbox(db);
}
