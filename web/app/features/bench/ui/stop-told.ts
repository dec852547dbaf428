import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { HEAVIER_SAYS, HEAVIER_SIDE_SAYS, stepSays, stepTitle } from '@odontis/contract/step-words';
import type { Ends } from '@odontis/core/saw/ends';
import type { WalkStop } from '@odontis/core/work/step';
import { Speech } from '../../../shared/speech/speech';
import type { StopInHand } from '../data/stop-facts';
import { aimAt, boardDegAt, FILE_MM, flatAt, holdAt, isEndRaker, isPointed, whereSays } from '../data/stop-facts';
import { EarSign } from './ear-sign';

/** The stop in hand, for two metres: where it is, how many strokes, what number is aimed for, how the file is held. */
@Component({
  selector: 'od-stop-told',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [EarSign],
  templateUrl: './stop-told.html',
  styleUrl: './stop-told.scss',
})
export class StopTold {
  protected readonly speech = inject(Speech);
  readonly at = input.required<StopInHand>();
  /** Stops that one press marks. */
  readonly next = input.required<readonly WalkStop[]>();
  /** What the plan reckoned here, where this hand's rate says otherwise. */
  readonly planned = input.required<number | null>();
  readonly ends = input.required<Ends>();
  protected readonly fileMm = FILE_MM;

  protected readonly step = computed(() => this.at().step);
  protected readonly stop = computed(() => this.at().stop);
  protected readonly title = computed(() => stepTitle(this.step(), this.speech, this.ends()));
  protected readonly says = computed(() => stepSays(this.step(), this.speech, this.speech.book(), this.ends()));
  protected readonly where = computed(() => whereSays(this.at(), this.next()));
  /** Strokes of the stops that one press marks, where they are not alike. */
  protected readonly unlike = computed(() => {
    const next = this.next();
    return next.some((stop) => stop.strokes !== next[0]?.strokes) ? next : null;
  });
  /** Which side is filed harder, where the strokes give the tooth its shape. */
  protected readonly heavier = computed(() => {
    const { order, step, stop } = this.at();
    if (!['shape', 'reshape', 'point'].includes(step.kind)) return null;
    return (isPointed(order) ? HEAVIER_SIDE_SAYS : HEAVIER_SAYS)[stop.heavier];
  });
  protected readonly aim = computed(() => aimAt(this.at(), this.speech));
  protected readonly flat = computed(() => flatAt(this.stop(), this.speech));
  protected readonly endRaker = computed(() => isEndRaker(this.at()));
  protected readonly pointed = computed(() => isPointed(this.at().order));
  protected readonly boardDeg = computed(() => boardDegAt(this.at()));
  protected readonly hold = computed(() => holdAt(this.at()));
  /** The step takes metal off all teeth at once. */
  protected readonly joints = computed(() => ['joint', 'joint-again', 'finish'].includes(this.step().kind));
}
