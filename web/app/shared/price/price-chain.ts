import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { wordSays } from '@odontis/contract/price-words';
import type { PriceWord } from '@odontis/core/money/price-chain';
import { priceStanding } from '@odontis/core/money/price-chain';
import { Speech } from '../speech/speech';

/** Every word of a ticket's price, from the counter to the bill: what was said, by whom and when. */
@Component({
  selector: 'od-price-chain',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol>
      @for (word of words(); track word.id) {
        <li [class]="word.kind" [class.live]="word.isLive">
          <strong>{{ word.says }}</strong>
          @if (word.note) {
            <span>{{ word.note }}</span>
          }
          <span class="quiet">{{ word.from }}{{ word.by }}, {{ speech.fullDay(word.at) }}</span>
        </li>
      }
    </ol>
    <p>{{ stands() }}</p>
  `,
  styles: `
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: grid;
      border-left: 3px solid var(--steel);
      padding: 2px 0 6px 10px;
    }
    .live {
      border-left: 6px solid var(--ink);
      padding-left: 7px;
    }
    .refused,
    .waived {
      border-left-style: dashed;
    }
    p {
      margin: 4px 0 0;
    }
  `,
})
export class PriceChain {
  protected readonly speech = inject(Speech);
  readonly prices = input.required<readonly PriceWord[]>();
  readonly currency = input.required<string>();

  private readonly standing = computed(() => priceStanding(this.prices()));
  private readonly money = (amount: number): string => this.speech.money(amount, this.currency());

  protected readonly words = computed(() =>
    this.prices().map((word) => ({
      ...word,
      says: wordSays(word, this.money),
      from: word.minutesHigh === null ? '' : `${this.minutes(word.minutesLow ?? 0, word.minutesHigh)} at the bench · `,
      isLive: word.id === this.standing().live?.id,
    })),
  );

  protected readonly stands = computed(() => {
    const { live, upTo, over } = this.standing();
    if (!live || live.kind === 'charged') return '';
    if (over > 0) return `${this.money(over)} of it are not agreed to.`;
    return `Up to ${this.money(upTo)} may be charged without another word.`;
  });

  private minutes(low: number, high: number): string {
    const [from, to] = [this.speech.minutes(low), this.speech.minutes(high)];
    return from === to ? to : `${from} to ${to}`;
  }
}
