import type { SetChosen } from '@odontis/core/work/tooth-line/inputs';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { jumpedTurn, rimGap } from '@odontis/core/circular/dial-faults';
import type { BladeOrdered, BladeWish } from '@odontis/core/work/families/circular/inputs';
import type { BladeStudy } from '@odontis/core/work/families/circular/study';
import type { WorkOrder } from '@odontis/core/work/order';
import { WheelPicture } from '../../../shared/loop/wheel-picture';
import { Speech } from '../../../shared/speech/speech';
import { Figures } from '../../../shared/ui/figures';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import { bladeFigures } from './blade-figures';
import { DepthPull } from './depth-pull';
import { SetChoice } from './set-choice';

/** A blade: its rim by dial, how deep it is jointed and what that reaches, hook, set, and what a burnt tooth's file says. */
@Component({
  selector: 'od-blade-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButtonToggleModule,
    MatFormFieldModule,
    MatInput,
    DepthPull,
    Figures,
    WheelPicture,
    Notice,
    SetChoice,
    Why,
  ],
  templateUrl: './blade-plan.html',
  styleUrl: './plan-part.scss',
  styles: `
    :host {
      display: contents;
    }
    .wide {
      width: 100%;
    }
  `,
})
export class BladePlan {
  protected readonly speech = inject(Speech);
  readonly own = input.required<BladeOrdered>();
  /** The depths that can be chosen, circle and teeth. */
  readonly study = input.required<BladeStudy>();
  readonly order = input.required<WorkOrder>();
  readonly frozen = input.required<boolean>();
  /** How much of the rim is seen unrolled. */
  readonly seen = input.required<{ readonly from: number; readonly to: number }>();
  readonly chose = output<BladeWish>();
  readonly show = output<number>();

  protected readonly carbide = computed(() => this.own().inputs.saw.tipped === 'carbide');
  protected readonly burnt = computed(() => this.own().inputs.marks.includes('burn'));
  protected readonly why = computed(() => this.order().reasons.find((one) => one.what === 'Joint round'));
  protected readonly figures = computed(() =>
    bladeFigures({ own: this.own(), study: this.study(), reasons: this.order().reasons }, this.speech),
  );
  /** The height on the dial that is jointed to; null where it was not read. */
  protected readonly lineMm = computed(() => {
    const { equal, jointMm, advisedMm } = this.study();
    return equal ? equal.targetMm + advisedMm - jointMm : null;
  });
  protected readonly jumped = computed(() =>
    jumpedTurn(this.own().inputs.dial.map((r) => ({ place: r.tooth, valueMm: r.offMm, errorMm: 0, count: 1 }))),
  );
  protected readonly gap = computed(() => {
    const { dial, teeth } = this.own().inputs;
    return dial.length === 0
      ? null
      : rimGap(
          dial.map((r) => r.tooth),
          teeth,
        );
  });

  /** Bent teeth of a loop or a rim are renewed or left. */
  protected setChosen(set: SetChosen | null): void {
    this.choose({ set: set === 'dress' ? null : set });
  }

  protected choose(change: Partial<Omit<BladeWish, 'family'>>): void {
    this.chose.emit({ ...this.own().inputs.wish, ...change });
  }
}
