import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { PlanDraft } from '../data/plan-draft';

/** Whether the saw is filed otherwise, as its owner wished, and which line its teeth are jointed to. */
@Component({
  selector: 'od-line-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule],
  template: `
    @if (wish(); as w) {
      <mat-button-toggle-group
        hideSingleSelectionIndicator
        aria-label="Filing"
        [value]="converting()"
        (change)="chose.emit({ convert: $event.value, depthMm: null, rakeDeg: null, fleamDeg: null })"
      >
        <mat-button-toggle [value]="true">convert to {{ w.to }}, as wished</mat-button-toggle>
        <mat-button-toggle [value]="false">keep {{ w.from }}</mat-button-toggle>
      </mat-button-toggle-group>
    }
    @if (line(); as value) {
      <mat-button-toggle-group
        hideSingleSelectionIndicator
        aria-label="Joint line"
        [value]="value"
        (change)="chose.emit({ line: $event.value, depthMm: null })"
      >
        <mat-button-toggle value="free">line as the teeth lie</mat-button-toggle>
        <mat-button-toggle value="level">level line</mat-button-toggle>
      </mat-button-toggle-group>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      margin-bottom: 4px;
    }
  `,
})
export class LineChoice {
  /** The owner's wish to have it filed otherwise; null where there is none. */
  readonly wish = input.required<{ readonly from: string; readonly to: string } | null>();
  readonly converting = input.required<boolean>();
  /** Null where the teeth's own line is no choice: cutters follow their breast. */
  readonly line = input.required<PlanDraft['line'] | null>();
  readonly chose = output<Partial<PlanDraft>>();
}
