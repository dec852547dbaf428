import type { Dossier } from '@odontis/contract/dossier';
import type { EndChange, Ending, ReopenChange } from '@odontis/contract/ticket';
import { mayCharge, priceStanding } from '@odontis/core/money/price-chain';
import { deedsOf } from '@odontis/core/work/deeds';
import type { Transaction } from 'sequelize';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { addWord, holdWork, readPrices } from '../money/price-words';
import { readDossier } from './dossier';
import { changeTicket, refuseStale } from './hold';
import type { TicketRow } from './model';

const OPEN = ['measure', 'plan', 'bench', 'check', 'handover'] as const;
/** Lines of a ticket's reasons, as many as it holds. */
const LONGEST_REASON = 2000;

/** How an end is told among a ticket's reasons. */
const ENDED: Readonly<Record<Ending, string>> = {
  refused: 'Refused after all',
  cancelled: 'Called off',
  returned: 'Given back without being sharpened',
  'given-up': 'Given up',
  lost: 'Lost',
  swapped: 'Gone home with somebody else',
};

/**
 * A ticket ended without the work it came for, at any stage. What was done of it stays as it was done; what its order
 * kept in the Store is free again, and the saw leaves the rack.
 */
export async function endTicket(db: Database, id: number, change: EndChange, by: number): Promise<Dossier> {
  const known = await db.models.PriceWord.findOne({ where: { key: change.key, ticketId: id } });
  if (known) return readDossier(db, id);
  return changeTicket(db, id, OPEN, async (row, t) => {
    await refuseStale(db, row, change.version, t);
    await refuseUntrue(db, row, change, t);
    const fee = change.fee ?? 0;
    if (fee > 0) await chargeFee(db, row, { ...change, fee }, by, t);
    const who = change.by === 'customer' ? 'the customer' : 'the shop';
    await row.update(
      {
        stage: 'declined',
        endedAs: change.ending,
        endedFrom: row.stage,
        tried: change.tried.trim(),
        overrideReason: withLine(row.overrideReason, `${ENDED[change.ending]} by ${who}: ${change.reason}`),
        closedBy: by,
        closedAt: new Date(),
        ...{ waitsFor: null, waitsNote: '', heldFrom: null, version: row.version + 1 },
      },
      { transaction: t },
    );
  });
}

const withLine = (lines: string, line: string): string =>
  [lines, line]
    .filter((one) => one !== '')
    .join('\n')
    .slice(-LONGEST_REASON);

/** A saw is not given back as it came where it was worked on. */
async function refuseUntrue(db: Database, row: TicketRow, { ending }: EndChange, t: Transaction): Promise<void> {
  if (ending !== 'returned') return;
  const { plan, earlier } = await readDossier(db, row.id, t);
  const worked = [...earlier, ...(plan ? [plan] : [])].some((one) =>
    deedsOf(one.order, one).some((deed) => deed.done > 0 && deed.step.unit !== 'whole'),
  );
  if (worked)
    throw new Problem(
      'bad-input',
      'Its teeth were worked on: it does not go home as it came. Call it given up, or called off.',
      [{ path: '/ending', message: 'It was worked on already.' }],
    );
}

async function chargeFee(
  db: Database,
  row: TicketRow,
  { key, fee, reason }: EndChange & { readonly fee: number },
  by: number,
  t: Transaction,
): Promise<void> {
  const chain = await readPrices(db, row.id, t);
  if (!mayCharge(chain, fee))
    throw new Problem(
      'price-not-agreed',
      `${row.currency} ${fee.toFixed(2)} is above what was agreed, ${row.currency} ${priceStanding(chain).upTo.toFixed(2)}.`,
      [{ path: '/fee', message: 'A fee is within what was agreed.' }],
    );
  await addWord(
    db,
    { key, ticketId: row.id, kind: 'charged', low: fee, high: fee, note: reason.slice(0, 1000), personId: by },
    t,
  );
}

/** A ticket that ended by mistake, or whose saw came to light again, goes on at the stage it was at. */
export function reopenTicket(db: Database, id: number, { version, reason }: ReopenChange): Promise<Dossier> {
  return changeTicket(db, id, ['declined'], async (row, t) => {
    await refuseStale(db, row, version, t);
    const other = await db.models.Ticket.findOne({ where: { sawId: row.sawId, closedAt: null }, transaction: t });
    if (other) throw new Problem('saw-in-shop', `This saw is in the shop on ticket no. ${other.number}: go on there.`);
    if (priceStanding(await readPrices(db, id, t)).live?.kind === 'charged')
      throw new Problem('wrong-stage', 'A fee was charged: what comes now is another visit. Take the saw in again.');
    const plan = await db.models.Plan.findOne({ where: { ticketId: id }, order: [['number', 'DESC']], transaction: t });
    await row.update(
      {
        stage: row.endedFrom ?? (plan ? 'bench' : 'measure'),
        ...{ endedAs: null, endedFrom: null, closedBy: null, closedAt: null, version: row.version + 1 },
        overrideReason: withLine(row.overrideReason, `Goes on: ${reason}`),
      },
      { transaction: t },
    );
    await holdWork(db, row, t);
  });
}
