import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Reason } from '@odontis/core/reason/reason';
import { Why } from './why';

/** One thing known: its name, what it is in the shop's words, and why, where it can say so. */
export interface Figure {
  readonly name: string;
  readonly says: string;
  readonly why?: Reason | null | undefined;
}

/** What is known, a row each, every one with its reason. */
@Component({
  selector: 'od-figures',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Why],
  template: `
    <table class="plain">
      @for (one of figures(); track one.name) {
        <tr>
          <th scope="row">{{ one.name }}</th>
          <td class="figure">
            {{ one.says }}
            @if (one.why; as reason) {
              <od-why [reason]="reason" />
            }
          </td>
        </tr>
      }
    </table>
  `,
  styles: `
    :host {
      display: block;
    }
    th {
      white-space: nowrap;
    }
    td {
      white-space: normal;
    }
    @media (max-width: 760px) {
      th {
        white-space: normal;
      }
    }
  `,
})
export class Figures {
  readonly figures = input.required<readonly Figure[]>();
}
