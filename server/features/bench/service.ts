import { QueryTypes } from 'sequelize';
import type { BenchEvents, BenchState } from '@odontis/contract/bench';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { holdTicket } from '../tickets/hold';

/**
 * What a run of presses comes to, stop by stop: those undone at some time lose the mark they had, those done last
 * get one of the press that did it. Presses received before are none. O(events).
 */
export function marksOf(
  events: BenchEvents['events'],
  fresh: ReadonlySet<string>,
): { readonly undone: readonly number[]; readonly done: readonly { readonly stop: number; readonly id: string }[] } {
  const undone = new Set<number>();
  const done = new Map<number, string>();
  const seen = new Set<string>();
  for (const { id, stop, action } of events) {
    if (!fresh.has(id) || seen.has(id)) continue;
    seen.add(id);
    if (action === 'back') {
      undone.add(stop);
      done.delete(stop);
    } else if (!done.has(stop)) done.set(stop, id);
  }
  return { undone: [...undone], done: [...done].map(([stop, id]) => ({ stop, id })) };
}

/**
 * Presses of the key, in the order they happened. An event that was received
 * before changes nothing, and a stop is done once however often it is said,
 * so a browser that catches up doubles nothing. The ticket moves to its check
 * when every stop is done.
 */
export function keepBenchEvents(db: Database, ticketId: number, sent: BenchEvents, by: number): Promise<BenchState> {
  return db.sequelize.transaction(async (transaction) => {
    const ticket = await holdTicket(db, ticketId, ['bench', 'check'], transaction);
    const plan = await db.models.Plan.findOne({
      where: { ticketId },
      order: [['number', 'DESC']],
      attributes: ['id', 'stops'],
      transaction,
    });
    if (!plan || plan.id !== sent.planId) {
      throw new Problem('edited-elsewhere', 'A newer plan was accepted for this saw. Load it before going on.');
    }
    const beyond = sent.events.find((event) => event.stop >= plan.stops);
    if (beyond)
      throw new Problem('bad-input', `The plan has ${plan.stops} stops; there is no stop ${beyond.stop + 1}.`);
    const { sequelize } = db;
    const fresh = await sequelize.query<{ id: string }>(
      `INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at)
       SELECT DISTINCT ON (e.id) e.id, $2, e.stop, e.action, $3, e.at
         FROM jsonb_to_recordset($1::jsonb) AS e(id uuid, stop int, action text, at timestamptz)
       ON CONFLICT (id) DO NOTHING RETURNING id`,
      { type: QueryTypes.SELECT, bind: [JSON.stringify(sent.events), plan.id, by], transaction },
    );
    const { undone, done } = marksOf(sent.events, new Set(fresh.map((row) => row.id)));
    if (undone.length > 0)
      await sequelize.query('DELETE FROM bench_mark WHERE plan_id = $1 AND stop = ANY($2::int[])', {
        bind: [plan.id, undone],
        transaction,
      });
    if (done.length > 0)
      await sequelize.query(
        `INSERT INTO bench_mark (plan_id, stop, event_id)
         SELECT $1, m.stop, m.id FROM jsonb_to_recordset($2::jsonb) AS m(stop int, id uuid) ON CONFLICT DO NOTHING`,
        { bind: [plan.id, JSON.stringify(done)], transaction },
      );
    const marks = await db.models.BenchMark.findAll({
      where: { planId: plan.id },
      order: ['stop'],
      raw: true,
      transaction,
    });
    const stage = marks.length === plan.stops ? 'check' : 'bench';
    if (stage !== ticket.stage) await ticket.update({ stage, version: ticket.version + 1 }, { transaction });
    return { planId: plan.id, done: marks.map((m) => m.stop), stage, version: ticket.version };
  });
}
