import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { saySharpenings } from '@odontis/core/life/life';
import type { ChaseOffer } from '@odontis/core/work/tooth-line/chase-offer';
import { Speech } from '../../../shared/speech/speech';
import { Why } from '../../../shared/ui/why';

/** Teeth that stay under the line: blended in or chased, with the depth, the life and the money of each. */
@Component({
  selector: 'od-short-teeth',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Why],
  template: `
    <h3>Short {{ called() === 'cutter' ? 'cutters' : 'teeth' }}</h3>
    <p class="quiet">
      @for (t of offer().teeth.slice(0, 6); track t.tooth) {
        <span class="short">
          <button type="button" class="link" (click)="show.emit(t.tooth)">{{ called() }} {{ t.tooth }}</button>
          {{ speech.fine(t.shortMm) }} under
          <od-why [reason]="t.reason" />
        </span>
      }
      {{ offer().teeth.length > 6 ? 'and ' + (offer().teeth.length - 6) + ' more' : '' }}
    </p>
    <table class="plain">
      <tr>
        <th scope="row">Blend them in</th>
        <td class="figure">{{ says(offer().blend) }}</td>
      </tr>
      <tr>
        <th scope="row">Chase them</th>
        <td class="figure">
          @if (offer().chase; as c) {
            {{ says(c) }}
            @if (!frozen()) {
              <button type="button" class="link" (click)="chased.emit(c.depthMm)">chase to there</button>
            }
          } @else {
            deeper than these teeth allow: they are blended in
          }
        </td>
      </tr>
    </table>
  `,
  styleUrl: './plan-part.scss',
  styles: `
    .short {
      display: inline-block;
      margin-right: 10px;
    }
  `,
})
export class ShortTeeth {
  readonly offer = input.required<ChaseOffer>();
  readonly called = input<'tooth' | 'cutter'>('tooth');
  readonly frozen = input.required<boolean>();
  readonly show = output<number>();
  /** Joint down to here, mm. */
  readonly chased = output<number>();
  protected readonly speech = inject(Speech);

  protected says({ depthMm, spent, price, minutes }: ChaseOffer['blend']): string {
    const cost = price ? this.speech.money(price.amount) : this.speech.minutes(minutes);
    return `${this.speech.fine(depthMm)} off, ${saySharpenings(spent)}, ${cost}`;
  }
}
