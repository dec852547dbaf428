import type { Transaction } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { NewPriceWord } from '@odontis/contract/price';
import { mayAs } from '@odontis/contract/roles';
import { priceStanding } from '@odontis/core/money/price-chain';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import type { Who } from '../../http/who';
import { readDossier } from '../tickets/dossier';
import { changeTicket, refuseStale } from '../tickets/hold';
import type { TicketRow } from '../tickets/model';
import { addWord, holdWork, readPrices } from './price-words';

const OPEN = ['measure', 'plan', 'bench', 'check', 'handover'] as const;

/** The number of a ticket's next quote: 1042 at the counter, then 1042-2, 1042-3. */
async function nextQuote(db: Database, row: TicketRow, t: Transaction): Promise<string> {
  const quotes = (await readPrices(db, row.id, t)).filter((word) => word.quote !== null).length;
  return quotes === 0 ? String(row.number) : `${row.number}-${quotes + 1}`;
}

/** What is said of the price of an open ticket: asked with a quote's own number, answered by the customer, or waived by the owner. */
export async function sayPrice(db: Database, ticketId: number, word: NewPriceWord, who: Who): Promise<Dossier> {
  if (word.kind === 'waived' && !mayAs(who.role, 'owner'))
    throw new Problem('not-allowed', 'Only an owner lets work begin that nobody agreed to pay for.');
  const known = await db.models.PriceWord.findOne({ where: { key: word.key } });
  if (known) return readDossier(db, known.ticketId);
  return changeTicket(db, ticketId, OPEN, async (row, t) => {
    // Sent twice at once: the second waited for the first at the ticket's lock.
    if (await db.models.PriceWord.findOne({ where: { key: word.key }, transaction: t })) return;
    await refuseStale(db, row, word.version, t);
    const before = priceStanding(await readPrices(db, ticketId, t));
    refuseWord(word, before);
    const { upTo, note } = word;
    const said = 'wordBy' in word ? { wordBy: word.wordBy, said: word.said } : {};
    const head = { key: word.key, ticketId, kind: word.kind, low: upTo, high: upTo, note, personId: who.personId };
    const quote = word.kind === 'asked' ? await nextQuote(db, row, t) : null;
    const id = await addWord(db, { ...head, ...said, quote }, t);
    if (word.kind === 'asked' && word.message)
      await db.models.Message.create(
        { ...word.message, kind: 'price', ticketId, writtenBy: who.personId, priceWordId: id },
        { transaction: t },
      );
    const waits =
      word.kind === 'asked'
        ? ({
            waitsFor: 'customer',
            waitsNote: `the price: quote ${quote}, up to ${row.currency} ${upTo.toFixed(2)}`,
          } as const)
        : before.asked && row.waitsFor === 'customer'
          ? ({ waitsFor: null, waitsNote: '' } as const)
          : {};
    await row.update({ ...waits, version: row.version + 1 }, { transaction: t });
    await holdWork(db, row, t);
  });
}

function refuseWord(word: NewPriceWord, { live, upTo, over }: ReturnType<typeof priceStanding>): void {
  const bad = (message: string): Problem => new Problem('bad-input', message, [{ path: '/upTo', message }]);
  if (word.kind === 'waived' && over === 0) throw bad('Nothing lies above what was agreed: there is nothing to waive.');
  if (word.kind === 'asked' && word.upTo <= upTo)
    throw bad(`Up to ${upTo.toFixed(2)} is agreed already: a new quote asks for more.`);
  if (word.kind === 'refused' && live === null) throw bad('Nothing was quoted that could be refused.');
}
