import type { Dossier } from '@odontis/contract/dossier';
import { workedBefore } from '@odontis/contract/work-facts';
import type { PlanChoice } from '@odontis/contract/plan';
import { outworkAmount } from '@odontis/contract/outwork';
import type { Database } from '../../database/connect';
import { closeSessions } from '../evidence/service';
import { learnedHere } from '../learning/service';
import { readingsOfHand } from '../people/service';
import { keepUses } from '../store/service';
import { readShop } from '../shop/service';
import { refuseAway } from '../outwork/read-outwork';
import { readDossier } from '../tickets/dossier';
import { changeTicket, refuseStale } from '../tickets/hold';
import type { Transaction } from 'sequelize';
import { deedsOf, minutesDone } from '@odontis/core/work/deeds';
import { preparingMinutes } from '@odontis/core/work/preparing';
import type { Rates } from '@odontis/core/work/price';
import { priceFor } from '@odontis/core/work/price';
import { addWord, holdWork } from '../money/price-words';
import type { TicketRow } from '../tickets/model';
import type { PlanRow } from './model';
import { orderKept } from './saw-work';

/** The order worked out here from what is kept, then frozen with everything it came from. */
export async function acceptPlan(db: Database, ticketId: number, choice: PlanChoice, by: number): Promise<Dossier> {
  const [{ book }, calibrations, learned] = await Promise.all([readShop(db), readingsOfHand(db, by), learnedHere(db)]);
  return changeTicket(db, ticketId, ['plan', 'bench', 'check'], async (row, t) => {
    await refuseStale(db, row, choice.version, t);
    await refuseAway(db, ticketId, t);
    const dossier = await readDossier(db, ticketId, t);
    const worked = workedBefore(dossier);
    const order = await orderKept({ dossier, book, calibrations, choice, learned, worked });
    const number = (await db.models.Plan.count({ where: { ticketId }, transaction: t })) + 1;
    const plan = await db.models.Plan.create({ ticketId, number, ...order, acceptedBy: by }, { transaction: t });
    await priceOrder(db, { row, plan, order, dossier, rates: book.rates }, t);
    await keepUses(db, [{ id: plan.id, order: order.body }], t);
    const why = choice.why ?? '';
    if (why !== '') await db.models.PlanReason.create({ planId: plan.id, why }, { transaction: t });
    // The saw is not as it came in any more once it is at the bench.
    await closeSessions(db, ticketId, 'before', t);
    await row.update({ stage: 'bench', version: row.version + 1 }, { transaction: t });
    await holdWork(db, row, t);
  });
}

interface ToPrice {
  readonly row: TicketRow;
  readonly plan: PlanRow;
  readonly order: Awaited<ReturnType<typeof orderKept>>;
  readonly dossier: Dossier;
  readonly rates: Rates;
}

/** What the ticket costs by a new order: what was worked of those before it, and all of this one. */
async function priceOrder(db: Database, { row, plan, order, dossier, rates }: ToPrice, t: Transaction): Promise<void> {
  const before = [...dossier.earlier, ...(dossier.plan ? [dossier.plan] : [])];
  const worked = before.reduce((sum, one) => sum + minutesDone(deedsOf(one.order, one)), 0);
  const prepared = preparingMinutes(dossier.preparations);
  const minutes = prepared + worked + order.minutes;
  const amount = priceFor(minutes, rates).amount + outworkAmount(dossier.outwork);
  const told = { minutesLow: minutes, minutesHigh: minutes, minutesLikely: minutes };
  const head = { ticketId: row.id, kind: 'plan', low: amount, high: amount, planId: plan.id, ...told } as const;
  const note = [
    ...(prepared > 0 ? [`${Math.round(prepared)} minutes of it went into preparing`] : []),
    ...(dossier.outwork.length > 0 ? ['with the grinder’s work'] : []),
    ...(worked > 0 ? [`${Math.round(worked)} minutes of it were worked by the order before`] : []),
  ].join('; ');
  await addWord(db, { ...head, note, personId: plan.acceptedBy }, t);
}
