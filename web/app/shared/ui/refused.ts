import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Refusal } from '../api/refusal';
import { Notice } from './notice';

/** Why what was sent was not taken; where somebody else was faster the ticket is read anew, and what was chosen stays. */
@Component({
  selector: 'od-refused',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Notice],
  template: `
    <od-notice weight="stop"
      >{{ refusal().detail }}
      @if (refusal().code === 'edited-elsewhere') {
        <button type="button" class="link" (click)="reload.emit()">Load it as it stands; {{ stays() }}</button>
      }
    </od-notice>
  `,
  styles: `
    :host {
      display: block;
      margin-block: 6px;
    }
  `,
})
export class Refused {
  readonly refusal = input.required<Refusal>();
  /** What is not lost by loading it, in words: "your depth stays chosen". */
  readonly stays = input.required<string>();
  readonly reload = output();
}
