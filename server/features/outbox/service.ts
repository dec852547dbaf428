import type { Dossier } from '@odontis/contract/dossier';
import type { NewMessage } from '@odontis/contract/notes';
import type { Database } from '../../database/connect';
import { firstOfKey } from '../../database/made-once';
import { Problem } from '../../http/problem';
import { readPrices } from '../money/price-words';
import { readDossier } from '../tickets/dossier';

/** A note to the customer into the outbox. A question makes the ticket wait for its answer. */
export function writeMessage(
  db: Database,
  ticketId: number,
  { key, ...message }: NewMessage & { readonly key: string },
  by: number,
): Promise<Dossier> {
  return db.sequelize.transaction(async (t) => {
    const row = await db.models.Ticket.findByPk(ticketId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!row) throw new Problem('not-found', 'There is no such ticket.');
    if (!(await firstOfKey(db, 'message', key, t))) return readDossier(db, ticketId, t);
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
    if (message.kind === 'price')
      throw new Problem('bad-input', 'A new price is quoted where its answer is kept: with the price of the ticket.');
    const told = (await readPrices(db, ticketId, t)).at(-1)?.id ?? null;
    await db.models.Message.create({ ...message, ticketId, writtenBy: by, priceWordId: told }, { transaction: t });
    if (message.kind === 'question')
      await row.update(
        { waitsFor: 'customer', waitsNote: message.body.slice(0, 300), version: row.version + 1 },
        { transaction: t },
      );
    return readDossier(db, ticketId, t);
  });
}
