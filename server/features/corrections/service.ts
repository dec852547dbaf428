import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { NewSawCorrection } from '@odontis/contract/corrections';
import type { Dossier } from '@odontis/contract/dossier';
import { keptSaw } from '@odontis/contract/saw';
import { markFaults } from '@odontis/contract/ticket';
import type { Saw } from '@odontis/core/saw/saw';
import { sawFaults } from '@odontis/core/saw/saw-faults';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import type { SawRow } from '../customers/model';
import { toSaw, toSawRow } from '../customers/service';
import { changeTicket, refuseStale } from '../tickets/hold';

const OPEN_STAGES = ['measure', 'plan', 'bench', 'check', 'handover'] as const;

/** What a change of a saw's data is of: which ticket, by whom, why; sent twice it counts once. */
export interface PutRight {
  readonly ticketId: number;
  readonly by: number;
  readonly why: string;
  readonly key?: string;
}

/**
 * A saw's own data put right, at any stage: what changed is kept as it was and as it is. An order accepted before stays
 * as it is, and the screens say that it stands on the old data.
 */
export function correctSaw(db: Database, ticketId: number, change: NewSawCorrection, by: number): Promise<Dossier> {
  return changeTicket(db, ticketId, OPEN_STAGES, async (row, t) => {
    if (await db.models.SawCorrection.findOne({ where: { key: change.key }, transaction: t })) return;
    await refuseStale(db, row, change.version, t);
    const saw = await db.models.Saw.findByPk(row.sawId, { transaction: t, rejectOnEmpty: true });
    if (saw.family !== change.saw.family)
      throw new Problem('bad-input', 'A saw of another family is another saw: end this ticket and take that one in.', [
        { path: '/saw/family', message: 'Another family is another saw.' },
      ]);
    const [mark] = markFaults(saw.family, change.saw, row.marks);
    if (mark !== undefined) throw new Problem('bad-input', mark, [{ path: '/saw', message: mark }]);
    const changed = await putRight(db, saw, change.saw, { ticketId, by, why: change.why, key: change.key }, t);
    if (!changed)
      throw new Problem('bad-input', 'That is what is kept of it already.', [
        { path: '/saw', message: 'Nothing changed.' },
      ]);
    await row.update({ version: row.version + 1 }, { transaction: t });
  });
}

/** The saw as it would be, where it can be, with what it was before. Whether anything changed. */
export async function putRight(
  db: Database,
  row: SawRow,
  told: Saw,
  { ticketId, by, why, key = randomUUID() }: PutRight,
  t: Transaction,
  path = '/saw',
): Promise<boolean> {
  const kept = toSaw(row);
  const read = keptSaw.safeParse({ ...told, id: row.id });
  const says = read.success ? sawFaults(read.data)[0]?.message : read.error.issues[0]?.message;
  if (!read.success || says !== undefined) throw new Problem('bad-input', says ?? '', [{ path, message: says ?? '' }]);
  const [before, after] = differing(kept, read.data);
  if (Object.keys(after).length === 0 && Object.keys(before).length === 0) return false;
  await row.update(toSawRow(read.data), { transaction: t });
  await db.models.SawCorrection.create(
    { key, sawId: row.id, ticketId, before, after, why, personId: by },
    { transaction: t },
  );
  return true;
}

/** What differs between two tellings of one saw, in each of them; a datum that one lacks stands as null. */
function differing(was: object, is: object): [Record<string, unknown>, Record<string, unknown>] {
  const [old, fresh] = [new Map(Object.entries(was)), new Map(Object.entries(is))];
  const keys = [...new Set([...old.keys(), ...fresh.keys()])].filter(
    (key) => JSON.stringify(old.get(key)) !== JSON.stringify(fresh.get(key)),
  );
  const of = (from: ReadonlyMap<string, unknown>): Record<string, unknown> =>
    Object.fromEntries(keys.map((key) => [key, from.get(key) ?? null]));
  return [of(old), of(fresh)];
}
