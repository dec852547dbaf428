import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Photograph } from '@odontis/contract/notes';
import type { Database } from '../../database/connect';

/** The photographs beside a ticket, without their bytes. */
export async function readPhotographs(db: Database, ticketId: number, t?: Transaction): Promise<Photograph[]> {
  const rows = await db.sequelize.query<Omit<Photograph, 'at'> & { at: Date }>(
    `SELECT p.id, p.caption, p.width_px AS "widthPx", p.height_px AS "heightPx", o.name AS by, p.taken_at AS at
       FROM photograph p JOIN person o ON o.id = p.taken_by WHERE p.ticket_id = :ticketId ORDER BY p.id`,
    { type: QueryTypes.SELECT, replacements: { ticketId }, transaction: t },
  );
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
}
