import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { AcceptedPlan } from '@odontis/contract/plan';
import { WAY_WORDS } from '../../../shared/words/way-words';

/** Which way an accepted plan is, beside the least that would have done, and why it was chosen. */
@Component({
  selector: 'od-way-kept',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (plan().way; as way) {
      <p>
        Chosen: {{ words[way].toLowerCase()
        }}{{
          plan().least && plan().least !== way
            ? '; the least that would do: ' + words[plan().least!].toLowerCase()
            : ''
        }}.
      </p>
    }
    @if (plan().why; as why) {
      <p class="quiet">“{{ why }}”</p>
    }
  `,
})
export class WayKept {
  readonly plan = input.required<Pick<AcceptedPlan, 'way' | 'least' | 'why'>>();
  protected readonly words = WAY_WORDS;
}
