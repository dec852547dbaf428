import type { Transaction } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { KeptReadings, MeasuringKind } from '@odontis/contract/readings';
import type { ToothReading } from '@odontis/core/saw/tooth-reading';
import { standingTeeth } from '@odontis/core/saw/tooth-reading';
import { isStraightFamily } from '@odontis/core/saw/families';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { readDossier } from '../tickets/dossier';
import { changeTicket } from '../tickets/hold';

/** Fewer standing teeth than this make no line. */
const FEWEST_TEETH = 3;

/** Values that this change puts out of force go beside the line. A tooth measured for the first time puts out none. */
async function keepOld(
  db: Database,
  measuringId: number,
  next: readonly ToothReading[],
  by: number,
  t: Transaction,
): Promise<void> {
  const old = await db.models.Reading.findAll({ where: { measuringId }, raw: true, transaction: t });
  const changed = old.flatMap(({ tooth, xMm, yMm, lean, setMm, kind, note }) => {
    const now = next[tooth - 1];
    // What was empty before is filled in, not corrected.
    const kept = <T>(was: T | null, is: T | null | undefined): boolean => was === null || was === is;
    const same =
      now &&
      now.xMm === xMm &&
      now.yMm === yMm &&
      now.kind === kind &&
      kept(lean, now.lean) &&
      kept(setMm, now.setMm) &&
      kept(note, now.note);
    return same ? [] : [{ measuringId, tooth, was: { tooth, xMm, yMm, lean, setMm, kind, note }, changedBy: by }];
  });
  if (changed.length > 0) await db.models.ReadingWas.bulkCreate(changed, { transaction: t });
}

async function roundOf(db: Database, ticketId: number, kind: MeasuringKind, t: Transaction): Promise<number> {
  return kind === 'before' ? 1 : (await db.models.CheckRound.count({ where: { ticketId }, transaction: t })) + 1;
}

/**
 * A whole line of readings replaces the one of that version: all rows or none. What a
 * correction puts out of force is kept beside it; another sitting leaves the last one as it was.
 */
export function keepReadings(
  db: Database,
  ticketId: number,
  kind: MeasuringKind,
  change: KeptReadings,
  by: number,
): Promise<Dossier> {
  const stages = kind === 'before' ? (['measure', 'plan'] as const) : (['check'] as const);
  return changeTicket(db, ticketId, stages, async (ticket, t) => {
    const saw = await db.models.Saw.findByPk(ticket.sawId, { transaction: t, rejectOnEmpty: true });
    if (!isStraightFamily(saw.family))
      throw new Problem(
        'wrong-stage',
        'Only the lines of hand and back saws are measured here.',
        [],
        await readDossier(db, ticketId, t),
      );
    const round = await roundOf(db, ticketId, kind, t);
    const found = await db.models.Measuring.findOne({
      where: { ticketId, kind, round },
      order: [['sitting', 'DESC']],
      transaction: t,
    });
    if ((found?.version ?? 0) !== change.version) {
      throw new Problem(
        'edited-elsewhere',
        'These readings were changed by somebody else meanwhile.',
        [],
        await readDossier(db, ticketId, t),
      );
    }
    if (change.finish && standingTeeth(change.readings).length < FEWEST_TEETH) {
      throw new Problem('readings-unfit', 'Measure three teeth at least before going on.');
    }
    const next = {
      version: change.version + 1,
      gauge: change.gauge,
      finished: change.finish,
      changedBy: by,
      changedAt: new Date(),
    };
    const sitting = (found?.sitting ?? 0) + 1;
    const measuring =
      found && !change.anew
        ? await found.update(next, { transaction: t })
        : await db.models.Measuring.create({ ticketId, kind, round, sitting, ...next }, { transaction: t });
    await keepOld(db, measuring.id, change.readings, by, t);
    await db.models.Reading.destroy({ where: { measuringId: measuring.id }, transaction: t });
    await db.models.Reading.bulkCreate(
      change.readings.map((r) => ({
        measuringId: measuring.id,
        tooth: r.tooth,
        xMm: r.xMm,
        yMm: r.yMm,
        lean: r.lean ?? null,
        setMm: r.setMm ?? null,
        kind: r.kind,
        note: r.note ?? null,
      })),
      { transaction: t },
    );
    if (kind === 'before') {
      const stage = change.finish ? 'plan' : 'measure';
      if (stage !== ticket.stage) await ticket.update({ stage, version: ticket.version + 1 }, { transaction: t });
    }
  });
}
