import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { KeptReading } from '@odontis/core/evidence/reading';
import type { Session, SessionHead } from '@odontis/core/evidence/session';
import type { AlikeReadings } from '@odontis/contract/evidence-rows';
import { readingsOf } from '@odontis/contract/evidence-rows';
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

/** A reading's value as JSON: of three columns the one of its kind is filled. */
const VALUE = 'coalesce(e.value_mm::text, to_json(e.value_word)::text, e.value_angles::text)';
/** A row of {@link AlikeReadings}. */
const ROW = ['e.taken', 'e.key', 'e.place', "coalesce(e.corrects::text, '')", VALUE].join(" || ' ' || ");

type Sent = Omit<AlikeReadings, 'by' | 'at'> & {
  readonly sessionId: number;
  readonly by: number;
  readonly at: Date;
  readonly last: number;
};

/**
 * Every session of a ticket in the order begun, with its readings in the order taken, and the number
 * of the last; those taken after the `since`-th only. Readings are read out of their rows when they are
 * asked for; an answer takes the rows as they are.
 */
export async function readSessions(
  db: Database,
  ticketId: number,
  nameOf: (id: number) => string,
  transaction?: Transaction,
  since = 0,
): Promise<{ sessions: Session[]; seen: number }> {
  const heads = await db.models.Session.findAll({ where: { ticketId }, order: ['startedAt', 'id'], transaction });
  if (heads.length === 0) return { sessions: [], seen: since };
  const sent = await db.sequelize.query<Sent>(
    `SELECT e.session_id AS "sessionId", e.quantity, e.part, e.gauge, e.taken_by AS "by", e.taken_at AS "at", e.set_aside AS "setAside",
            e.simulated, max(e.taken) AS last, string_agg(${ROW}, E'\\n') AS rows
       FROM evidence e JOIN session s ON s.id = e.session_id WHERE s.ticket_id = :ticketId AND e.taken > :since
      GROUP BY e.session_id, e.quantity, e.part, e.gauge, e.taken_by, e.taken_at, e.set_aside, e.simulated`,
    { type: QueryTypes.SELECT, replacements: { ticketId, since }, transaction },
  );
  const seen = sent.reduce((last, one) => Math.max(last, one.last), since);
  const sessions = heads.map((head) => {
    const own = sent.filter((one) => one.sessionId === head.id);
    return keptSession(
      toHead(head, nameOf),
      own.map(({ sessionId: _session, last: _last, by, at, ...alike }) => ({
        ...alike,
        by: nameOf(by),
        at: at.toISOString(),
      })),
    );
  });
  return { sessions, seen };
}

/** A session whose readings are read when first asked for, and which is answered with its rows. */
function keptSession(head: SessionHead, rows: readonly AlikeReadings[]): Session {
  let readings: readonly KeptReading[] | null = null;
  const session = {
    ...head,
    get readings(): readonly KeptReading[] {
      readings ??= readingsOf(rows);
      // The database holds each quantity to its kind of value, as the contract does.
      if (!readings) throw new Error(`The readings of session ${head.key} are not as they were kept.`);
      return readings;
    },
  };
  return Object.defineProperty(session, 'toJSON', { value: () => ({ ...head, readings: rows }) });
}
