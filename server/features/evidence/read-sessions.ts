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

/** A reading as the database sends it: its columns in a row, the moment in seconds. */
type Sent = readonly [
  taken: number,
  by: number,
  at: number,
  key: string,
  quantity: string,
  part: string | null,
  place: number,
  valueMm: number | null,
  valueWord: string | null,
  valueAngles: object | null,
  gauge: string,
  setAside: boolean,
  corrects: string | null,
  simulated: boolean,
];

/**
 * Every session of a ticket in the order begun, with its readings in the order taken, and the
 * number of the last; those taken after the `since`-th only. Thousands of readings come as one JSON of bare
 * rows: naming every column in every row took three times as long.
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
  const sent = await db.sequelize.query<{ sessionId: number; readings: readonly Sent[] }>(
    `SELECT e.session_id AS "sessionId",
            json_agg(json_build_array(e.taken, e.taken_by, extract(epoch FROM e.taken_at), e.key, e.quantity, e.part, e.place,
              e.value_mm, e.value_word, e.value_angles, e.gauge, e.set_aside, e.corrects, e.simulated) ORDER BY e.taken) AS readings
       FROM evidence e JOIN session s ON s.id = e.session_id WHERE s.ticket_id = :ticketId AND e.taken > :since GROUP BY e.session_id`,
    { type: QueryTypes.SELECT, replacements: { ticketId, since }, transaction },
  );
  let seen = since;
  const bySession = new Map<number, KeptReading[]>();
  for (const { sessionId, readings } of sent) {
    bySession.set(
      sessionId,
      readings.map((row): KeptReading => {
        seen = Math.max(seen, row[0]);
        return toReading(row, nameOf);
      }),
    );
  }
  return { sessions: rows.map((row) => ({ ...toHead(row, nameOf), readings: bySession.get(row.id) ?? [] })), seen };
}

/** The database holds each quantity to its kind of value, as the contract does. */
function toReading(
  [, by, at, key, quantity, part, place, valueMm, valueWord, valueAngles, gauge, setAside, corrects, simulated]: Sent,
  nameOf: (id: number) => string,
): KeptReading {
  const value = valueMm ?? valueWord ?? valueAngles;
  const reading = { key, quantity, part, place, value, gauge, setAside, corrects, simulated };
  return { ...reading, by: nameOf(by), at: new Date(Math.floor(at * 1000)).toISOString() } as KeptReading;
}
