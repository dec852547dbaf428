import type { Transaction } from 'sequelize';
import type { Handover } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import { readOrder } from '@odontis/core/work/read-order';
import { sawAfter } from '@odontis/core/work/saw-after';
import type { Database } from '../../database/connect';
import { toSaw, toSawRow } from '../customers/service';
import { changeTicket, refuseStale } from '../tickets/hold';

/** The book knows the saw as it leaves: converted, or with its new teeth. */
async function keepSawAsLeft(db: Database, sawId: number, ticketId: number, t: Transaction): Promise<void> {
  const plan = await db.models.Plan.findOne({ where: { ticketId }, order: [['number', 'DESC']], transaction: t });
  if (plan?.work !== 'convert' && plan?.work !== 'retooth') return;
  const kept = await db.models.Saw.findByPk(sawId, { transaction: t, rejectOnEmpty: true });
  await kept.update(toSawRow(sawAfter(toSaw(kept), readOrder(plan.body))), { transaction: t });
}

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
    await keepSawAsLeft(db, row.sawId, ticketId, t);
  });
}
