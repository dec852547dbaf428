import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { KeptReading } from '@odontis/core/evidence/reading';
import type { Session, SessionHead } from '@odontis/core/evidence/session';
import type { Database } from '../../database/connect';
import type { SessionRow } from './model';

export const toHead = (row: SessionRow, nameOf: (id: number) => string): SessionHead => ({
  key: row.key,
  kind: row.kind,
  by: nameOf(row.startedBy),
  startedAt: row.startedAt.toISOString(),
  finishedAt: row.finishedAt?.toISOString() ?? null,
  note: row.note,
});

interface Row {
  readonly sessionId: number;
  readonly reading: Omit<KeptReading, 'by' | 'at'>;
  readonly by: number;
  readonly at: Date;
  readonly taken: number;
}

/**
 * Every session of a ticket in the order begun, with its readings in the order taken, and the
 * number of the last; those taken after the `since`-th only. The database builds each reading: thousands of rows pass through no model.
 */
export async function readSessions(
  db: Database,
  ticketId: number,
  nameOf: (id: number) => string,
  transaction?: Transaction,
  since = 0,
): Promise<{ sessions: Session[]; seen: number }> {
  const rows = await db.models.Session.findAll({ where: { ticketId }, order: ['startedAt', 'id'], transaction });
  if (rows.length === 0) return { sessions: [], seen: since };
  const readings = await db.sequelize.query<Row>(
    `SELECT e.session_id AS "sessionId", e.taken, e.taken_by AS by, e.taken_at AS at,
            jsonb_build_object('key', e.key, 'quantity', e.quantity, 'part', e.part, 'place', e.place,
              'value', COALESCE(to_jsonb(e.value_mm), to_jsonb(e.value_word), e.value_angles), 'gauge', e.gauge,
              'setAside', e.set_aside, 'corrects', e.corrects, 'simulated', e.simulated) AS reading
       FROM evidence e JOIN session s ON s.id = e.session_id WHERE s.ticket_id = :ticketId AND e.taken > :since ORDER BY e.session_id, e.taken`,
    { type: QueryTypes.SELECT, replacements: { ticketId, since }, transaction },
  );
  const bySession = new Map<number, KeptReading[]>(rows.map((row) => [row.id, []]));
  let seen = since;
  for (const { sessionId, reading, by, at, taken } of readings) {
    bySession.get(sessionId)?.push({ ...reading, by: nameOf(by), at: at.toISOString() } as KeptReading);
    seen = Math.max(seen, taken);
  }
  return { sessions: rows.map((row) => ({ ...toHead(row, nameOf), readings: bySession.get(row.id) ?? [] })), seen };
}
