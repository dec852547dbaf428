import { MatInput } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import type { ElementRef } from '@angular/core';
import { afterRenderEffect, ChangeDetectionStrategy, Component, inject, signal, viewChild } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { CardsTaken } from '@odontis/contract/customer';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';

/** The shop's customers: found as typed, each with its page; vCards taken in. */
@Component({
  selector: 'od-ledger-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput, RouterLink, Notice],
  templateUrl: './ledger-page.html',
  styleUrl: './ledger.scss',
})
export class LedgerPage {
  private readonly api = inject(ShopApi);
  private readonly search = viewChild.required<ElementRef<HTMLInputElement>>('search');
  protected readonly typed = signal('');
  protected readonly taken = signal<CardsTaken | null>(null);
  protected readonly refused = signal<string | null>(null);
  protected readonly found = rxResource({
    params: () => this.typed(),
    stream: ({ params }) => this.api.customers(params),
  });

  constructor() {
    inject(Keys).here.set([{ keys: 'Tab, Enter', does: 'to a customer, and open it' }]);
    afterRenderEffect(() => this.search().nativeElement.focus());
  }

  protected async cards(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    this.taken.set(null);
    this.refused.set(null);
    this.api.takeCards(await file.text()).subscribe({
      next: (taken) => {
        this.taken.set(taken);
        this.found.reload();
      },
      error: (error: unknown) => this.refused.set(toRefusal(error).detail),
    });
  }
}
