import type { NewCheck } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import { lineOf } from '@odontis/core/evidence/line-of';
import { lineStatistics } from '@odontis/core/evidence/line-statistics';
import { placesOn } from '@odontis/core/saw/saw';
import { sawIn } from '@odontis/core/work/saw-after';
import { setOf } from '@odontis/core/evidence/set-of';
import { judgeTestCut } from '@odontis/core/set/test-cut-verdict';
import type { Database } from '../../database/connect';
import { closeSessions } from '../evidence/service';
import { handOfPerson } from '../people/service';
import { readDossier } from '../tickets/dossier';
import { changeTicket, refuseStale } from '../tickets/hold';

/** A test cut judged on the line as last measured after the work; a pass moves the saw to its handover. */
export function keepCheck(db: Database, ticketId: number, check: NewCheck, by: number): Promise<Dossier> {
  return changeTicket(db, ticketId, ['check'], async (row, t) => {
    await refuseStale(db, row, check.version, t);
    const dossier = await readDossier(db, ticketId, t);
    const saw = sawIn('after', dossier.saw, dossier.plan?.order);
    const line = lineOf(dossier.sessions, saw, 'after');
    const heights = line && line.heightsRead > 0 ? lineStatistics(line.teeth, placesOn(saw, line.teeth.length)) : null;
    const set = setOf(dossier.sessions, 'after');
    const target = dossier.plan?.order.forecast?.set.perSideMm ?? 0;
    const { stoning } = await handOfPerson(db, by);
    const judged = judgeTestCut(check, { set, heightSpreadMm: heights?.heightSpreadMm ?? null }, target, stoning.rate);
    const { version: _seen, ...cut } = check;
    await db.models.CheckRound.create(
      {
        ...cut,
        ticketId,
        number: dossier.checks.length + 1,
        verdict: judged.verdict,
        setLeftMm: set && set.left.count > 0 ? set.left.meanMm : null,
        setRightMm: set && set.right.count > 0 ? set.right.meanMm : null,
        stoneSide: judged.stoning.side,
        stonePasses: judged.stoning.passes,
        advice: [...judged.advice],
        personId: by,
      },
      { transaction: t },
    );
    // What is measured from here on is of the saw after this cut's stoning.
    await closeSessions(db, ticketId, 'after', t);
    const stage = judged.verdict === 'pass' ? 'handover' : row.stage;
    await row.update({ stage, version: row.version + 1 }, { transaction: t });
  });
}
