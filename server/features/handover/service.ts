import type { Handover } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import type { Database } from '../../database/connect';
import { changeTicket, refuseStale } from '../tickets/hold';

/** The saw goes back to its owner: the ticket is closed with what was charged and said. */
export function closeTicket(db: Database, ticketId: number, handover: Handover, by: number): Promise<Dossier> {
  return changeTicket(db, ticketId, ['handover'], async (row, t) => {
    await refuseStale(db, row, handover.version, t);
    await row.update(
      {
        stage: 'closed',
        version: row.version + 1,
        closedBy: by,
        closedAt: new Date(),
        charged: handover.charged,
        handoverNote: handover.note,
      },
      { transaction: t },
    );
  });
}
