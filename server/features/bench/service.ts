import { QueryTypes } from 'sequelize';
import type { BenchEvents, BenchState } from '@odontis/contract/bench';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { judgedNow } from '../preparing/service';
import { readDossier } from '../tickets/dossier';
import { holdTicket } from '../tickets/hold';

/**
 * Presses of the key, in the order they happened. An event that was received before changes nothing, and a stop is
 * done once however often it is said, so a browser that catches up doubles nothing. The ticket moves to its check
 * when every stop is done. One call of the database and its own transaction: `keep_presses` of the migrations.
 */
export async function keepBenchEvents(
  db: Database,
  ticketId: number,
  sent: BenchEvents,
  by: number,
): Promise<BenchState> {
  const [answer] = await db.sequelize.query<{ state: BenchState | null }>(
    'SELECT keep_presses($1, $2, $3::jsonb, $4) AS state',
    { type: QueryTypes.SELECT, bind: [ticketId, sent.planId, JSON.stringify(sent.events), by] },
  );
  if (!answer?.state) return refusePresses(db, ticketId, sent);
  return sent.events.some((event) => event.result !== undefined) ? judgeAnew(db, ticketId, answer.state) : answer.state;
}

/** How work on the plate came out may change what is thought of the saw. */
function judgeAnew(db: Database, ticketId: number, state: BenchState): Promise<BenchState> {
  return db.sequelize.transaction(async (t) => {
    const row = await db.models.Ticket.findByPk(ticketId, { transaction: t, lock: t.LOCK.UPDATE, rejectOnEmpty: true });
    const judged = await judgedNow(db, row, t);
    if (judged.verdict === row.verdict && judged.reasons.length === row.reasons.length) return state;
    await row.update({ ...judged, version: row.version + 1 }, { transaction: t });
    return { ...state, version: row.version };
  });
}

/** Why they were not kept. */
function refusePresses(db: Database, ticketId: number, sent: BenchEvents): Promise<never> {
  return db.sequelize.transaction(async (transaction) => {
    const row = await holdTicket(db, ticketId, ['bench', 'check'], transaction);
    const plan = await db.models.Plan.findOne({
      where: { ticketId },
      order: [['number', 'DESC']],
      attributes: ['id', 'stops'],
      transaction,
    });
    if (!plan || plan.id !== sent.planId)
      throw new Problem('edited-elsewhere', 'A newer plan was accepted for this saw. Load it before going on.');
    const { heldFrom } = row;
    if (heldFrom !== null && sent.events.some((event) => event.action === 'done' && event.stop >= heldFrom))
      throw new Problem(
        'price-not-agreed',
        `The customer has not agreed to the price of this order: it may be done up to stop ${heldFrom}, which the old sum covers. Ask, or let the owner waive it.`,
        [],
        await readDossier(db, ticketId, transaction),
      );
    const beyond = sent.events.find((event) => event.stop >= plan.stops);
    throw new Problem(
      'bad-input',
      beyond
        ? `The plan has ${plan.stops} stops; there is no stop ${beyond.stop + 1}.`
        : 'The saw was changed at this very moment. Send it again.',
    );
  });
}
