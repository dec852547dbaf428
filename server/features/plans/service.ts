import type { Dossier } from '@odontis/contract/dossier';
import { isStraightDossier } from '@odontis/contract/dossier';
import type { PlanChoice } from '@odontis/contract/plan';
import { assembleInputs } from '@odontis/core/plan/assemble-inputs';
import { makePlan } from '@odontis/core/plan/make-plan';
import { walkPlan } from '@odontis/core/plan/steps';
import { studyLine } from '@odontis/core/plan/study';
import type { PlanStudy } from '@odontis/core/plan/study';
import { lineOf } from '@odontis/core/evidence/line-of';
import { findReadingFaults } from '@odontis/core/evidence/reading-faults';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { closeSessions } from '../evidence/service';
import { strokeRateOf } from '../people/service';
import { readShop } from '../shop/service';
import { readDossier } from '../tickets/dossier';
import { changeTicket, refuseStale } from '../tickets/hold';

/** The plan worked out here from what is kept, then frozen with everything it came from. */
export async function acceptPlan(db: Database, ticketId: number, choice: PlanChoice, by: number): Promise<Dossier> {
  const [{ book }, rate] = await Promise.all([readShop(db), strokeRateOf(db, by)]);
  return changeTicket(db, ticketId, ['plan', 'bench'], async (row, t) => {
    await refuseStale(db, row, choice.version, t);
    const dossier = await readDossier(db, ticketId, t);
    if (!isStraightDossier(dossier)) throw notPlannedHere(dossier);
    const readings = lineOf(dossier.sessions, dossier.saw, 'before')?.teeth ?? [];
    const stop = findReadingFaults(readings, dossier.saw.pitchMm, dossier.saw.plateThicknessMm).find(
      (f) => f.weight === 'stop',
    );
    if (stop)
      throw new Problem(
        'readings-unfit',
        `Tooth ${stop.tooth} is not measured so that a plan can be made. Look at it under Measure.`,
      );
    const facts = { saw: dossier.saw, wood: row.wood, marks: row.marks, readings };
    const angles = { rakeDeg: choice.rakeDeg, fleamDeg: choice.fleamDeg };
    const inputs = assembleInputs(facts, book.habits, rate, choice.line, angles);
    const study = studyOrProblem(() => studyLine(inputs));
    if (choice.depthMm > study.deepestMm) {
      throw new Problem('bad-input', 'That is deeper than these teeth can be jointed.', [
        { path: '/depthMm', message: `At most ${study.deepestMm.toFixed(2)} mm on this saw.` },
      ]);
    }
    const plan = makePlan(study, choice.depthMm);
    const number = (await db.models.Plan.count({ where: { ticketId }, transaction: t })) + 1;
    await db.models.Plan.create(
      { ticketId, number, inputs, plan, stops: walkPlan(plan.steps).length, minutes: plan.minutes, acceptedBy: by },
      { transaction: t },
    );
    // The saw is not as it came in any more once it is at the bench.
    await closeSessions(db, ticketId, 'before', t);
    await row.update({ stage: 'bench', version: row.version + 1 }, { transaction: t });
  });
}

/** Other families are worked by hand and written down as a job. */
const notPlannedHere = (dossier: Dossier): Problem =>
  new Problem(
    'wrong-stage',
    'Only hand and back saws are planned here; write this one’s work down as a job.',
    [],
    dossier,
  );

function studyOrProblem(study: () => PlanStudy): PlanStudy {
  try {
    return study();
  } catch (error) {
    if (error instanceof RangeError) throw new Problem('readings-unfit', error.message);
    throw error;
  }
}
