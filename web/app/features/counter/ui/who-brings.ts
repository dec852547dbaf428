import type { ElementRef } from '@angular/core';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  output,
  viewChild,
} from '@angular/core';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { CustomerFound, KnownSaw } from '@odontis/contract/ticket';
import type { CounterDraft } from '../data/counter-draft';
import { KnownSaws } from './known-saws';

/** The customer: found as typed or new, and the saws they brought before. */
@Component({
  selector: 'od-who-brings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatAutocompleteModule, MatFormFieldModule, MatInput, KnownSaws],
  templateUrl: './who-brings.html',
  styleUrl: './asks.scss',
})
export class WhoBrings {
  readonly draft = input.required<CounterDraft>();
  readonly found = input.required<readonly CustomerFound[]>();
  readonly known = input.required<readonly KnownSaw[]>();
  /** An intake that may be taken up again. */
  readonly left = input<CounterDraft | null>(null);
  readonly wrong = input('');
  readonly named = output<string>();
  readonly customerChosen = output<CustomerFound>();
  readonly phoned = output<string>();
  readonly sawChosen = output<KnownSaw>();
  readonly cleared = output();
  readonly takenUp = output();
  private readonly who = viewChild<ElementRef<HTMLInputElement>>('who');

  private readonly firstSaw = computed(() => this.draft().arrival === null);

  constructor() {
    // The next customer's name can be typed at once; another saw of the same one is chosen at once. Of the draft only
    // that is looked at: an effect of the whole draft would take the focus away at every letter typed elsewhere.
    afterRenderEffect(() => {
      if (this.firstSaw()) this.who()?.nativeElement.focus();
    });
  }

  protected clear(): void {
    this.cleared.emit();
    this.who()?.nativeElement.focus();
  }

  protected readonly nameOf = (value: CustomerFound | string): string =>
    typeof value === 'string' ? value : value.name;
}
