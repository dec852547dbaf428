import type { SetChosen } from '@odontis/core/work/tooth-line/inputs';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { bandTeeth } from '@odontis/core/saw/band-teeth';
import type { BandOrdered, BandWish } from '@odontis/core/work/families/band/inputs';
import type { WorkOrder } from '@odontis/core/work/order';
import { LoopPicture } from '../../../shared/loop/loop-picture';
import { Speech } from '../../../shared/speech/speech';
import { Figures } from '../../../shared/ui/figures';
import { Notice } from '../../../shared/ui/notice';
import { bandFigures } from './band-figures';
import { SetChoice } from './set-choice';

/** A count that is off what length and pitch say by more than this share is asked about. No source. */
const ASKED_SHARE = 0.02;

/** A band: its count and its windows, set by sample, jointing by school; the loop as it will hang in the vise. */
@Component({
  selector: 'od-band-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatButtonToggleModule, MatFormFieldModule, MatInput, Figures, LoopPicture, Notice, SetChoice],
  templateUrl: './band-plan.html',
  styleUrl: './plan-part.scss',
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class BandPlan {
  protected readonly speech = inject(Speech);
  readonly own = input.required<BandOrdered>();
  readonly order = input.required<WorkOrder>();
  readonly frozen = input.required<boolean>();
  readonly busy = input.required<boolean>();
  readonly chose = output<BandWish>();
  /** The teeth as they were counted. */
  readonly counted = output<number>();
  /** What was typed is none, in a sentence; null where it is. */
  readonly slipped = output<string | null>();
  /** A count that length and pitch speak against, until it is taken or counted again. */
  protected readonly doubtful = signal<number | null>(null);

  protected readonly pitchMm = computed(() => this.own().inputs.saw.lengthMm / this.own().forecast.teeth);
  protected readonly figures = computed(() => bandFigures(this.own(), this.order(), this.speech));

  /** Bent teeth of a loop or a rim are renewed or left. */
  protected setChosen(set: SetChosen | null): void {
    this.choose({ set: set === 'dress' ? null : set });
  }

  protected choose(change: Partial<Omit<BandWish, 'family'>>): void {
    this.chose.emit({ ...this.own().inputs.wish, ...change });
  }

  /** Teeth as counted round the loop; where length and pitch say another number they are asked about first. */
  protected typed(text: string): void {
    const teeth = Number(text.trim());
    const fits = Number.isInteger(teeth) && teeth >= 10 && teeth <= 20_000;
    this.slipped.emit(fits ? null : `“${text}” is no count of a band’s teeth: type a whole number, such as 378.`);
    if (!fits) return;
    const told = bandTeeth(this.own().inputs.saw.lengthMm, this.pitchMm());
    if (Math.abs(teeth - told) > ASKED_SHARE * told) this.doubtful.set(teeth);
    else this.take(teeth);
  }

  protected take(teeth: number): void {
    this.doubtful.set(null);
    this.counted.emit(teeth);
  }

  protected typedStrokes(text: string): void {
    const strokes = Number(text.trim());
    const fits = Number.isInteger(strokes) && strokes >= 1 && strokes <= 20;
    this.slipped.emit(fits ? null : `“${text}” is no number of strokes: type a whole number from 1 to 20.`);
    if (fits) this.choose({ strokes });
  }
}
