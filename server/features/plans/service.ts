import type { Dossier } from '@odontis/contract/dossier';
import type { LinePlanChoice, PlanChoice, RoundPlanChoice } from '@odontis/contract/plan';
import type { ShopBook } from '@odontis/contract/shop';
import { workFactsOf } from '@odontis/contract/work-facts';
import type { Studied, WorkFacts } from '@odontis/core/work/family-work';
import type { WorkOrder } from '@odontis/core/work/order';
import { workOf } from '@odontis/core/work/families';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { closeSessions } from '../evidence/service';
import { handOfPerson } from '../people/service';
import { readShop } from '../shop/service';
import { readDossier } from '../tickets/dossier';
import { changeTicket, refuseStale } from '../tickets/hold';
import { keptOrder } from './kept-order';

/** The order worked out here from what is kept, then frozen with everything it came from. */
export async function acceptPlan(db: Database, ticketId: number, choice: PlanChoice, by: number): Promise<Dossier> {
  const [{ book }, hand] = await Promise.all([readShop(db), handOfPerson(db, by)]);
  return changeTicket(db, ticketId, ['plan', 'bench'], async (row, t) => {
    await refuseStale(db, row, choice.version, t);
    const dossier = await readDossier(db, ticketId, t);
    const facts = workFactsOf(dossier, book, hand);
    const order =
      'round' in choice ? roundOrder(facts, choice, book, dossier) : lineOrder(facts, choice, book, dossier);
    const number = (await db.models.Plan.count({ where: { ticketId }, transaction: t })) + 1;
    await db.models.Plan.create({ ticketId, number, ...keptOrder(order), acceptedBy: by }, { transaction: t });
    // The saw is not as it came in any more once it is at the bench.
    await closeSessions(db, ticketId, 'before', t);
    await row.update({ stage: 'bench', version: row.version + 1 }, { transaction: t });
  });
}

function roundOrder(facts: WorkFacts, { round }: RoundPlanChoice, book: ShopBook, dossier: Dossier): WorkOrder {
  const work = workOf(facts.saw.family);
  if (work.way !== 'round' || round.family !== facts.saw.family) throw notPlannedHere(dossier);
  const studied = work.study(facts, round);
  if (!studied.ok) throw new Problem('readings-unfit', studied.says);
  const order = work.order(studied.study, book.rates);
  const refused = order.round && 'refused' in order.round.forecast ? order.round.forecast.refused : undefined;
  if (refused !== undefined) throw new Problem('readings-unfit', refused);
  return order;
}

function lineOrder(facts: WorkFacts, choice: LinePlanChoice, book: ShopBook, dossier: Dossier): WorkOrder {
  const work = workOf(facts.saw.family);
  if (work.way !== 'planned') throw notPlannedHere(dossier);
  const { line, rakeDeg, fleamDeg, convert, sample, depthMm } = choice;
  const { retoothMm = null, breastMm = null, rakerMm = null, rakerTip = null } = choice;
  const { pullFiling = null, backDeg = null, topDeg = null, besideMm = null } = choice;
  const pulled = { pullFiling, backDeg, topDeg, besideMm };
  const angles = { rakeDeg, fleamDeg };
  const wish = { line, angles, convert, sample, retoothMm, breastMm, rakerMm, rakerTip, ...pulled };
  const studied = work.study(facts, wish);
  if (!studied.ok) throw unfit(studied);
  const { study, coverage } = studied;
  if (coverage.partial && !sample)
    throw new Problem(
      'measured-in-part',
      `${coverage.otherEdge !== null ? `The ${coverage.otherEdge} edge is not measured.` : coverage.unread > 0 ? `The height of ${coverage.unread} teeth was not read.` : `${coverage.measuredTeeth} teeth are measured and the ticket says ${coverage.toldTeeth}.`} Go on measuring, let them stand for the rest, or correct the ticket.`,
    );
  if (depthMm > study.deepestMm) {
    throw new Problem('bad-input', 'That is deeper than these teeth can be jointed.', [
      { path: '/depthMm', message: `At most ${study.deepestMm.toFixed(2)} mm on this saw.` },
    ]);
  }
  return work.order(study, depthMm, book.rates);
}

/** Other families are worked by hand and written down as a job. */
const notPlannedHere = (dossier: Dossier): Problem =>
  new Problem('wrong-stage', 'This saw is not planned here; write its work down as a job.', [], dossier);

const unfit = (studied: Exclude<Studied, { ok: true }>): Problem =>
  new Problem(
    'readings-unfit',
    studied.code === 'nothing-measured' ? 'A plan needs three standing teeth at least.' : studied.says,
  );
