import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Speech } from '../../../shared/speech/speech';
import { Figures } from '../../../shared/ui/figures';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import { NewTeeth } from './new-teeth';
import type { PlanAtDepth } from './plan-figures';
import { conversionFigures, planFigures, stretchFigures } from './plan-figures';
import { planTitle } from './plan-words';

/** What is planned at the depth chosen and what it gives and costs: the line, another filing, new teeth, its stretches. */
@Component({
  selector: 'od-plan-now',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Figures, NewTeeth, Notice, Why],
  template: `
    @let p = plan();
    <h2>
      {{ title() }}
      @if (!p.order.inputs.retooth) {
        <od-why [reason]="p.study.recommended.reason" />
      }
    </h2>
    <od-figures [figures]="figures()" />
    @if (p.order.inputs.from; as from) {
      @if (p.study.conversion; as to) {
        <h3>{{ from.filing }} to {{ p.order.inputs.saw.filing }} <od-why [reason]="to.reason" /></h3>
        <od-figures [figures]="converted()" />
        @if (to.advice === 'keep') {
          <od-notice weight="decide"
            >{{ to.reason.otherwise }} The alternative: keep it filed {{ from.filing }}.</od-notice
          >
        }
      }
    }
    <od-new-teeth [order]="p.order" [past]="past()" [frozen]="frozen()" (chosen)="retoothed.emit($event)" />
    @if (p.study.stretches.length > 1) {
      <h3>Along the line</h3>
      <od-figures [figures]="stretches()" />
    }
  `,
  styleUrl: './plan-part.scss',
  styles: `
    h2 {
      font-size: 22px;
      margin-bottom: 6px;
    }
  `,
})
export class PlanNow {
  private readonly speech = inject(Speech);
  readonly plan = input.required<PlanAtDepth>();
  /** Why the line is past saving, and what new teeth would cost; null where jointing will do. */
  readonly past = input.required<ReturnType<NewTeeth['past']>>();
  readonly frozen = input.required<boolean>();
  /** Cut to another pitch, mm; null: the teeth that are there. */
  readonly retoothed = output<number | null>();

  protected readonly title = computed(() => planTitle(this.plan(), this.speech));
  protected readonly figures = computed(() => planFigures(this.plan(), this.speech));
  protected readonly stretches = computed(() => stretchFigures(this.plan().study, this.speech));
  protected readonly converted = computed(() => {
    const to = this.plan().study.conversion;
    return to ? conversionFigures(to, this.speech) : [];
  });
}
