import type { Dossier } from '@odontis/contract/dossier';
import type { MessageKind } from '@odontis/contract/notes';
import { ownerReasons } from '@odontis/contract/owner-words';
import { liveSays } from '@odontis/contract/price-words';
import { priceStanding } from '@odontis/core/money/price-chain';

/** The words a note begins with; whoever writes it changes them as they like. A new price is quoted beside the price. */
export function messageFor(
  kind: Exclude<MessageKind, 'price'>,
  { ticket, customer, saw, prices, cameWith }: Dossier,
  day: (iso: string) => string,
  money: (amount: number, currency: string) => string,
): string {
  const called = `${saw.name.charAt(0).toLowerCase()}${saw.name.slice(1)}`;
  const waiting = cameWith.filter(({ stage }) => ['measure', 'plan', 'bench', 'check'].includes(stage));
  const stays =
    waiting.length === 0 ? '' : `Still with us: ${waiting.map((one) => `no. ${one.number}, ${one.saw}`).join('; ')}.`;
  switch (kind) {
    case 'ready':
      return `${customer.name}: your ${called} (no. ${ticket.number}) is ready. ${liveSays(priceStanding(prices), (amount) => money(amount, ticket.currency))} Keep the guard on.${stays === '' ? '' : ` ${stays}`}`;
    case 'question':
      return `${customer.name}: about your ${called} (no. ${ticket.number}), promised for ${day(ticket.promisedOn)}: `;
    case 'refusal':
      return `${customer.name}: we cannot take on your ${called} (no. ${ticket.number}). ${
        ownerReasons(ticket.reasons.filter((r) => r.verdict === 'decline')).join(' ') || ticket.overrideReason
      }`.trim();
  }
}
