import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { Dossier } from '@odontis/contract/dossier';
import type { Ending, EndSaid } from '@odontis/contract/ticket';
import { ENDINGS } from '@odontis/contract/ticket';
import { priceStanding } from '@odontis/core/money/price-chain';
import { deedsOf } from '@odontis/core/work/deeds';
import { Speech } from '../shared/speech/speech';
import { ENDING_NAMES } from '../shared/words/stage-words';

/** A ticket ended without the work it came for, at any stage: how, whose word it is, why, what was tried, and a fee or none. */
@Component({
  selector: 'od-ticket-end',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatButtonToggleModule, MatFormFieldModule, MatInput, MatSelectModule],
  template: `
    <form (submit)="$event.preventDefault(); end()">
      <mat-form-field subscriptSizing="dynamic"
        ><mat-label>How</mat-label>
        <mat-select [value]="ending()" (selectionChange)="ending.set($event.value)">
          @for (one of endings(); track one) {
            <mat-option [value]="one">{{ names[one] }}</mat-option>
          }
        </mat-select></mat-form-field
      >
      <mat-button-toggle-group
        hideSingleSelectionIndicator
        aria-label="Whose word it is"
        [value]="by()"
        (change)="by.set($event.value)"
      >
        <mat-button-toggle value="customer">the customer’s word</mat-button-toggle>
        <mat-button-toggle value="shop">the shop’s</mat-button-toggle>
      </mat-button-toggle-group>
      <mat-form-field subscriptSizing="dynamic"
        ><mat-label>Why</mat-label
        ><input matInput #reason maxlength="1000" [value]="why()" (input)="why.set(reason.value)"
      /></mat-form-field>
      @if (ending() === 'given-up') {
        <mat-form-field subscriptSizing="dynamic"
          ><mat-label>What was tried</mat-label
          ><input matInput #attempt maxlength="2000" [value]="tried()" (input)="tried.set(attempt.value)"
        /></mat-form-field>
      }
      <mat-form-field subscriptSizing="dynamic"
        ><mat-label>Fee, {{ dossier().ticket.currency }}; empty for none</mat-label
        ><input matInput #sum inputmode="decimal" [value]="fee()" (input)="fee.set(sum.value)"
      /></mat-form-field>
      @if (fault(); as text) {
        <p class="stop-text" role="alert">{{ text }}</p>
      }
      <button matButton="outlined" type="submit" [disabled]="busy()">End the ticket</button>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 8px;
      justify-items: start;
    }
    mat-form-field {
      width: 100%;
    }
    p {
      margin: 0;
    }
  `,
})
export class TicketEnd {
  private readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  readonly busy = input(false);
  readonly finished = output<Omit<EndSaid, 'version'>>();
  protected readonly names = ENDING_NAMES;

  /** A saw whose teeth were worked on does not go home as it came. */
  protected readonly endings = computed(() => {
    const { plan, earlier } = this.dossier();
    const worked = [...earlier, ...(plan ? [plan] : [])].some((one) =>
      deedsOf(one.order, one).some((deed) => deed.done > 0 && deed.step.unit !== 'whole'),
    );
    return ENDINGS.filter((one) => one !== 'returned' || !worked);
  });
  protected readonly ending = signal<Ending | null>(null);
  protected readonly by = signal<EndSaid['by'] | null>(null);
  protected readonly why = signal('');
  protected readonly tried = signal('');
  protected readonly fee = signal('');
  protected readonly fault = signal('');

  protected end(): void {
    const [ending, by, reason, tried] = [this.ending(), this.by(), this.why().trim(), this.tried().trim()];
    const fee = this.fee().trim() === '' ? null : Number(this.fee().trim().replace(',', '.'));
    const { upTo } = priceStanding(this.dossier().prices);
    const fault =
      ending === null
        ? 'Say how it ends.'
        : by === null
          ? 'Say whose word it is: the customer’s or the shop’s.'
          : reason === ''
            ? 'Write why.'
            : ending === 'given-up' && tried === ''
              ? 'Say what was tried before it was given up.'
              : fee !== null && !(fee >= 0)
                ? `"${this.fee()}" is no sum: a number such as 8.50 is meant, or nothing for no fee.`
                : fee !== null && fee > upTo
                  ? `A fee is within what was agreed, ${this.speech.money(upTo, this.dossier().ticket.currency)}.`
                  : '';
    this.fault.set(fault);
    if (fault === '' && ending && by) this.finished.emit({ ending, by, reason, tried, fee });
  }
}
