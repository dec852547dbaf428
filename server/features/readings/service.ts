import type { Transaction } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { MeasuringKind, ReadingsChange } from '@odontis/contract/readings';
import { standingTeeth } from '@odontis/core/saw/tooth-reading';
import { isStraightFamily } from '@odontis/core/saw/any-saw';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { readDossier } from '../tickets/dossier';
import { changeTicket } from '../tickets/hold';

/** Fewer standing teeth than this make no line. */
const FEWEST_TEETH = 3;

async function roundOf(db: Database, ticketId: number, kind: MeasuringKind, t: Transaction): Promise<number> {
  return kind === 'before' ? 1 : (await db.models.CheckRound.count({ where: { ticketId }, transaction: t })) + 1;
}

/** A whole line of readings replaces the one of that version: all rows or none. */
export function keepReadings(
  db: Database,
  ticketId: number,
  kind: MeasuringKind,
  change: ReadingsChange,
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
    const found = await db.models.Measuring.findOne({ where: { ticketId, kind, round }, transaction: t });
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
    const next = { version: change.version + 1, finished: change.finish, changedBy: by, changedAt: new Date() };
    const measuring = found
      ? await found.update(next, { transaction: t })
      : await db.models.Measuring.create({ ticketId, kind, round, ...next }, { transaction: t });
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
