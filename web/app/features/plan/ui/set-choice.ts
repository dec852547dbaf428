import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';

/** Whether the set is renewed, left, or judged by what was read of it; null for the last. */
@Component({
  selector: 'od-set-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule],
  template: `
    <mat-button-toggle-group
      hideSingleSelectionIndicator
      aria-label="Set"
      [value]="chosen() ?? 'due'"
      (change)="chose.emit($event.value === 'due' ? null : $event.value)"
    >
      <mat-button-toggle value="due">set as it is due</mat-button-toggle>
      <mat-button-toggle value="renew">renew it</mat-button-toggle>
      <mat-button-toggle value="leave">leave it</mat-button-toggle>
    </mat-button-toggle-group>
  `,
})
export class SetChoice {
  readonly chosen = input.required<'renew' | 'leave' | null>();
  readonly chose = output<'renew' | 'leave' | null>();
}
