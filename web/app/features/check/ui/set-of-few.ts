import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { Lean } from '@odontis/core/evidence/tooth-reading';
import type { SetBalance } from '@odontis/core/set/set-balance';
import { parseLength } from '@odontis/core/units/length';
import { Speech } from '../../../shared/speech/speech';

/** The set of a few teeth of either side, typed in one go, and which side has more. */
@Component({
  selector: 'od-set-of-few',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput],
  template: `
    <div class="row">
      @if (keyed()) {
        <mat-form-field
          ><mat-label>Set left, a few teeth</mat-label
          ><input matInput #left autocomplete="off" placeholder="2.5 2.6 2.4" (change)="type('left', left.value)"
        /></mat-form-field>
        <mat-form-field
          ><mat-label>Set right</mat-label
          ><input matInput #right autocomplete="off" placeholder="2.5 2.4 2.5" (change)="type('right', right.value)"
        /></mat-form-field>
      }
      @if (says(); as text) {
        <p class="figure">
          {{ text }}
          @if (error(); as about) {
            <span class="quiet">{{ about }}</span>
          }
        </p>
      }
    </div>
  `,
  styleUrl: './check-page.scss',
})
export class SetOfFew {
  private readonly speech = inject(Speech);
  /** Like teeth: the set is keyed here; others are gauged tooth by tooth. */
  readonly keyed = input.required<boolean>();
  /** Null until both sides were read. */
  readonly balance = input.required<SetBalance | null>();
  /** Sets of one side from the heel on, mm. */
  readonly typed = output<{ readonly lean: Lean; readonly setsMm: readonly number[] }>();
  /** What was typed is no set, in a sentence; null where it is. */
  readonly slipped = output<string | null>();

  protected readonly says = computed(() => {
    const balance = this.balance();
    if (!balance) return null;
    if (balance.runsTo === 'true') return 'Balanced';
    return `More set on the ${balance.runsTo}, by ${this.speech.fine(Math.abs(balance.differenceMm))}`;
  });
  protected readonly error = computed(() => {
    const balance = this.balance();
    if (!balance || balance.errorMm === null) return null;
    const sure = balance.certain || balance.runsTo === 'true';
    return `± ${this.speech.finer(balance.errorMm)}${sure ? '' : ', not certain yet'}`;
  });

  /** "2.5 2.6 2.4". */
  protected type(lean: Lean, text: string): void {
    const words = text.split(/[\s;]+/).filter((word) => word !== '');
    const read = words.map((word) => parseLength(word, this.speech.unit()));
    const bad = words.find((_, i) => read[i]?.ok === false);
    this.slipped.emit(
      bad === undefined ? null : `"${bad}" is not a set. Type numbers with a space between, such as 2.5 2.6 2.4.`,
    );
    if (bad === undefined) this.typed.emit({ lean, setsMm: read.flatMap((one) => (one.ok ? [one.mm] : [])) });
  }
}
