import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatSliderModule } from '@angular/material/slider';
import { Speech } from '../../../shared/speech/speech';

/** How deep something is brought down, pulled by slider, with the way back to what is advised. Depths mm. */
@Component({
  selector: 'od-depth-pull',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatSliderModule],
  template: `
    <div class="pull">
      <span>{{ name() }}</span>
      <mat-slider [min]="leastMm()" [max]="deepestMm()" [step]="(deepestMm() - leastMm()) / 400">
        <input
          matSliderThumb
          [attr.aria-label]="name()"
          [attr.aria-valuetext]="speech.fine(depthMm())"
          [value]="depthMm()"
          (valueChange)="chose.emit($event)"
        />
      </mat-slider>
      <output class="figure">{{ speech.fine(depthMm()) }}</output>
    </div>
    @if (chosen()) {
      <p class="quiet">
        <button type="button" class="link" (click)="chose.emit(null)">
          back to the advised {{ speech.fine(advisedMm()) }}
        </button>
      </p>
    }
  `,
  styleUrl: './plan-part.scss',
})
export class DepthPull {
  protected readonly speech = inject(Speech);
  readonly name = input.required<string>();
  readonly depthMm = input.required<number>();
  readonly leastMm = input(0);
  readonly deepestMm = input.required<number>();
  readonly advisedMm = input.required<number>();
  /** By a person, and not as advised. */
  readonly chosen = input.required<boolean>();
  /** Null for what is advised. */
  readonly chose = output<number | null>();
}
