import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Refusal } from '../api/refusal';
import { Notice } from '../ui/notice';

/** Why readings were not taken; what can never be taken may be let go, so that the next ones are. */
@Component({
  selector: 'od-readings-refused',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Notice],
  template: `
    <od-notice weight="stop"
      >{{ refusal().detail }}
      @if (refusal().code === 'bad-input') {
        <button type="button" class="link" (click)="letGo.emit()">Let these readings go</button>
      }
    </od-notice>
  `,
})
export class ReadingsRefused {
  readonly refusal = input.required<Refusal>();
  readonly letGo = output();
}
