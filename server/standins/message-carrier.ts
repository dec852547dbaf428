import type { OutboxMessage } from '@odontis/contract/notes';
import type { Database } from '../database/connect';
import { readOutbox } from '../features/outbox/read-messages';

/**
 * Stand-in for whoever would carry notes to customers: it takes every waiting
 * note as a carrier would and marks it sent. Nothing leaves this machine.
 */
export async function carryMessages(db: Database): Promise<OutboxMessage[]> {
  await db.models.Message.update({ state: 'sent', sentAt: new Date() }, { where: { state: 'waiting' } });
  return readOutbox(db);
}
