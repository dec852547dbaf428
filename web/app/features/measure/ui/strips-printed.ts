import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { Notice } from '../../../shared/ui/notice';
import { PictureMeasures, UNMEASURED } from '../state/picture-measures';

/** Whose strips a photograph shows: its printer's rulers say what a millimetre of them is. */
@Component({
  selector: 'od-strips-printed',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatSelectModule, Notice],
  template: `
    @if (measures.printers().length > 0) {
      <mat-form-field subscriptSizing="dynamic"
        ><mat-label>Strips printed on</mat-label>
        <mat-select
          [value]="measures.printer()?.name ?? unmeasured"
          (selectionChange)="measures.choosePrinter($event.value)"
        >
          @for (printer of measures.printers(); track $index) {
            <mat-option [value]="printer.name">{{ printer.name }}</mat-option>
          }
          <mat-option [value]="unmeasured">another printer, not measured</mat-option>
        </mat-select></mat-form-field
      >
    }
    @if (!measures.printer()) {
      <od-notice weight="decide">
        Nobody has measured this printer’s rulers: lengths may be a few thousandths off. The shop book keeps them.
      </od-notice>
    }
  `,
})
export class StripsPrinted {
  protected readonly measures = inject(PictureMeasures);
  protected readonly unmeasured = UNMEASURED;
}
