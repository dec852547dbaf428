import { QueryTypes } from 'sequelize';
import type { RackRow } from '@odontis/contract/ticket';
import type { Database } from '../../database/connect';

/** Every open ticket by promised day, earliest first. */
export function readRack(db: Database): Promise<RackRow[]> {
  return db.sequelize.query<RackRow>(
    `SELECT t.id, t.number, t.stage, t.promised_on::text AS "promisedOn", c.name AS customer, s.name AS saw, s.family, s.pitch_mm AS "pitchMm",
            COALESCE(p.minutes, (e.minutes_low + e.minutes_high) / 2) AS minutes, p.id IS NOT NULL AS planned,
            COALESCE(p.stops, 0) AS stops, COALESCE(d.done, 0)::int AS "stopsDone", t.opened_at::date::text AS "openedOn",
            t.waits_for AS "waitsFor", t.waits_note AS "waitsNote", array_remove(ARRAY[t.opened_by, p.accepted_by, t.worked_by], NULL) AS hands
       FROM ticket t JOIN saw s ON s.id = t.saw_id JOIN customer c ON c.id = s.customer_id
       LEFT JOIN LATERAL (SELECT id, minutes, stops, accepted_by FROM plan WHERE ticket_id = t.id ORDER BY number DESC LIMIT 1) p ON true
       LEFT JOIN price_word e ON e.ticket_id = t.id AND e.kind = 'estimate'
       LEFT JOIN LATERAL (SELECT count(*) AS done FROM bench_mark WHERE plan_id = p.id) d ON true
      WHERE t.closed_at IS NULL ORDER BY t.promised_on, t.number LIMIT 2000`,
    { type: QueryTypes.SELECT },
  );
}
