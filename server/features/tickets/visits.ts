import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Visit } from '@odontis/contract/ticket';
import type { Database } from '../../database/connect';

export interface SawVisit {
  readonly sawId: number;
  readonly visit: Visit;
}

/** More visits than this are never shown on one page. */
const MOST_VISITS = 1000;

/** Visits of one saw, or of all of one customer's saws, newest first. */
export async function readVisits(
  db: Database,
  of: { readonly sawId: number } | { readonly customerId: number },
  transaction?: Transaction,
): Promise<SawVisit[]> {
  const rows = await db.sequelize.query<
    Omit<Visit, 'openedAt' | 'closedAt'> & { sawId: number; openedAt: Date; closedAt: Date | null }
  >(
    `SELECT t.saw_id AS "sawId", t.id, t.number, t.stage, t.opened_at AS "openedAt", t.closed_at AS "closedAt", t.complaint,
            p.depth_mm AS "depthMm", p.work, o.name AS by
       FROM ticket t JOIN saw s ON s.id = t.saw_id JOIN person o ON o.id = COALESCE(t.closed_by, t.opened_by)
       LEFT JOIN LATERAL (SELECT depth_mm, work FROM plan WHERE ticket_id = t.id ORDER BY number DESC LIMIT 1) p ON true
      WHERE ${'sawId' in of ? 't.saw_id = :sawId' : 's.customer_id = :customerId'}
      ORDER BY t.opened_at DESC LIMIT ${MOST_VISITS}`,
    { type: QueryTypes.SELECT, replacements: { ...of }, transaction },
  );
  return rows.map(({ sawId, openedAt, closedAt, ...visit }) => ({
    sawId,
    visit: { ...visit, openedAt: openedAt.toISOString(), closedAt: closedAt?.toISOString() ?? null },
  }));
}
