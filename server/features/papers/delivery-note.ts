import { DateTime } from 'luxon';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Dossier } from '@odontis/contract/dossier';
import type { Outwork } from '@odontis/contract/outwork';
import { sawInWords } from '@odontis/contract/saw-words';
import type { ShopBook } from '@odontis/contract/shop';
import { POWERED_BLADE_CAUTION } from '@odontis/core/circular/blade-geometry';
import { isPowered } from '@odontis/core/saw/all-families';
import { pt } from './print';

/** What goes with a saw to a grinder: what it is, what is to be done, until when, and room for who took it and brought it back. Its owner's name stays in the shop. */
export function deliveryNote({ ticket, saw }: Dossier, sent: Outwork, book: ShopBook): TDocumentDefinitions {
  const day = (iso: string): string => DateTime.fromISO(iso).toFormat('d LLLL yyyy');
  const row = (name: string, value: string): [string, string] => [name, value];
  return {
    pageSize: 'A5',
    pageMargins: [pt(14), pt(12), pt(14), pt(12)],
    info: { title: `Delivery note ${ticket.number}-${sent.number}` },
    content: [
      { text: book.name, fontSize: 10, color: '#3b3f8f', bold: true },
      { text: `Delivery note ${ticket.number}-${sent.number}`, fontSize: 18, bold: true },
      { text: `To ${sent.grinder} · ${day(sent.at)}`, color: '#555', margin: [0, 0, 0, 8] },
      {
        layout: 'noBorders',
        table: {
          body: [
            row('Saw', `No. ${ticket.number}, ${saw.name}, ${sawInWords(saw, book)}`),
            ...(saw.marksOnIt === '' ? [] : [row('Stamped on it', saw.marksOnIt)]),
            ...('markedLimitRpm' in saw && saw.markedLimitRpm !== null
              ? [row('Marked limit', `${saw.markedLimitRpm} turns a minute`)]
              : []),
            row('To be done', sent.work),
            row('Wanted back', day(sent.dueOn)),
            row('Price', sent.amount === null ? 'to be told' : `${ticket.currency} ${sent.amount.toFixed(2)}`),
            row('Sent by', sent.by),
          ],
        },
      },
      ...(isPowered(saw.family)
        ? [{ text: POWERED_BLADE_CAUTION, fontSize: 8, margin: [0, 8, 0, 0] as [number, number, number, number] }]
        : []),
      {
        columns: [{ text: 'Taken ……………………………' }, { text: 'Back ……………………………' }],
        margin: [0, 30, 0, 0],
      },
    ],
  };
}
