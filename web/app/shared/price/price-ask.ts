import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { Dossier } from '@odontis/contract/dossier';
import type { PriceWordSaid } from '@odontis/contract/price';
import type { WordBy } from '@odontis/core/money/price-chain';
import { priceStanding } from '@odontis/core/money/price-chain';
import type { Reason } from '@odontis/core/reason/reason';
import { because, input as told } from '@odontis/core/reason/reason';
import type { Refusal } from '../api/refusal';
import { Speech } from '../speech/speech';
import { Refused } from '../ui/refused';
import { Why } from '../ui/why';

/** A word without the version it is said on: the page knows that. */
type Unversioned<T> = T extends unknown ? Omit<T, 'version'> : never;
export type SaidOfPrice = Unversioned<PriceWordSaid>;

/** A plan over what was agreed: by how much and why, and what is done about it. Nothing is chosen before somebody does. */
@Component({
  selector: 'od-price-ask',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatButtonToggleModule, MatFormFieldModule, MatInput, Refused, Why],
  templateUrl: './price-ask.html',
  styleUrl: './price-ask.scss',
})
export class PriceAsk {
  private readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  readonly isOwner = input.required<boolean>();
  readonly busy = input(false);
  readonly refusal = input<Refusal | null>(null);
  readonly word = output<SaidOfPrice>();
  readonly reload = output();

  protected readonly standing = computed(() => priceStanding(this.dossier().prices));
  protected readonly money = (amount: number): string => this.speech.money(amount, this.dossier().ticket.currency);

  /** What is typed stays as long as the price it is typed for. */
  private readonly ofPrice = computed(() => this.standing().live?.id ?? null);
  protected readonly doing = linkedSignal<number | null, SaidOfPrice['kind'] | 'ask' | null>({
    source: this.ofPrice,
    computation: () => null,
  });
  protected readonly upTo = linkedSignal<number | null, string>({
    source: this.ofPrice,
    computation: () => (this.standing().live?.high ?? 0).toFixed(2),
  });
  protected readonly sentTo = linkedSignal(() => this.dossier().customer.phone || this.dossier().customer.email);
  protected readonly body = linkedSignal<number | null, string>({
    source: this.ofPrice,
    computation: () => this.draft(),
  });
  protected readonly wordBy = signal<WordBy | null>(null);
  protected readonly said = signal('');
  protected readonly note = signal('');
  protected readonly fault = signal('');

  protected readonly state = computed(() => {
    const { asked, refused, waived } = this.standing();
    const { heldFrom } = this.dossier().ticket;
    const held =
      heldFrom === null
        ? ''
        : heldFrom === 0
          ? ' Until they say yes, nothing of it is begun.'
          : ` Until they say yes, only the first ${heldFrom} ${heldFrom === 1 ? 'stop is' : 'stops are'} done: that is within the old sum.`;
    if (waived) return `${waived.by} lets the work begin all the same.`;
    if (refused) return `They said no to it: plan less, or end it.${held}`;
    if (asked)
      return `Asked by quote ${asked.quote ?? ''} on ${this.speech.fullDay(asked.at)}; no answer is written down.${held}`;
    return `Nobody has asked them.${held}`;
  });

  /** Why it comes to more than was reckoned at the counter. */
  protected readonly why = computed((): Reason | null => {
    const { prices, plan } = this.dossier();
    const [estimate, live] = [prices.find((word) => word.kind === 'estimate'), this.standing().live];
    if (!estimate || !live || live.minutesHigh === null) return null;
    const steps = plan?.order.steps.map((step) => told(step.kind.replaceAll('-', ' '), step.minutes, 'minutes')) ?? [];
    return because(
      'Above what was agreed',
      'the plan’s minutes as the saw was measured, beside what the counter reckoned by a look',
      [
        ...(estimate.minutesLow === null
          ? []
          : [told('reckoned at the counter, least', estimate.minutesLow, 'minutes')]),
        ...(estimate.minutesHigh === null
          ? []
          : [told('reckoned at the counter, most', estimate.minutesHigh, 'minutes')]),
        told('by the plan', live.minutesHigh, 'minutes'),
        ...steps,
      ],
      'the shop book',
    );
  });

  private draft(): string {
    const { customer, saw, ticket } = this.dossier();
    const { live, upTo } = this.standing();
    const called = `${saw.name.charAt(0).toLowerCase()}${saw.name.slice(1)}`;
    return (
      `${customer.name}: now that your ${called} (no. ${ticket.number}) is measured, the work comes to ` +
      `${this.money(live?.high ?? 0)} in place of up to ${this.money(upTo)}. May we go on? Without your word we do no more than the old sum covers.`
    );
  }

  /** The sum as typed; null, with a word about it, where it is none. */
  private sum(): number | null {
    const typed = Number(this.upTo().trim().replace(',', '.'));
    const ok = this.upTo().trim() !== '' && Number.isFinite(typed) && typed >= 0;
    this.fault.set(ok ? '' : `"${this.upTo()}" is no sum: a number such as 42.50 is meant.`);
    return ok ? typed : null;
  }

  protected ask(): void {
    const upTo = this.sum();
    if (upTo === null) return;
    const sentTo = this.sentTo().trim();
    const message = sentTo === '' ? null : { sentTo, body: this.body() };
    this.word.emit({ kind: 'asked', upTo, note: '', message });
  }

  protected answer(): void {
    const [kind, upTo, wordBy] = [this.doing(), this.sum(), this.wordBy()];
    if (upTo === null || (kind !== 'agreed' && kind !== 'refused')) return;
    if (wordBy === null) return this.fault.set('Say how the answer came: at the counter, by telephone or in writing.');
    this.word.emit({ kind, upTo, note: '', wordBy, said: this.said().trim() });
  }

  protected waive(): void {
    this.word.emit({ kind: 'waived', upTo: this.standing().live?.high ?? 0, note: this.note().trim() });
  }
}
