import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { PREPARED_WORDS } from '@odontis/contract/deed-words';
import type { Dossier } from '@odontis/contract/dossier';
import type { PreparationSaid } from '@odontis/contract/preparing';
import type { PlateMarkKind } from '@odontis/core/saw/plate-marks';
import type { Result } from '@odontis/core/work/deeds';
import type { Preparing as PreparingKind } from '@odontis/core/work/preparing';
import { stillWrong } from '@odontis/core/work/preparing';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';

/** What each is called before it is done. */
const NAMES: Readonly<Record<PreparingKind, string>> = {
  clean: 'Clean it, rust off',
  straighten: 'Straighten the plate',
  reseat: 'Re-seat the plate in its back',
  tighten: 'Tighten the handle',
  'handle-off': 'Take the handle off',
};
/** What a mark of the counter asks for before anything is measured. */
const ASKED_BY: Partial<Record<PlateMarkKind, PreparingKind>> = {
  ...{ rust: 'clean', bend: 'straighten', kink: 'straighten', twist: 'straighten' },
  ...{ 'wavy-line': 'reseat', 'loose-handle': 'tighten' },
};

/** What is done to a saw before it is measured, how it went and how long it took; the order goes on from it. */
@Component({
  selector: 'od-preparing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatButtonToggleModule, MatFormFieldModule, MatInput, MatSelectModule, Notice],
  template: `
    <details [open]="asked().length > 0">
      <summary>
        Before measuring{{ asked().length > 0 ? ': ' + askedSays() : '' }}
        @if (dossier().preparations.length > 0) {
          <span class="quiet">{{ doneSays() }}</span>
        }
      </summary>
      @if (wrong().length > 0) {
        <od-notice weight="stop"
          >It did not come out: heights of such a plate mean little. Ask its owner, or end the ticket in the counter
          slip.</od-notice
        >
      }
      @if (asked().length > 0) {
        <p class="quiet">
          Heights of a plate that is dirty, bent or loose mean nothing: what is done of it now is no step of the order
          later.
        </p>
      }
      <form class="row" (submit)="$event.preventDefault(); keep()">
        <mat-form-field class="what" subscriptSizing="dynamic"
          ><mat-label>What</mat-label>
          <mat-select [value]="kind()" (selectionChange)="kind.set($event.value)">
            @for (one of kinds; track one) {
              <mat-option [value]="one">{{ names[one] }}</mat-option>
            }
          </mat-select></mat-form-field
        >
        <mat-button-toggle-group
          hideSingleSelectionIndicator
          aria-label="How it went"
          [value]="result()"
          (change)="result.set($event.value)"
        >
          <mat-button-toggle value="came-out">it came out</mat-button-toggle>
          <mat-button-toggle value="did-not">it did not</mat-button-toggle>
        </mat-button-toggle-group>
        <mat-form-field class="few" subscriptSizing="dynamic"
          ><mat-label>Minutes</mat-label
          ><input matInput #took inputmode="decimal" [value]="minutes()" (input)="minutes.set(took.value)"
        /></mat-form-field>
        <button matButton="outlined" type="submit" [disabled]="busy()">Write it down</button>
      </form>
      @if (fault(); as text) {
        <p class="stop-text" role="alert">{{ text }}</p>
      }
    </details>
  `,
  styles: `
    :host {
      display: block;
      padding: 4px 16px;
    }
    summary {
      cursor: pointer;
      min-height: 30px;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
      margin: 6px 0;
    }
    .what {
      width: 250px;
    }
    .few {
      width: 110px;
    }
    p {
      margin: 2px 0;
    }
  `,
})
export class Preparing {
  private readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  readonly busy = input(false);
  readonly done = output<Omit<PreparationSaid, 'version'>>();
  protected readonly names = NAMES;
  protected readonly kinds = Object.keys(NAMES) as PreparingKind[];
  protected readonly kind = signal<PreparingKind | null>(null);
  protected readonly result = signal<Result | null>(null);
  protected readonly minutes = signal('');
  protected readonly fault = signal('');

  /** What the counter's marks ask for and nobody has done. */
  protected readonly asked = computed(() => {
    const done = new Set(this.dossier().preparations.map((one) => one.kind));
    const wanted = this.dossier().ticket.marks.flatMap((mark) => ASKED_BY[mark.kind] ?? []);
    return [...new Set(wanted)].filter((kind) => !done.has(kind));
  });
  protected readonly askedSays = computed(() =>
    this.asked()
      .map((kind) => NAMES[kind].toLowerCase())
      .join(', '),
  );
  protected readonly wrong = computed(() => stillWrong(this.dossier().preparations));
  protected readonly doneSays = computed(() =>
    this.dossier()
      .preparations.map(({ kind, result, minutes, by }) => {
        const took = minutes === null ? '' : `, ${this.speech.minutes(minutes)}`;
        return `${PREPARED_WORDS[kind]}${result === 'did-not' ? ', did not come out' : ''}${took} (${by})`;
      })
      .join(' · '),
  );

  protected keep(): void {
    const [kind, result, typed] = [this.kind(), this.result(), this.minutes().trim()];
    const minutes = typed === '' ? null : Number(typed.replace(',', '.'));
    const fault =
      kind === null
        ? 'Say what was done.'
        : result === null
          ? 'Say whether it came out.'
          : minutes !== null && !(minutes >= 0 && minutes <= 10_000)
            ? `"${typed}" are no minutes.`
            : '';
    this.fault.set(fault);
    if (fault !== '' || kind === null || result === null) return;
    this.done.emit({ kind, result, minutes });
    this.kind.set(null);
    this.result.set(null);
    this.minutes.set('');
  }
}
