import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { ReadingReason, SawCorrection } from '@odontis/contract/corrections';
import type { Database } from '../../database/connect';

/** What was put right of a saw, on whatever visit, the earliest first. */
export async function readCorrections(
  db: Database,
  sawId: number,
  transaction?: Transaction,
): Promise<SawCorrection[]> {
  const rows = await db.sequelize.query<Omit<SawCorrection, 'at'> & { readonly at: Date }>(
    `SELECT c.id, c.before, c.after, c.why, p.name AS by, c.at, t.number AS ticket
       FROM saw_correction c JOIN person p ON p.id = c.person_id JOIN ticket t ON t.id = c.ticket_id
      WHERE c.saw_id = :sawId ORDER BY c.id`,
    { type: QueryTypes.SELECT, replacements: { sawId }, transaction },
  );
  return rows.map(({ at, ...one }) => ({ ...one, at: at.toISOString() }));
}

/** Why readings of a ticket were corrected or taken out after their session was closed. */
export const readReasons = (db: Database, ticketId: number, transaction?: Transaction): Promise<ReadingReason[]> =>
  db.sequelize.query<ReadingReason>(
    `SELECT r.evidence_key AS key, r.why FROM reading_reason r JOIN evidence e ON e.key = r.evidence_key
       JOIN session s ON s.id = e.session_id WHERE s.ticket_id = :ticketId ORDER BY e.taken`,
    { type: QueryTypes.SELECT, replacements: { ticketId }, transaction },
  );
