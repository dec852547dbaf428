import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { Family } from '@odontis/core/saw/all-families';
import type { Dimension, Question } from './questions';
import { COUNTED_BY, COUNTED_WORDS, QUESTIONS } from './questions';
import { PatternTaps } from '../tooth/pattern-taps';
import { SawFigure } from './saw-figure';

/** A question that follows another is asked once that was answered, or answered so. */
const isAsked = (q: Question, told: Readonly<Record<string, string>>): boolean => {
  if (!('after' in q) || q.after === undefined) return true;
  const answer = (told[q.after] ?? '').trim();
  return q.is === undefined ? answer !== '' : answer === q.is;
};

/** A family's own questions beside a drawing of where each is measured. */
@Component({
  selector: 'od-saw-questions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatSelectModule, MatButtonToggleModule, MatFormFieldModule, MatInput, PatternTaps, SawFigure],
  template: `
    <div class="asks">
      @for (question of questions(); track question.key) {
        @switch (question.ask) {
          @case ('choice') {
            <mat-button-toggle-group
              hideSingleSelectionIndicator
              [attr.aria-label]="question.label"
              [value]="told()[question.key]"
              (change)="tell(question.key, $event.value)"
            >
              @for (option of question.options; track option[0]) {
                <mat-button-toggle [value]="option[0]">{{ option[1] }}</mat-button-toggle>
              }
            </mat-button-toggle-group>
          }
          @case ('count') {
            <span class="count">
              <mat-form-field class="short">
                <mat-label>{{ question.label }}</mat-label>
                <input
                  #field
                  matInput
                  inputmode="decimal"
                  [value]="told()[question.key] ?? ''"
                  (input)="tell(question.key, field.value)"
                  (focus)="asked.set('pitch')"
                  [attr.aria-invalid]="!!wrong().get(question.key)"
                />
              </mat-form-field>
              <mat-form-field class="short"
                ><mat-label>Counted as</mat-label>
                <mat-select
                  [value]="told()['countedBy'] ?? 'points'"
                  (selectionChange)="tell('countedBy', $event.value)"
                >
                  @for (way of countedBy; track way) {
                    <mat-option [value]="way">{{ countedWords[way] }}</mat-option>
                  }
                </mat-select></mat-form-field
              >
            </span>
          }
          @default {
            <mat-form-field [class]="question.ask === 'words' || question.ask === 'pattern' ? 'wide' : 'short'">
              <mat-label>{{ question.label }}</mat-label>
              <input
                #field3
                matInput
                [inputMode]="question.ask === 'whole' ? 'numeric' : 'text'"
                [value]="told()[question.key] ?? ''"
                (input)="tell(question.key, field3.value)"
                (focus)="asked.set(drawnOf(question))"
                [attr.aria-invalid]="!!wrong().get(question.key)"
              />
              @if (hintOf(question); as hint) {
                <mat-hint>{{ hint }}</mat-hint>
              }
            </mat-form-field>
            @if (question.ask === 'pattern') {
              <od-pattern-taps
                [pattern]="told()[question.key] ?? ''"
                [offset]="+(told()['patternOffset'] ?? 0)"
                [teeth]="teeth()"
                (begun)="tell('patternOffset', '' + $event)"
              />
            }
          }
        }
        @if (wrong().get(question.key); as sentence) {
          <p class="stop-text fault">{{ sentence }}</p>
        }
      }
    </div>
    <div class="drawn">
      <od-saw-figure [family]="family()" [asked]="asked()" />
      @if (teeth(); as count) {
        <p class="quiet">That makes {{ count }} teeth.</p>
      }
    </div>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 300px;
      gap: 6px 18px;
      align-items: start;
    }
    .asks {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      align-items: center;
    }
    .short {
      width: 164px;
    }
    .wide {
      width: min(100%, 300px);
    }
    .count {
      display: inline-flex;
      align-items: center;
      gap: 6px;
    }
    .fault {
      flex-basis: 100%;
    }
    select {
      font: inherit;
      color: var(--text);
      background: var(--paper);
      border: 1px solid var(--rule);
      border-radius: 4px;
      padding: 8px 6px;
      min-height: 40px;
    }
    @media (max-width: 900px) {
      :host {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class SawQuestions {
  readonly family = input.required<Family>();
  readonly told = input.required<Readonly<Record<string, string>>>();
  /** Sentences by question. */
  readonly wrong = input.required<ReadonlyMap<string, string>>();
  /** Teeth worked out of what was told; null while they cannot be. */
  readonly teeth = input<number | null>(null);
  readonly changed = output<Readonly<Record<string, string>>>();
  protected readonly questions = computed(() => QUESTIONS[this.family()].filter((q) => isAsked(q, this.told())));
  protected readonly countedBy = COUNTED_BY;
  protected readonly countedWords = COUNTED_WORDS;
  protected readonly asked = signal<Dimension | null>(null);
  protected drawnOf = (question: Question): Dimension | null => ('drawn' in question ? (question.drawn ?? null) : null);
  protected hintOf = (question: Question): string => ('hint' in question ? (question.hint ?? '') : '');

  protected tell(key: string, value: string): void {
    // Another pattern begins with a whole group until somebody says otherwise.
    this.changed.emit({ ...this.told(), ...(key === 'toothPattern' && { patternOffset: '0' }), [key]: value });
  }
}
