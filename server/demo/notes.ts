import type { DateTime } from 'luxon';
import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { MessageKind } from '@odontis/contract/notes';
import type { Database } from '../database/connect';

/** What customers were told lately: those whose saw is ready, those who were asked, those refused. */
export async function loadNotes(db: Database, today: DateTime, transaction: Transaction): Promise<void> {
  const rows = await db.sequelize.query<{
    id: number;
    kind: MessageKind;
    sentTo: string;
    body: string;
    openedBy: number;
  }>(
    `SELECT t.id, c.phone AS "sentTo", t.opened_by AS "openedBy",
            CASE WHEN t.stage = 'handover' THEN 'ready' WHEN t.stage = 'declined' THEN 'refusal' ELSE 'question' END AS kind,
            c.name || CASE WHEN t.stage = 'handover' THEN ': no. ' || t.number || ' is ready; keep the guard on.'
                           WHEN t.stage = 'declined' THEN ': we cannot take on no. ' || t.number || '. ' || (t.reasons->0->>'says')
                           ELSE ': ' || t.waits_note END AS body
       FROM ticket t JOIN saw s ON s.id = t.saw_id JOIN customer c ON c.id = s.customer_id
      WHERE t.stage = 'handover' OR t.waits_for = 'customer' OR (t.stage = 'declined' AND t.opened_at > now() - interval '14 days') ORDER BY t.number`,
    { type: QueryTypes.SELECT, transaction },
  );
  await db.models.Message.bulkCreate(
    rows.map(({ id, openedBy, ...note }, i) => ({
      ...note,
      ticketId: id,
      writtenBy: openedBy,
      writtenAt: today.minus({ days: 1 }).plus({ hours: 16, minutes: i }).toJSDate(),
      ...(i % 4 !== 3 && {
        state: 'sent' as const,
        sentAt: today.minus({ days: 1 }).plus({ hours: 17 }).toJSDate(),
      }),
    })),
    { transaction },
  );
}
