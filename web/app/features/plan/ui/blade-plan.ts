import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { BELOW_SCORERS_MM } from '@odontis/core/circular/equalise';
import { jumpedTurn, rimGap } from '@odontis/core/circular/dial-faults';
import { rimSpeed } from '@odontis/core/circular/blade-geometry';
import { chipRoomMm2 } from '@odontis/core/circular/joint-round';
import type { BladeOrdered, BladeWish } from '@odontis/core/work/families/circular/inputs';
import type { BladeStudy } from '@odontis/core/work/families/circular/study';
import type { WorkOrder } from '@odontis/core/work/order';
import { WheelPicture } from '../../../shared/loop/wheel-picture';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import { DepthPull } from './depth-pull';
import { SetChoice } from './set-choice';

/** The wood a blade's chip room is told for, mm. */
const TOLD_CUT_MM = 50;

/** A blade: its rim by dial, how deep it is jointed and what that reaches, hook, set, and what a burnt tooth's file says. */
@Component({
  selector: 'od-blade-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule, MatFormFieldModule, MatInput, DepthPull, WheelPicture, Notice, SetChoice, Why],
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
  protected readonly below = BELOW_SCORERS_MM;
  protected readonly cutMm = TOLD_CUT_MM;

  protected readonly carbide = computed(() => this.own().inputs.saw.tipped === 'carbide');
  protected readonly burnt = computed(() => this.own().inputs.marks.includes('burn'));
  protected readonly reason = (what: string) => this.order().reasons.find((r) => r.what === what) ?? null;
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
  /** Wood a gullet holds: the bite a tooth may take in a cut so deep. mm. */
  protected readonly biteMm = computed(() => {
    const { gulletMm } = this.own().inputs;
    return gulletMm === null ? null : chipRoomMm2(this.study().pitchMm, gulletMm) / TOLD_CUT_MM;
  });
  protected readonly centre = computed(() => {
    const { bladeMm, arborMm } = this.own().forecast;
    const split = this.study().split;
    if (bladeMm === null || !split) return null;
    const error = ` ± ${this.speech.finer(split.eccentricityErrorMm)}`;
    return arborMm === null
      ? `${this.speech.fine(bladeMm)}${error}, blade and arbor together`
      : `blade ${this.speech.fine(bladeMm)}, arbor ${this.speech.fine(arborMm)}${error}`;
  });
  protected readonly speed = computed(() => {
    const { markedLimitRpm: limit, diameterMm } = this.own().inputs.saw;
    if (limit === null) return 'no marking: ask the owner, none is guessed';
    const { metresPerSecond } = rimSpeed(diameterMm, limit, limit);
    return `at most ${limit} turns a minute, as marked: ${metresPerSecond.toFixed(0)} m/s at the rim`;
  });

  protected choose(change: Partial<Omit<BladeWish, 'family'>>): void {
    this.chose.emit({ ...this.own().inputs.wish, ...change });
  }
}
