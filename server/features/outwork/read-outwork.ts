import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Outwork } from '@odontis/contract/outwork';
import { awayNow } from '@odontis/contract/outwork';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';

type Row = Omit<Outwork, 'at' | 'back'> & {
  readonly at: Date;
  readonly result: NonNullable<Outwork['back']>['result'] | null;
  readonly backAmount: number;
  readonly backBy: string;
  readonly backAt: Date;
};

/** What was sent to a grinder from a ticket, the earliest first. */
export async function readOutwork(db: Database, ticketId: number, transaction?: Transaction): Promise<Outwork[]> {
  const rows = await db.sequelize.query<Row>(
    `SELECT o.id, o.number, o.grinder, o.work, o.due_on::text AS "dueOn", o.amount, p.name AS by, o.at,
            b.result, b.amount AS "backAmount", q.name AS "backBy", b.at AS "backAt"
       FROM outwork o JOIN person p ON p.id = o.person_id
       LEFT JOIN outwork_back b ON b.outwork_id = o.id LEFT JOIN person q ON q.id = b.person_id
      WHERE o.ticket_id = :ticketId ORDER BY o.number`,
    { type: QueryTypes.SELECT, replacements: { ticketId }, transaction },
  );
  return rows.map(({ at, result, backAmount, backBy, backAt, ...one }) => ({
    ...one,
    at: at.toISOString(),
    back: result === null ? null : { result, amount: backAmount, by: backBy, at: backAt.toISOString() },
  }));
}

/** Nothing is measured, planned or judged of a saw that is not in the shop. */
export async function refuseAway(db: Database, ticketId: number, t: Transaction): Promise<void> {
  const away = awayNow(await readOutwork(db, ticketId, t));
  if (away) throw new Problem('away', `It is at ${away.grinder}’s until ${away.dueOn}: say first that it is back.`);
}
