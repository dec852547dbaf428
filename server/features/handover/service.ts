import type { Transaction } from 'sequelize';
import type { Handover } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import { readOrder } from '@odontis/core/work/read-order';
import { sawAfter } from '@odontis/core/work/saw-after';
import type { Database } from '../../database/connect';
import { mayCharge, priceStanding, sameMoney } from '@odontis/core/money/price-chain';
import { Problem } from '../../http/problem';
import { toSaw, toSawRow } from '../customers/service';
import { addWord, readPrices } from '../money/price-words';
import { refuseAway } from '../outwork/read-outwork';
import { readDossier } from '../tickets/dossier';
import { changeTicket, refuseStale } from '../tickets/hold';

/** The book knows the saw as it leaves: converted, or with its new teeth. */
async function keepSawAsLeft(db: Database, sawId: number, ticketId: number, t: Transaction): Promise<void> {
  const plan = await db.models.Plan.findOne({ where: { ticketId }, order: [['number', 'DESC']], transaction: t });
  if (plan?.work !== 'convert' && plan?.work !== 'retooth') return;
  const kept = await db.models.Saw.findByPk(sawId, { transaction: t, rejectOnEmpty: true });
  await kept.update(toSawRow(sawAfter(toSaw(kept), readOrder(plan.body))), { transaction: t });
}

/** The saw goes back to its owner: the ticket is closed with what was charged, which is never more than was agreed, and said. */
export async function closeTicket(db: Database, ticketId: number, handover: Handover, by: number): Promise<Dossier> {
  const known = await db.models.PriceWord.findOne({ where: { key: handover.key, ticketId } });
  // Sent a second time because the first answer was lost on its way: it went home already.
  if (known) return readDossier(db, ticketId);
  return changeTicket(db, ticketId, ['handover'], async (row, t) => {
    await refuseStale(db, row, handover.version, t);
    await refuseAway(db, ticketId, t);
    const chain = await readPrices(db, ticketId, t);
    const { live, upTo } = priceStanding(chain);
    if (!mayCharge(chain, handover.charged))
      throw new Problem(
        'price-not-agreed',
        `${row.currency} ${handover.charged.toFixed(2)} is above what was agreed, ${row.currency} ${upTo.toFixed(2)}: ask the customer, and write their answer down first.`,
        [{ path: '/charged', message: `At most ${upTo.toFixed(2)} without another word.` }],
        await readDossier(db, ticketId, t),
      );
    if (
      (live?.kind === 'plan' || live?.kind === 'outwork') &&
      !sameMoney(live.high, handover.charged) &&
      handover.why.trim() === ''
    )
      throw new Problem('bad-input', `The price is ${live.high.toFixed(2)}: say why another sum is charged.`, [
        { path: '/why', message: 'Why another sum is charged.' },
      ]);
    const word = {
      key: handover.key,
      ticketId,
      kind: 'charged',
      low: handover.charged,
      high: handover.charged,
    } as const;
    await addWord(db, { ...word, note: handover.why.trim(), personId: by }, t);
    await row.update(
      {
        stage: 'closed',
        version: row.version + 1,
        closedBy: by,
        closedAt: new Date(),
        handoverNote: handover.note,
      },
      { transaction: t },
    );
    await keepSawAsLeft(db, row.sawId, ticketId, t);
  });
}
