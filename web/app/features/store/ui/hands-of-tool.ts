import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Person } from '@odontis/contract/people';
import type { Calibration } from '@odontis/core/calibration/hand';
import { handLine } from '@odontis/core/calibration/hand-line';
import { Speech } from '../../../shared/speech/speech';
import { HandChart } from './hand-chart';

/** What one tool does in each of the shop's hands, a small chart each: readings taken at the bench and among the people. */
@Component({
  selector: 'od-hands-of-tool',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [HandChart],
  template: `
    <div class="charts">
      @for (hand of hands(); track hand.id) {
        <figure>
          <figcaption>{{ hand.name }}: {{ hand.says }}</figcaption>
          <od-hand-chart [line]="hand.line" [what]="what()" [whose]="hand.name" />
        </figure>
      }
    </div>
    @if (hands().length === 0 && !silent()) {
      <p class="quiet">Nothing measured with it yet: the bench asks in passing.</p>
    }
  `,
  styles: `
    .charts {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 20px;
    }
    figure {
      margin: 6px 0 0;
      width: 230px;
    }
    figcaption {
      font-size: 13px;
    }
  `,
})
export class HandsOfTool {
  readonly what = input.required<Calibration>();
  readonly tool = input.required<string>();
  readonly people = input.required<readonly Person[]>();
  readonly silent = input(false);
  private readonly speech = inject(Speech);

  protected readonly hands = computed(() =>
    this.people().flatMap(({ id, name, calibrations }) => {
      const line = handLine(calibrations, this.what(), this.tool());
      return line.points.length === 0 ? [] : [{ id, name, line, says: this.says(line.points.length, line.line) }];
    }),
  );

  private says(read: number, line: ReturnType<typeof handLine>['line']): string {
    const last = line?.at(-1);
    if (!last) return `read ${read === 1 ? 'once' : `${read} times`}, too little for a line`;
    if (this.what() === 'set-tool') {
      const middle = line?.[Math.floor(line.length / 2)] ?? last;
      return `${this.speech.fine(middle.didMm)} ± ${this.speech.fine(middle.errorMm)} at ${Math.round(10 * middle.amount) / 10}`;
    }
    const each = (mm: number): string => this.speech.finer(mm / last.amount);
    return `${each(last.didMm)} ± ${each(last.errorMm)} a ${this.what() === 'strokes' ? 'stroke' : 'pass'}`;
  }
}
