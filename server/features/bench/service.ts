import { QueryTypes } from 'sequelize';
import type { BenchEvents, BenchState } from '@odontis/contract/bench';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { holdTicket } from '../tickets/hold';

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
    for (const event of sent.events) {
      if (event.stop >= plan.stops) {
        throw new Problem('bad-input', `The plan has ${plan.stops} stops; there is no stop ${event.stop + 1}.`);
      }
      const fresh = await db.sequelize.query<{ id: string }>(
        `INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at)
         VALUES (:id, :planId, :stop, :action, :by, :at) ON CONFLICT (id) DO NOTHING RETURNING id`,
        { type: QueryTypes.SELECT, replacements: { ...event, planId: plan.id, by }, transaction },
      );
      if (fresh.length === 0) continue;
      await db.sequelize.query(
        event.action === 'done'
          ? `INSERT INTO bench_mark (plan_id, stop, event_id) VALUES (:planId, :stop, :id) ON CONFLICT DO NOTHING`
          : `DELETE FROM bench_mark WHERE plan_id = :planId AND stop = :stop`,
        { replacements: { planId: plan.id, stop: event.stop, id: event.id }, transaction },
      );
    }
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
