import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { Pause } from '@odontis/core/band/count-check';
import { countCheck } from '@odontis/core/band/count-check';
import type { WalkStop } from '@odontis/core/work/step';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';

/** Where the last marker came up, held against where it was foretold: a window left out, done twice, or a wrong count. */
@Component({
  selector: 'od-band-count',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput, Notice],
  template: `
    <mat-form-field class="count"
      ><mat-label>Last marker came up at tooth</mat-label
      ><input matInput #field inputmode="numeric" autocomplete="off" (change)="typed(field.value)"
    /></mat-form-field>
    @if (slip(); as text) {
      <od-notice weight="stop">{{ text }}</od-notice>
    }
    @if (says(); as text) {
      <od-notice [weight]="right() ? 'quiet' : 'decide'">{{ text }}</od-notice>
    }
    @if (counted(); as teeth) {
      <button matButton="outlined" type="button" (click)="putRight.emit(teeth)">
        It has {{ teeth }} teeth: put the count right
      </button>
    }
  `,
  styles: `
    .count {
      width: min(330px, 100%);
    }
  `,
})
export class BandCount {
  private readonly speech = inject(Speech);
  readonly teeth = input.required<number>();
  /** Teeth of a whole window. */
  readonly each = input.required<number>();
  readonly walk = input.required<readonly WalkStop[]>();
  /** The longest time away from this work, where one stands out. */
  readonly pause = input.required<Pause | null>();
  /** The teeth it has, as they were counted at the vise. */
  readonly putRight = output<number>();
  /** Another number of teeth than was told, where that is what the marker says. */
  protected readonly counted = computed(() => {
    const found = this.found();
    return found?.finds === 'miscounted' ? found.teeth : null;
  });
  private readonly at = signal<number | null>(null);
  protected readonly slip = signal<string | null>(null);
  private readonly found = computed(() => {
    const at = this.at();
    return at === null ? null : countCheck(this.teeth(), this.each(), at);
  });
  protected readonly right = computed(() => this.found()?.finds === 'as-foretold');
  /** Where the place was most likely lost. */
  private readonly where = computed(() => {
    const pause = this.pause();
    const stop = pause && this.walk()[pause.afterStop];
    if (!pause || stop?.to === undefined) return 'Look for fresh steel: every window that was filed shines.';
    return `Most likely after tooth ${stop.to}, where you were away for ${this.speech.minutes(pause.minutes)}: look there first.`;
  });
  protected readonly says = computed(() => {
    const found = this.found();
    if (!found) return null;
    if (found.finds === 'as-foretold') return `Tooth ${this.teeth()}, as foretold: every window was done once.`;
    const off = `${Math.abs(found.offTeeth)} teeth ${found.offTeeth < 0 ? 'early' : 'late'}`;
    if (found.finds === 'miscounted')
      return `${off}, which is no whole window: the band most likely has ${found.teeth} teeth. Count it before the next circuit.`;
    const windows = found.windows === 1 ? 'a window' : `${found.windows} windows`;
    const done = found.finds === 'skipped' ? 'was passed over' : 'was done twice';
    return `${off}: ${windows} ${done}. ${this.where()}`;
  });

  protected typed(text: string): void {
    const tooth = Number(text.trim());
    const fits = Number.isInteger(tooth) && tooth >= 1 && tooth <= 2 * this.teeth();
    this.at.set(fits ? tooth : null);
    this.slip.set(
      fits || text.trim() === '' ? null : `“${text}” is no tooth of this band: type its number as counted.`,
    );
  }
}
