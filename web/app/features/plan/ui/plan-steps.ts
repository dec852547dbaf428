import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { stepTitle } from '@odontis/contract/step-words';
import type { Ends } from '@odontis/core/saw/ends';
import type { Step } from '@odontis/core/work/step';
import { wholeMinutes } from '@odontis/core/work/step';
import { Speech } from '../../../shared/speech/speech';

/** An order's steps, one after the other, with their minutes. */
@Component({
  selector: 'od-plan-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol>
      @for (step of told(); track $index) {
        <li>
          {{ step.title }} <span class="quiet">{{ step.minutes }}</span>
        </li>
      }
    </ol>
  `,
  styles: `
    ol {
      margin: 6px 0 10px;
      padding-left: 22px;
    }
  `,
})
export class PlanSteps {
  private readonly speech = inject(Speech);
  readonly steps = input.required<readonly Step[]>();
  /** What this saw's ends are called; left out where it has none. */
  readonly ends = input<Ends>();
  /** Minutes that add up to the whole order's. */
  protected readonly told = computed(() => {
    const minutes = wholeMinutes(this.steps());
    return this.steps().map((step, i) => ({
      title: stepTitle(step, this.speech, this.ends()),
      minutes: minutes[i] ? this.speech.minutes(minutes[i]) : 'under 1 min',
    }));
  });
}
