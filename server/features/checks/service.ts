import type { NewCheck } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import { handOf } from '@odontis/core/calibration/hand';
import { readCut } from '@odontis/core/work/read-cut';
import { linesOfOrder, linesToCut } from '@odontis/core/work/lines-of-order';
import type { Database } from '../../database/connect';
import { closeSessions } from '../evidence/service';
import { learnedHere } from '../learning/service';
import { readingsOfHand } from '../people/service';
import { refuseAway } from '../outwork/read-outwork';
import { readDossier } from '../tickets/dossier';
import { Problem } from '../../http/problem';
import { changeTicket, refuseStale } from '../tickets/hold';

/** A test cut judged on the line as last measured after the work; a pass moves the saw to its handover. */
export function keepCheck(db: Database, ticketId: number, check: NewCheck, by: number): Promise<Dossier> {
  return changeTicket(db, ticketId, ['check'], async (row, t) => {
    await refuseStale(db, row, check.version, t);
    await refuseAway(db, ticketId, t);
    const dossier = await readDossier(db, ticketId, t);
    const rounds = dossier.checks;
    const lines = linesOfOrder(dossier.plan?.order);
    const tested = lines.find((one) => one.edge === (check.edge ?? lines[0]?.edge ?? null)) ?? null;
    if (!tested && check.edge)
      throw new Problem('bad-input', `The ${check.edge} edge of this saw was not worked.`, [
        { path: '/edge', message: 'An edge that its order works.' },
      ]);
    const [said] = [check.runs, check.binds, check.chatters].filter((one) => one !== null);
    if (said === undefined && !check.kerfMm && !check.offLine && !check.wall && !check.floor && !check.shavings)
      throw new Problem('bad-input', 'Nothing of this cut was looked at: say what you saw of it first.', [
        { path: '/runs', message: 'Look whether it leaves its line, binds or jumps.' },
      ]);
    const plateMm = 'plateThicknessMm' in dossier.saw ? dossier.saw.plateThicknessMm : 0;
    if (typeof check.kerfMm === 'number' && check.kerfMm < plateMm)
      throw new Problem('bad-input', 'A kerf is not narrower than the plate that cut it.', [
        { path: '/kerfMm', message: `The plate is ${plateMm.toFixed(2)} mm thick: put the feeler in again.` },
      ]);
    const edge = tested?.edge ?? null;
    const read = readCut(
      check,
      {
        saw: dossier.saw,
        sessions: dossier.sessions,
        order: dossier.plan?.order ?? null,
        line: tested,
        hand: handOf(await readingsOfHand(db, by), await learnedHere(db)),
      },
      dossier.ticket.wood,
    );
    const { set, rakers, ...judged } = read.judged;
    const { version: _seen, offLine: _off, stoned, ...cut } = check;
    await db.models.CheckRound.create(
      {
        ...cut,
        edge,
        beatAt: check.beatAt ?? null,
        shavings: check.shavings ?? null,
        kerfMm: check.kerfMm ?? null,
        offLineMm: check.offLine?.mm ?? null,
        overMm: check.offLine?.overMm ?? null,
        wall: check.wall ?? null,
        floor: check.floor ?? null,
        plate: check.plate ?? null,
        again: check.again ?? null,
        hopMm: read.facts.known.hopMm ?? read.foretold?.hopMm ?? null,
        rakers,
        ticketId,
        number: rounds.length + 1,
        verdict: judged.verdict,
        setLeftMm: set && set.left.count > 0 ? set.left.meanMm : null,
        setRightMm: set && set.right.count > 0 ? set.right.meanMm : null,
        stoneSide: judged.stoning.side,
        stonePasses: judged.stoning.passes,
        stonedSide: stoned?.side ?? null,
        stonedPasses: stoned?.passes ?? null,
        advice: [...judged.advice],
        personId: by,
      },
      { transaction: t },
    );
    // What is measured from here on is of the saw after this cut's stoning.
    await closeSessions(db, ticketId, 'after', t);
    // Each line has to pass: the other edge of a two-edged saw is cut with too.
    const left = dossier.plan ? linesToCut(dossier.plan.order, [...rounds, { edge, verdict: judged.verdict }]) : [];
    const stage = judged.verdict === 'pass' && left.length === 0 ? 'handover' : row.stage;
    await row.update({ stage, version: row.version + 1 }, { transaction: t });
  });
}
