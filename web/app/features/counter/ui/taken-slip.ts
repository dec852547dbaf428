import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Dossier } from '@odontis/contract/dossier';
import { rangeSays } from '@odontis/contract/price-words';
import { firstValueFrom } from 'rxjs';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { Speech } from '../../../shared/speech/speech';
import { pageOf } from '../../../shared/words/stage-words';

/** What the counter shows once a saw is in the book: its number, this visit's saws, their papers, and what comes next. */
@Component({
  selector: 'od-taken-slip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, RouterLink],
  template: `
    @let done = last();
    @if (done.ticket.stage === 'declined') {
      <h1>Declined, and kept as no. {{ done.ticket.number }}</h1>
      <p>{{ done.ticket.reasons[0]?.says }}</p>
      @if (done.ticket.overrideReason) {
        <p>{{ done.ticket.overrideReason }}</p>
      }
    } @else {
      <h1>Ticket no. {{ done.ticket.number }}</h1>
      <p>
        {{ done.saw.name }} of {{ done.customer.name }}, promised {{ speech.day(done.ticket.promisedOn)
        }}{{ done.ticket.waitsFor === 'grinder' ? ', sent on to grinding' : '' }}.
      </p>
      <a matButton="filled" [routerLink]="['/ticket', done.ticket.id, page()]">{{
        page() === 'measure' ? 'Measure it now' : 'Open its page'
      }}</a>
      <a matButton="outlined" [href]="'/api/tickets/' + done.ticket.id + '/tag.pdf'" target="_blank" rel="noopener"
        >Print the tag</a
      >
    }
    <button matButton="outlined" (click)="another.emit()">Another saw of {{ done.customer.name }}</button>
    <button matButton="outlined" (click)="next.emit()">Next customer</button>
    <section aria-label="This visit">
      <h2>This visit</h2>
      <ul>
        @for (one of visit(); track one.ticket.id) {
          <li>
            No. {{ one.ticket.number }} · {{ one.saw.name }} ·
            {{
              one.ticket.stage === 'declined'
                ? 'declined'
                : one.ticket.waitsFor === 'grinder'
                  ? quoted(one) + ' for handling'
                  : quoted(one)
            }}
          </li>
        }
      </ul>
      <a matButton="outlined" [href]="'/api/tickets/' + done.ticket.id + '/quote.pdf'" target="_blank" rel="noopener"
        >Print the quote</a
      >
      @if (taken().length > 0) {
        <a matButton="outlined" [href]="'/api/tags.pdf?tickets=' + ids()" target="_blank" rel="noopener"
          >Tags on a sheet</a
        >
        <button matButton="outlined" [disabled]="printing()" (click)="labels()">
          Print {{ taken().length === 1 ? 'its label' : taken().length + ' labels' }}
        </button>
      }
      <p role="status">{{ said() }}</p>
    </section>
  `,
  styles: `
    :host {
      display: block;
      grid-column: 1 / -1;
      padding: 26px 32px;
    }
    a,
    button {
      margin: 12px 10px 0 0;
      min-height: 48px;
    }
    section {
      margin-top: 26px;
      border-top: 1px solid var(--rule);
      padding-top: 12px;
    }
  `,
})
export class TakenSlip {
  private readonly api = inject(ShopApi);
  protected readonly speech = inject(Speech);
  readonly last = input.required<Dossier>();
  readonly visit = input.required<readonly Dossier[]>();
  readonly another = output();
  readonly next = output();
  protected readonly page = computed(() => pageOf(this.last().ticket.stage));
  /** What was quoted at the counter. */
  protected quoted({ prices }: Dossier): string {
    const estimate = prices.find((word) => word.kind === 'estimate');
    return estimate ? rangeSays(estimate.low, estimate.high, (amount) => this.speech.money(amount)) : '';
  }
  protected readonly taken = computed(() => this.visit().filter((d) => d.ticket.stage !== 'declined'));
  protected readonly ids = computed(() =>
    this.taken()
      .map((d) => d.ticket.id)
      .join(','),
  );
  protected readonly printing = signal(false);
  protected readonly said = signal('');

  protected async labels(): Promise<void> {
    this.printing.set(true);
    try {
      const printer = await firstValueFrom(this.api.printLabels(this.taken().map((d) => d.ticket.id)));
      this.said.set(`Printed. ${printer.labelsLeft} labels are left on the roll.`);
    } catch (error) {
      this.said.set(toRefusal(error).detail);
    } finally {
      this.printing.set(false);
    }
  }
}
