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
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { correctionSays } from '@odontis/contract/correction-words';
import type { SawCorrectionSaid } from '@odontis/contract/corrections';
import type { Dossier } from '@odontis/contract/dossier';
import { teethOf } from '@odontis/core/saw/saw';
import type { Refusal } from '../shared/api/refusal';
import { withoutPart, withPart } from '../shared/saw/draft-parts';
import { putRight } from '../shared/saw/put-right';
import { SawQuestions } from '../shared/saw/saw-questions';
import type { SawTold } from '../shared/saw/saw-told';
import { SetParts } from '../shared/saw/set-parts';
import { toldOf } from '../shared/saw/told-of';
import { Speech } from '../shared/speech/speech';
import { Refused } from '../shared/ui/refused';

/** A saw's own data, put right at any stage, and what was put right of them before: nothing is written over. */
@Component({
  selector: 'od-saw-data',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput, SawQuestions, SetParts, Refused],
  template: `
    @if (open()) {
      <form (submit)="$event.preventDefault(); keep()">
        @if (draft().family; as family) {
          <od-saw-questions
            [family]="family"
            [told]="draft().told"
            [wrong]="faults()"
            [teeth]="teeth()"
            (changed)="tell({ told: $event })"
          />
          @if (family === 'dado') {
            <od-set-parts
              [parts]="draft().parts"
              [wrong]="partFaults()"
              (changed)="tell({ parts: $event })"
              (added)="tell(added())"
              (dropped)="tell(dropped($event))"
            />
          }
        }
        <div class="go">
          <mat-form-field class="why" subscriptSizing="dynamic"
            ><mat-label>Why it is put right</mat-label
            ><input matInput #reason maxlength="300" [value]="why()" (input)="why.set(reason.value)"
          /></mat-form-field>
          <button matButton="filled" type="submit" [disabled]="busy()">Put it right</button>
          <button matButton="outlined" type="button" (click)="closed.emit()">Leave as it was</button>
        </div>
        @if (fault(); as text) {
          <p class="stop-text" role="alert">{{ text }}</p>
        }
        @if (refusal(); as no) {
          <od-refused [refusal]="no" stays="what you typed stays" (reload)="reload.emit()" />
        }
      </form>
    }
    @if (history().length > 0) {
      <details [open]="open()">
        <summary>
          Its data were put right {{ history().length === 1 ? 'once' : history().length + ' times' }}, last by
          {{ history()[0]?.by }}
        </summary>
        <ul>
          @for (one of history(); track one.id) {
            <li>
              {{ one.at }}, {{ one.by }}, ticket {{ one.ticket }}: {{ one.says }}
              @if (one.why) {
                <span class="quiet">({{ one.why }})</span>
              }
            </li>
          }
        </ul>
      </details>
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 0 16px;
    }
    form {
      padding: 10px 0;
    }
    .go {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      align-items: center;
    }
    .why {
      flex: 1 1 260px;
      max-width: 520px;
    }
    p {
      margin: 6px 0;
    }
    summary {
      padding: 4px 0;
      font-size: 14px;
    }
    ul {
      margin: 0 0 8px;
      padding-left: 20px;
    }
  `,
})
export class SawData {
  private readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  /** The form is shown. */
  readonly open = input.required<boolean>();
  readonly busy = input(false);
  readonly refusal = input<Refusal | null>(null);
  readonly corrected = output<Omit<SawCorrectionSaid, 'version'>>();
  readonly closed = output();
  readonly reload = output();

  /** As it is typed: begun anew where the saw is another, or was put right. */
  protected readonly draft = linkedSignal<unknown, SawTold>({
    source: () => JSON.stringify(this.dossier().saw),
    computation: () => toldOf(this.dossier().saw, this.speech.speech()),
  });
  protected readonly why = signal('');
  protected readonly fault = signal('');
  private readonly read = computed(() => putRight(this.dossier().saw, this.draft(), this.speech.speech()));
  protected readonly faults = computed<ReadonlyMap<string, string>>(() => {
    const read = this.read();
    return read.ok ? new Map() : read.faults;
  });
  protected readonly partFaults = computed(() =>
    [...this.faults()].filter(([field]) => field.startsWith('parts')).map(([, sentence]) => sentence),
  );
  protected readonly teeth = computed(() => {
    const read = this.read();
    return read.ok ? teethOf(read.saw) : null;
  });
  protected readonly history = computed(() =>
    this.dossier()
      .corrections.toReversed()
      .map((one) => ({
        ...{ id: one.id, by: one.by, ticket: one.ticket, why: one.why, at: this.speech.fullDay(one.at) },
        says: correctionSays(one, this.speech.speech()).join('; '),
      })),
  );

  protected tell(change: Partial<SawTold>): void {
    this.fault.set('');
    this.draft.update((draft) => ({ ...draft, ...change }));
  }
  protected readonly added = (): Partial<SawTold> => ({
    parts: withPart({ parts: this.draft().parts, marks: [] }).parts,
  });
  protected readonly dropped = (index: number): Partial<SawTold> => ({
    parts: withoutPart({ parts: this.draft().parts, marks: [] }, index).parts,
  });

  protected keep(): void {
    const [read, why] = [this.read(), this.why().trim()];
    const fault = !read.ok
      ? ([...read.faults.values()][0] ?? '')
      : !read.changed
        ? 'Nothing is changed: that is what is kept of it.'
        : why === ''
          ? 'Write why it is put right: an order may stand on the old value.'
          : '';
    this.fault.set(fault);
    if (fault === '' && read.ok) this.corrected.emit({ saw: read.saw, why });
  }
}
