import type { Transaction } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { NewPreparation } from '@odontis/contract/preparing';
import { judgedAfter, staysBent } from '@odontis/core/work/stays-bent';
import type { Database } from '../../database/connect';
import { refuseAway } from '../outwork/read-outwork';
import { readDossier } from '../tickets/dossier';
import type { TicketRow } from '../tickets/model';
import { changeTicket, refuseStale } from '../tickets/hold';

/** Something done to a saw before its order is made: the order continues from it. */
export async function keepPreparation(
  db: Database,
  ticketId: number,
  { version, ...done }: NewPreparation,
  by: number,
): Promise<Dossier> {
  const known = await db.models.Preparation.findOne({ where: { key: done.key } });
  if (known) return readDossier(db, known.ticketId);
  return changeTicket(db, ticketId, ['measure', 'plan'], async (row, t) => {
    if (await db.models.Preparation.findOne({ where: { key: done.key }, transaction: t })) return;
    await refuseStale(db, row, version, t);
    await refuseAway(db, ticketId, t);
    await db.models.Preparation.create({ ...done, ticketId, personId: by }, { transaction: t });
    await row.update({ ...(await judgedNow(db, row, t)), version: row.version + 1 }, { transaction: t });
  });
}

/** A ticket's reasons and verdict with what straightening came to, before measuring and at the vise. */
export async function judgedNow(
  db: Database,
  row: TicketRow,
  t: Transaction,
): Promise<Pick<TicketRow, 'reasons' | 'verdict'>> {
  const { plan, earlier, preparations } = await readDossier(db, row.id, t);
  return judgedAfter(row.reasons, staysBent(preparations, [...earlier, ...(plan ? [plan] : [])]));
}
