import type { Transaction } from 'sequelize';
import type { Gauging } from '@odontis/contract/gauging';
import type { Database } from '../../database/connect';
import { findingOf } from './angle-row';

/** Every session of a ticket with its readings in the order taken. */
export async function readGaugings(
  db: Database,
  ticketId: number,
  nameOf: (id: number) => string,
  transaction?: Transaction,
): Promise<Gauging[]> {
  const sessions = await db.models.Gauging.findAll({ where: { ticketId }, order: ['id'], transaction });
  if (sessions.length === 0) return [];
  const readings = await db.models.Gauged.findAll({
    where: { gaugingId: sessions.map((s) => s.id) },
    order: ['gaugingId', 'taken'],
    raw: true,
    transaction,
  });
  const angles = await db.models.AngleRead.findAll({
    where: { gaugingId: sessions.map((s) => s.id) },
    order: ['gaugingId', 'taken'],
    raw: true,
    transaction,
  });
  return sessions.map((s) => ({
    id: s.id,
    key: s.key,
    kind: s.kind,
    by: nameOf(s.startedBy),
    startedAt: s.startedAt.toISOString(),
    finishedAt: s.finishedAt?.toISOString() ?? null,
    note: s.note,
    readings: readings
      .filter((r) => r.gaugingId === s.id)
      .map(({ key, quantity, part, place, valueMm, gauge, setAside, corrects, takenBy, takenAt }) => ({
        key,
        quantity,
        part,
        place,
        valueMm,
        gauge,
        setAside,
        corrects,
        by: nameOf(takenBy),
        at: new Date(takenAt).toISOString(),
      })),
    angles: angles
      .filter((r) => r.gaugingId === s.id)
      .map((r) => ({
        key: r.key,
        part: r.part,
        tooth: r.tooth,
        finding: findingOf(r),
        setAside: r.setAside,
        corrects: r.corrects,
        by: nameOf(r.takenBy),
        at: new Date(r.takenAt).toISOString(),
      })),
  }));
}
