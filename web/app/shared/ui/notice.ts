import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** One sentence that matters: `stop` in red lead, `decide` in brass, `quiet` in ink. Read out when it appears. */
@Component({
  selector: 'od-notice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div [class]="weight()" [attr.role]="weight() === 'stop' ? 'alert' : 'status'"><ng-content /></div>`,
  styles: `
    div {
      padding: 6px 12px;
      border-left: 6px solid var(--ink);
      background: var(--ink-wash);
    }
    .stop {
      border-color: var(--lead);
      background: var(--lead-wash);
    }
    .decide {
      border-color: var(--brass);
      background: var(--brass-wash);
    }
  `,
})
export class Notice {
  readonly weight = input<'stop' | 'decide' | 'quiet'>('quiet');
}
