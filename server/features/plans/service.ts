import type { Dossier } from '@odontis/contract/dossier';
import type { PlanChoice } from '@odontis/contract/plan';
import type { Database } from '../../database/connect';
import { closeSessions } from '../evidence/service';
import { learnedHere } from '../learning/service';
import { readingsOfHand } from '../people/service';
import { keepUses } from '../store/service';
import { readShop } from '../shop/service';
import { readDossier } from '../tickets/dossier';
import { changeTicket, refuseStale } from '../tickets/hold';
import { orderKept } from './saw-work';

/** The order worked out here from what is kept, then frozen with everything it came from. */
export async function acceptPlan(db: Database, ticketId: number, choice: PlanChoice, by: number): Promise<Dossier> {
  const [{ book }, calibrations, learned] = await Promise.all([readShop(db), readingsOfHand(db, by), learnedHere(db)]);
  return changeTicket(db, ticketId, ['plan', 'bench'], async (row, t) => {
    await refuseStale(db, row, choice.version, t);
    const dossier = await readDossier(db, ticketId, t);
    const order = await orderKept({ dossier, book, calibrations, choice, learned });
    const number = (await db.models.Plan.count({ where: { ticketId }, transaction: t })) + 1;
    const plan = await db.models.Plan.create({ ticketId, number, ...order, acceptedBy: by }, { transaction: t });
    await keepUses(db, [{ id: plan.id, order: order.body }], t);
    const why = choice.why ?? '';
    if (why !== '') await db.models.PlanReason.create({ planId: plan.id, why }, { transaction: t });
    // The saw is not as it came in any more once it is at the bench.
    await closeSessions(db, ticketId, 'before', t);
    await row.update({ stage: 'bench', version: row.version + 1 }, { transaction: t });
  });
}
