import type { Transaction } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { Stage } from '@odontis/contract/ticket';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { readDossier } from './dossier';
import type { TicketRow } from './model';

const STAGE_WORDS: Record<Stage, string> = {
  measure: 'waiting to be measured',
  plan: 'waiting for a plan',
  bench: 'at the bench',
  check: 'being checked',
  handover: 'ready to hand over',
  closed: 'closed',
  declined: 'declined',
};

/** The ticket's row, locked, at one of the wanted stages. */
export async function holdTicket(
  db: Database,
  id: number,
  stages: readonly Stage[],
  t: Transaction,
): Promise<TicketRow> {
  const row = await db.models.Ticket.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
  if (!row) throw new Problem('not-found', 'There is no such ticket.');
  if (!stages.includes(row.stage)) {
    throw new Problem(
      'wrong-stage',
      `This ticket is ${STAGE_WORDS[row.stage]}; that cannot be changed any more here.`,
      [],
      await readDossier(db, id, t),
    );
  }
  return row;
}

/** Refuse with the record as it stands when it was changed since `seen`. */
export async function refuseStale(db: Database, row: TicketRow, seen: number, t: Transaction): Promise<void> {
  if (row.version !== seen) {
    throw new Problem(
      'edited-elsewhere',
      'This ticket was changed by somebody else meanwhile.',
      [],
      await readDossier(db, row.id, t),
    );
  }
}

/** One change of a ticket: locked, in a transaction, answered with the whole dossier. */
export function changeTicket(
  db: Database,
  id: number,
  stages: readonly Stage[],
  change: (row: TicketRow, t: Transaction) => Promise<void>,
): Promise<Dossier> {
  return db.sequelize.transaction(async (t) => {
    const row = await holdTicket(db, id, stages, t);
    await change(row, t);
    return readDossier(db, id, t);
  });
}
