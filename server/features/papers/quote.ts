import { DateTime } from 'luxon';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Dossier } from '@odontis/contract/dossier';
import { sawInWords } from '@odontis/contract/saw-words';
import type { ShopBook } from '@odontis/contract/shop';
import { POWERED_BLADE_CAUTION } from '@odontis/core/circular/blade-geometry';
import { ownerReasons } from '@odontis/contract/owner-words';
import { rangeSays } from '@odontis/contract/price-words';
import type { PriceWord } from '@odontis/core/money/price-chain';
import { isPowered } from '@odontis/core/saw/all-families';
import { pt } from './print';

/** The quote of one arrival: every saw with what was found, its range, what cannot be undone, and room for the owner's word. */
export function quoteDocument(dossiers: readonly Dossier[], book: ShopBook): TDocumentDefinitions {
  const first = dossiers[0];
  if (!first) throw new RangeError('A quote is for one saw at least.');
  const money = (amount: number, currency: string): string => `${currency} ${amount.toFixed(2)}`;
  const open = dossiers.filter((d) => d.ticket.stage !== 'declined');
  const quoted = open.map(quoteOf).filter((word) => word !== null);
  const sum = (of: 'low' | 'high'): number => quoted.reduce((all, word) => all + word[of], 0);
  const told =
    quoted
      .map((word) => word.at)
      .sort()
      .at(-1) ?? first.ticket.openedAt;
  return {
    pageSize: 'A5',
    pageMargins: [pt(14), pt(12), pt(14), pt(12)],
    info: { title: `Quote ${quoted.map((word) => word.quote).join(', ')}` },
    content: [
      { text: book.name, fontSize: 10, color: '#3b3f8f', bold: true },
      { text: 'Quote', fontSize: 18, bold: true },
      {
        text: `${first.customer.name} · ${DateTime.fromISO(told).toFormat('d LLLL yyyy')}`,
        color: '#555',
        margin: [0, 0, 0, 6],
      },
      ...dossiers.flatMap((dossier) => oneSaw(dossier, book, money)),
      ...(open.length > 1
        ? ([
            {
              text: `Together ${rangeSays(sum('low'), sum('high'), (amount) => money(amount, first.ticket.currency))}`,
              bold: true,
              margin: [0, 6, 0, 0],
            },
          ] satisfies Content[])
        : []),
      {
        text: 'A range is what cannot be known before the saw is measured; the price is fixed then, and nothing above the upper is charged without asking.',
        fontSize: 8,
        color: '#555',
        margin: [0, 8, 0, 0],
      },
      ...(dossiers.some((d) => isPowered(d.saw.family))
        ? ([{ text: POWERED_BLADE_CAUTION, fontSize: 8, margin: [0, 4, 0, 0] }] satisfies Content[])
        : []),
      {
        columns: [{ text: 'Agreed ……………………………' }, { text: 'Declined ……………………………' }],
        margin: [0, 22, 0, 0],
      },
    ],
  };
}

function oneSaw({ ticket, saw, prices }: Dossier, book: ShopBook, money: (a: number, c: string) => string): Content[] {
  const agreed = ticket.reasons.filter((r) => ticket.consents.includes(r.rule));
  const say = (amount: number): string => money(amount, ticket.currency);
  const word = quoteOf({ prices });
  const promised = `promised ${DateTime.fromISO(ticket.promisedOn).toFormat('d LLLL yyyy')}`;
  return [
    { text: `No. ${ticket.number} · ${saw.name}, ${sawInWords(saw, book)}`, bold: true, margin: [0, 6, 0, 1] },
    {
      ul: ownerReasons(ticket.reasons),
      fontSize: 9,
    },
    ...(agreed.length > 0
      ? ([{ text: 'The owner has agreed to what cannot be undone.', fontSize: 9, bold: true }] satisfies Content[])
      : []),
    {
      text:
        ticket.stage === 'declined'
          ? 'Declined'
          : !word
            ? 'No price was told.'
            : ticket.waitsFor === 'grinder'
              ? `Handling ${rangeSays(word.low, word.high, say)}; the grinder’s own price comes on top. ${promised}`
              : word.kind === 'estimate'
                ? `${rangeSays(word.low, word.high, say)} · ${promised}`
                : `Quote ${word.quote ?? ''}: up to ${say(word.high)} · ${promised}`,
      margin: [0, 2, 0, 0],
    },
  ];
}

/** What a ticket was quoted last: at the counter, or since. */
const quoteOf = ({ prices }: Pick<Dossier, 'prices'>): PriceWord | null =>
  prices.findLast((word) => word.kind === 'estimate' || word.kind === 'asked') ?? null;
