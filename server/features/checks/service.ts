import type { NewCheck } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import { dialOf } from '@odontis/core/circular/dial-of';
import { estimatesOf } from '@odontis/core/evidence/estimates';
import { lineOf } from '@odontis/core/evidence/line-of';
import { lineStatistics } from '@odontis/core/evidence/line-statistics';
import type { LineView } from '@odontis/core/evidence/line-of';
import { rakersRead } from '@odontis/core/evidence/rakers-read';
import { standingTeeth } from '@odontis/core/evidence/tooth-reading';
import { overOwnArc } from '@odontis/core/line/own-arc';
import { rakersAfter } from '@odontis/core/raker/shavings';
import type { Saw, SawOf } from '@odontis/core/saw/saw';
import { isPointed, placesOn, rakersOf, rolesOn, teethOf } from '@odontis/core/saw/saw';
import { sawIn } from '@odontis/core/work/saw-after';
import { linesOfOrder, linesToCut } from '@odontis/core/work/lines-of-order';
import { sidesOf } from '@odontis/core/evidence/sides';
import { setOf } from '@odontis/core/evidence/set-of';
import { judgeBandCut } from '@odontis/core/set/band-cut-verdict';
import { judgeBladeCut, judgeTestCut } from '@odontis/core/set/test-cut-verdict';
import type { Database } from '../../database/connect';
import { closeSessions } from '../evidence/service';
import { handOfPerson } from '../people/service';
import { readDossier } from '../tickets/dossier';
import { Problem } from '../../http/problem';
import { changeTicket, refuseStale } from '../tickets/hold';

/** A test cut judged on the line as last measured after the work; a pass moves the saw to its handover. */
export function keepCheck(db: Database, ticketId: number, check: NewCheck, by: number): Promise<Dossier> {
  return changeTicket(db, ticketId, ['check'], async (row, t) => {
    await refuseStale(db, row, check.version, t);
    const dossier = await readDossier(db, ticketId, t);
    const saw = sawIn('after', dossier.saw, dossier.plan?.order);
    const rounds = dossier.checks;
    const lines = linesOfOrder(dossier.plan?.order);
    const tested = lines.find((one) => one.edge === (check.edge ?? lines[0]?.edge ?? null)) ?? null;
    if (!tested && check.edge)
      throw new Problem('bad-input', `The ${check.edge} edge of this saw was not worked.`, [
        { path: '/edge', message: 'An edge that its order works.' },
      ]);
    const edge = tested?.edge ?? null;
    const line = lineOf(dossier.sessions, saw, 'after', edge);
    const heightSpreadMm =
      saw.family === 'circular' || saw.family === 'dado'
        ? rimSpread(dossier, saw)
        : line && line.heightsRead > 0
          ? spreadOf(saw, line)
          : null;
    const set = setOf(dossier.sessions, 'after', sidesOf(saw), edge);
    const target = (tested ?? dossier.plan?.order.round)?.forecast.set.perSideMm ?? 0;
    const { stoning, strokeRateOf } = await handOfPerson(db, by);
    const depths = [...rakersRead(dossier.sessions, 'after').values()].map((r) => r.depthMm);
    const wanted = dossier.plan?.order.forecast?.rakers?.wantedMm;
    const rakers =
      wanted === undefined ? null : rakersAfter(depths, wanted, rakersOf(saw), strokeRateOf(tipFile(dossier)));
    const after = dossier.sessions.filter((s) => s.kind === 'after').flatMap((s) => s.readings);
    const judged =
      saw.family === 'band'
        ? judgeBandCut(
            check,
            { set, heights: estimatesOf(after, 'height', null), teeth: teethOf(saw) },
            target,
            stoning.rate,
          )
        : (saw.family === 'circular' || saw.family === 'dado' ? judgeBladeCut : judgeTestCut)(
            check,
            { set, heightSpreadMm, rakers },
            target,
            stoning.rate,
          );
    const { version: _seen, ...cut } = check;
    await db.models.CheckRound.create(
      {
        ...cut,
        edge,
        beatAt: check.beatAt ?? null,
        shavings: check.shavings ?? null,
        rakers,
        ticketId,
        number: rounds.length + 1,
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
    // Each line has to pass: the other edge of a two-edged saw is cut with too.
    const left = dossier.plan ? linesToCut(dossier.plan.order, [...rounds, { edge, verdict: judged.verdict }]) : [];
    const stage = judged.verdict === 'pass' && left.length === 0 ? 'handover' : row.stage;
    await row.update({ stage, version: row.version + 1 }, { transaction: t });
  });
}

/** The file the rakers' tips are brought down with. */
const tipFile = ({ plan }: Dossier): string | null =>
  plan?.order.steps.find((step) => step.kind === 'raker-tips')?.tool ?? null;

/** How uneven a blade's scoring teeth are by themselves, by dial after the work; null where too few were read. mm. */
function rimSpread({ sessions }: Dossier, saw: SawOf<'circular' | 'dado'>): number | null {
  const after = sessions.filter((s) => s.kind === 'after').flatMap((s) => s.readings);
  if (saw.family === 'dado') {
    const floor = saw.parts.flatMap((part) => estimatesOf(after, 'groove-step', part.id).map((e) => e.valueMm));
    return floor.length < 2 ? null : Math.max(...floor) - Math.min(...floor);
  }
  const own = dialOf(saw, estimatesOf(after, 'runout', null), teethOf(saw))?.own.map((r) => r.offMm) ?? [];
  return own.length === 0 ? null : Math.max(...own) - Math.min(...own);
}

/** How uneven the line is: over the straight or breasted line its teeth lie on. mm. */
function spreadOf(saw: Saw, { teeth }: LineView): number | null {
  if (!isPointed(saw)) return lineStatistics(teeth, placesOn(saw, teeth.length))?.heightSpreadMm ?? null;
  const over = overOwnArc(standingTeeth(teeth), rolesOn(saw, teeth.length) ?? []).filter((mm) => !Number.isNaN(mm));
  return over.length === 0 ? null : Math.max(...over);
}
