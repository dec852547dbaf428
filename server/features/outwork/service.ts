import type { Transaction } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { NewOutwork, OutworkBack } from '@odontis/contract/outwork';
import { awayNow, sumWithOutwork } from '@odontis/contract/outwork';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { addWord, holdWork, readPrices } from '../money/price-words';
import { changeTicket, refuseStale } from '../tickets/hold';
import type { TicketRow } from '../tickets/model';
import { readOutwork } from './read-outwork';

const OPEN_STAGES = ['measure', 'plan', 'bench', 'check', 'handover'] as const;

/** Sends a saw to a grinder: it waits for it, and what that costs enters its price. */
export function sendOut(db: Database, id: number, { version, ...told }: NewOutwork, by: number): Promise<Dossier> {
  return changeTicket(db, id, OPEN_STAGES, async (row, t) => {
    if (await db.models.Outwork.findOne({ where: { key: told.key }, transaction: t })) return;
    await refuseStale(db, row, version, t);
    const before = await readOutwork(db, id, t);
    const away = awayNow(before);
    if (away) throw new Problem('away', `It is at ${away.grinder}’s already: say first that it is back.`);
    const sent = await db.models.Outwork.create(
      { ...told, ticketId: id, number: before.length + 1, personId: by },
      { transaction: t },
    );
    await row.update({ waitsFor: 'grinder', waitsNote: told.grinder, version: row.version + 1 }, { transaction: t });
    if (told.amount !== null) await priceAnew(db, { row, outworkId: sent.id, by, note: told.grinder }, t);
  });
}

/** It came back: it waits no more, and the grinder's own price stands in place of the foretold. */
export function cameBack(db: Database, id: number, { version, ...told }: OutworkBack, by: number): Promise<Dossier> {
  return changeTicket(db, id, OPEN_STAGES, async (row, t) => {
    if (await db.models.OutworkBack.findOne({ where: { key: told.key }, transaction: t })) return;
    await refuseStale(db, row, version, t);
    const away = awayNow(await readOutwork(db, id, t));
    if (!away) throw new Problem('wrong-stage', 'It is not away: it came back before.');
    await db.models.OutworkBack.create({ ...told, outworkId: away.id, personId: by }, { transaction: t });
    const waits = row.waitsFor === 'grinder' ? { waitsFor: null, waitsNote: '' } : {};
    await row.update({ ...waits, version: row.version + 1 }, { transaction: t });
    if (told.amount !== away.amount) await priceAnew(db, { row, outworkId: away.id, by, note: away.grinder }, t);
  });
}

interface ToPrice {
  readonly row: TicketRow;
  readonly outworkId: number;
  readonly by: number;
  readonly note: string;
}

/** The price with what the grinders ask: the shop's own work by the plan, or up to the estimate, and theirs. */
async function priceAnew(db: Database, { row, outworkId, by, note }: ToPrice, t: Transaction): Promise<void> {
  const chain = await readPrices(db, row.id, t);
  const own = chain.findLast((word) => word.kind === 'plan') ?? chain.findLast((word) => word.kind === 'estimate');
  const sent = await readOutwork(db, row.id, t);
  const amount = sumWithOutwork(own ?? null, sent);
  const { minutesHigh: minutes = null } = own ?? {};
  const told = { minutesLow: minutes, minutesHigh: minutes, minutesLikely: minutes };
  await addWord(
    db,
    { ...{ ticketId: row.id, kind: 'outwork', low: amount, high: amount, ...told }, outworkId, personId: by, note },
    t,
  );
  await holdWork(db, row, t);
}
