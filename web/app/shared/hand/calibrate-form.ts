import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { Store } from '@ngrx/store';
import type { Calibration } from '@odontis/core/calibration/hand';
import { calibrationReading, CALIBRATIONS } from '@odontis/core/calibration/hand';
import type { Person } from '@odontis/contract/people';
import { parseLength } from '@odontis/core/units/length';
import { ShopApi } from '../api/shop-api';
import { toRefusal } from '../api/refusal';
import { Speech } from '../speech/speech';
import { ShopPage } from '../state/shop.feature';
import { ToolName } from './tool-name';

interface Words {
  readonly name: string;
  readonly amount: string;
  readonly did: string;
  readonly tool: string | null;
}

/** What is counted, and what is measured after it. */
const WORDS: Record<Calibration, Words> = {
  strokes: { name: 'strokes of a file', amount: 'Strokes', did: 'Gullet dropped', tool: 'Which file' },
  stoning: { name: 'passes of a stone', amount: 'Passes', did: 'Off the side', tool: 'Which stone' },
  'set-tool': { name: 'the set tool', amount: 'Number on it', did: 'Set it made', tool: 'Which set tool' },
};

/** One measured deed of a hand, typed where it was done: at the bench, or in the shop book. */
@Component({
  selector: 'od-calibrate-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput, MatSelectModule, ToolName],
  template: `
    <form (submit)="$event.preventDefault(); keep()">
      @if (!only()) {
        <mat-form-field
          ><mat-label>Measured of</mat-label>
          <mat-select [value]="what()" (selectionChange)="what.set($event.value)">
            @for (kind of kinds; track kind) {
              <mat-option [value]="kind">{{ words[kind].name }}</mat-option>
            }
          </mat-select></mat-form-field
        >
      }
      @if (says().tool; as label) {
        <od-tool-name [label]="label" [isFile]="what() === 'strokes'" [(name)]="tool" />
      }
      <mat-form-field class="short"
        ><mat-label>{{ says().amount }}</mat-label
        ><input #amountField matInput inputmode="decimal" [value]="amount()" (input)="amount.set(amountField.value)"
      /></mat-form-field>
      <mat-form-field
        ><mat-label>{{ says().did }}, {{ speech.unit() }}</mat-label
        ><input #didField matInput inputmode="decimal" [value]="did()" (input)="did.set(didField.value)"
      /></mat-form-field>
      <button matButton="outlined" type="submit" [disabled]="busy()">Keep it</button>
      @if (slip(); as sentence) {
        <p class="stop-text" role="alert">{{ sentence }}</p>
      }
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 8px;
      align-items: center;
    }
    mat-form-field,
    od-tool-name {
      width: 190px;
    }
    .short {
      width: 130px;
    }
    p {
      flex-basis: 100%;
      margin: 0;
    }
  `,
})
export class CalibrateForm {
  readonly person = input.required<Person>();
  /** The one kind that is measured here; left out it is chosen. */
  readonly only = input<Calibration | null>(null);
  /** The file, stone or set tool in hand. */
  readonly named = input('');
  private readonly store = inject(Store);
  private readonly api = inject(ShopApi);
  protected readonly speech = inject(Speech);
  protected readonly kinds = CALIBRATIONS;
  protected readonly words = WORDS;
  protected readonly what = linkedSignal<Calibration>(() => this.only() ?? 'strokes');
  protected readonly says = computed(() => WORDS[this.what()]);
  protected readonly tool = linkedSignal(() => this.named());
  protected readonly amount = signal('');
  protected readonly did = signal('');
  protected readonly slip = signal<string | null>(null);
  protected readonly busy = signal(false);
  /** Kept over a failed sending: sent again it counts once. */
  private key = crypto.randomUUID();

  protected keep(): void {
    const did = parseLength(this.did(), this.speech.unit());
    const read = calibrationReading.safeParse({
      what: this.what(),
      tool: this.says().tool ? this.tool().trim() : '',
      amount: Number(this.amount().replace(',', '.').trim() || NaN),
      didMm: did.ok ? did.mm : NaN,
    });
    this.slip.set(read.success ? null : (read.error.issues[0]?.message ?? null));
    if (!read.success) return;
    this.busy.set(true);
    this.api.addCalibration(this.person().id, { key: this.key, reading: read.data }).subscribe({
      next: (people) => {
        this.store.dispatch(ShopPage.peopleChanged({ people }));
        this.key = crypto.randomUUID();
        this.amount.set('');
        this.did.set('');
        this.busy.set(false);
      },
      error: (error: unknown) => {
        this.slip.set(toRefusal(error).detail);
        this.busy.set(false);
      },
    });
  }
}
