import type { Dossier } from '@odontis/contract/dossier';
import type { MessageKind } from '@odontis/contract/notes';

/** The words a note begins with; whoever writes it changes them as they like. */
export function messageFor(
  kind: MessageKind,
  { ticket, customer, saw }: Dossier,
  day: (iso: string) => string,
  money: (amount: number, currency: string) => string,
): string {
  const called = `${saw.name.charAt(0).toLowerCase()}${saw.name.slice(1)}`;
  switch (kind) {
    case 'ready':
      return `${customer.name}: your ${called} (no. ${ticket.number}) is ready. It costs ${money(ticket.quoteLow, ticket.currency)} to ${money(ticket.quoteHigh, ticket.currency)}; keep the guard on.`;
    case 'question':
      return `${customer.name}: about your ${called} (no. ${ticket.number}), promised for ${day(ticket.promisedOn)}: `;
    case 'refusal':
      return `${customer.name}: we cannot take on your ${called} (no. ${ticket.number}). ${
        ticket.reasons
          .filter((r) => r.verdict === 'decline')
          .map((r) => r.says)
          .join(' ') || ticket.overrideReason
      }`.trim();
  }
}
