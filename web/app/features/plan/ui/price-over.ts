import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Dossier } from '@odontis/contract/dossier';
import { priceStanding } from '@odontis/core/money/price-chain';
import { preparingMinutes } from '@odontis/core/work/preparing';
import { priceFor } from '@odontis/core/work/price';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';

/** Before a plan is accepted: what the ticket would cost by it, where that lies above what was agreed, and what follows. */
@Component({
  selector: 'od-price-over',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Notice],
  template: `
    @if (says(); as text) {
      <od-notice weight="decide">{{ text }}</od-notice>
    }
  `,
})
export class PriceOver {
  private readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  /** Of the order as it stands on the page. */
  readonly minutes = input.required<number>();

  protected readonly says = computed(() => {
    const [{ prices, ticket, preparations }, book] = [this.dossier(), this.speech.book()];
    if (!book) return '';
    const before = preparingMinutes(preparations);
    const { amount } = priceFor(before + this.minutes(), book.rates);
    const { upTo, upToBy } = priceStanding(prices);
    const over = amount - upTo;
    const money = (sum: number): string => this.speech.money(sum, ticket.currency);
    const added = before > 0 ? ` with ${this.speech.minutes(before)} of preparing` : '';
    if (!upToBy || over <= 0.005) return added === '' ? '' : `${money(amount)}${added}.`;
    return `${money(amount)}${added}: ${money(over)} above the ${money(upTo)} that ${upToBy.kind === 'agreed' ? 'were agreed to' : 'were quoted'}. It may be planned so; what lies above is begun when the customer says yes.`;
  });
}
