import { DateTime } from 'luxon';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Dossier } from '@odontis/contract/dossier';
import { sawInWords } from '@odontis/contract/saw-words';
import type { ShopBook } from '@odontis/contract/shop';
import { POWERED_BLADE_CAUTION } from '@odontis/core/circular/blade-geometry';
import { isPowered } from '@odontis/core/saw/all-families';
import { pt } from './print';

/** The quote of one arrival: every saw with what was found, its range, what cannot be undone, and room for the owner's word. */
export function quoteDocument(dossiers: readonly Dossier[], book: ShopBook): TDocumentDefinitions {
  const first = dossiers[0];
  if (!first) throw new RangeError('A quote is for one saw at least.');
  const money = (amount: number, currency: string): string => `${currency} ${amount.toFixed(2)}`;
  const open = dossiers.filter((d) => d.ticket.stage !== 'declined');
  const sum = (of: 'quoteLow' | 'quoteHigh'): number => open.reduce((all, d) => all + d.ticket[of], 0);
  return {
    pageSize: 'A5',
    pageMargins: [pt(14), pt(12), pt(14), pt(12)],
    info: { title: `Quote ${dossiers.map((d) => d.ticket.number).join(', ')}` },
    content: [
      { text: book.name, fontSize: 10, color: '#3b3f8f', bold: true },
      { text: 'Quote', fontSize: 18, bold: true },
      {
        text: `${first.customer.name} · ${DateTime.fromISO(first.ticket.openedAt).toFormat('d LLLL yyyy')}`,
        color: '#555',
        margin: [0, 0, 0, 6],
      },
      ...dossiers.flatMap((dossier) => oneSaw(dossier, book, money)),
      ...(open.length > 1
        ? ([
            {
              text: `Together ${money(sum('quoteLow'), first.ticket.currency)} to ${money(sum('quoteHigh'), first.ticket.currency)}`,
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

function oneSaw({ ticket, saw }: Dossier, book: ShopBook, money: (a: number, c: string) => string): Content[] {
  const agreed = ticket.reasons.filter((r) => ticket.consents.includes(r.rule));
  return [
    { text: `No. ${ticket.number} · ${saw.name}, ${sawInWords(saw, book)}`, bold: true, margin: [0, 6, 0, 1] },
    {
      ul: ticket.reasons.map((r) => `${r.part ? `${r.part}: ` : ''}${r.says}`),
      fontSize: 9,
    },
    ...(agreed.length > 0
      ? ([{ text: 'The owner has agreed to what cannot be undone.', fontSize: 9, bold: true }] satisfies Content[])
      : []),
    {
      text:
        ticket.stage === 'declined'
          ? 'Declined'
          : ticket.waitsFor === 'grinder'
            ? `Handling ${money(ticket.quoteLow, ticket.currency)}; the grinder’s own price comes on top. Promised ${ticket.promisedOn}`
            : `${money(ticket.quoteLow, ticket.currency)} to ${money(ticket.quoteHigh, ticket.currency)} · promised ${ticket.promisedOn}`,
      margin: [0, 2, 0, 0],
    },
  ];
}
