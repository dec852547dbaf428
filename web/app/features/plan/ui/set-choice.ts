import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { parseLength } from '@odontis/core/units/length';
import type { SetChosen } from '@odontis/core/work/tooth-line/inputs';
import { Speech } from '../../../shared/speech/speech';

/** The set a person may want, mm a side. */
const SET_MM = { least: 0.01, most: 3 } as const;

/** Whether the set is renewed, evened out with the stone, left, or judged by what was read of it; and this saw's own target beside the table's. */
@Component({
  selector: 'od-set-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule, MatFormFieldModule, MatInput],
  template: `
    <mat-button-toggle-group
      hideSingleSelectionIndicator
      aria-label="Set"
      [value]="chosen() ?? 'due'"
      (change)="chose.emit($event.value === 'due' ? null : $event.value)"
    >
      <mat-button-toggle value="due">set as it is due</mat-button-toggle>
      <mat-button-toggle value="renew">renew it</mat-button-toggle>
      @if (dresses()) {
        <mat-button-toggle value="dress">even it out</mat-button-toggle>
      }
      <mat-button-toggle value="leave">leave it</mat-button-toggle>
    </mat-button-toggle-group>
    <mat-form-field class="own" subscriptSizing="dynamic"
      ><mat-label>Set a side, this saw’s own</mat-label
      ><input matInput #own autocomplete="off" [value]="shown()" [placeholder]="table()" (change)="read(own)"
    /></mat-form-field>
    @if (slip(); as text) {
      <p class="stop-text" role="alert">{{ text }}</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
    }
    .own {
      width: 210px;
    }
  `,
})
export class SetChoice {
  private readonly speech = inject(Speech);
  readonly chosen = input.required<SetChosen | null>();
  /** A set that is there may be evened out with the stone. */
  readonly dresses = input(false);
  /** What it comes to by the table or as typed, and what was typed; mm a side. */
  readonly wantedMm = input.required<number>();
  readonly ownMm = input.required<number | null>();
  readonly chose = output<SetChosen | null>();
  readonly target = output<number | null>();
  /** What is wrong with what was typed; empty where nothing is. */
  protected readonly slip = signal('');

  protected readonly shown = computed(() => {
    const own = this.ownMm();
    return own === null ? '' : this.speech.fine(own);
  });
  protected readonly table = computed(() => `${this.speech.fine(this.wantedMm())}, by the table`);

  protected read(field: HTMLInputElement): void {
    const typed = field.value.trim();
    const read = parseLength(typed, this.speech.unit());
    const ok = read.ok && read.mm >= SET_MM.least && read.mm <= SET_MM.most;
    this.slip.set(
      typed === '' || ok
        ? ''
        : `"${typed}" is no set: a length from ${this.speech.fine(SET_MM.least)} to ${this.speech.fine(SET_MM.most)} is meant.`,
    );
    if (typed === '') this.target.emit(null);
    else if (read.ok && ok) this.target.emit(read.mm);
  }
}
