import type { NewCheck } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import { lineStatistics } from '@odontis/core/saw/line-statistics';
import { judgeTestCut } from '@odontis/core/set/test-cut-verdict';
import type { Database } from '../../database/connect';
import { readDossier } from '../tickets/dossier';
import { changeTicket, refuseStale } from '../tickets/hold';

/** A test cut judged on the line as last measured after the work; a pass moves the saw to its handover. */
export function keepCheck(db: Database, ticketId: number, check: NewCheck, by: number): Promise<Dossier> {
  return changeTicket(db, ticketId, ['check'], async (row, t) => {
    await refuseStale(db, row, check.version, t);
    const dossier = await readDossier(db, ticketId, t);
    const after = dossier.measurings.filter((m) => m.kind === 'after').at(-1);
    const statistics = after ? lineStatistics(after.readings) : null;
    const target = dossier.plan?.plan.setPerSideMm ?? 0;
    const judged = judgeTestCut(check, statistics, target);
    const { version: _seen, ...cut } = check;
    await db.models.CheckRound.create(
      {
        ...cut,
        ticketId,
        number: dossier.checks.length + 1,
        verdict: judged.verdict,
        setLeftMm: statistics && statistics.setLeft.count > 0 ? statistics.setLeft.meanMm : null,
        setRightMm: statistics && statistics.setRight.count > 0 ? statistics.setRight.meanMm : null,
        stoneSide: judged.stoning.side,
        stonePasses: judged.stoning.passes,
        advice: [...judged.advice],
        personId: by,
      },
      { transaction: t },
    );
    const stage = judged.verdict === 'pass' ? 'handover' : row.stage;
    await row.update({ stage, version: row.version + 1 }, { transaction: t });
  });
}
