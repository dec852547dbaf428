import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { provideLuxonDateAdapter } from '@angular/material-luxon-adapter';
import type { MatDateFormats } from '@angular/material/core';
import { MatDatepickerModule } from '@angular/material/datepicker';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { DateTime } from 'luxon';

/** Days as this shop writes them: the day first, the month in words, so that no figure is taken for the other. */
const SHOP_DAYS: MatDateFormats = {
  parse: { dateInput: ['d LLL yyyy', 'd LLLL yyyy', 'd.L.yyyy', 'd/L/yyyy', 'd-L-yyyy', 'yyyy-LL-dd'] },
  display: {
    dateInput: 'd LLL yyyy',
    monthYearLabel: 'LLLL yyyy',
    dateA11yLabel: 'd LLLL yyyy',
    monthYearA11yLabel: 'LLLL yyyy',
  },
};

/** One day, typed or picked. What is no day is told as an empty one. */
@Component({
  selector: 'od-day-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatDatepickerModule, MatFormFieldModule, MatInput],
  providers: [provideLuxonDateAdapter(SHOP_DAYS)],
  template: `
    <mat-form-field>
      <mat-label>{{ label() }}</mat-label>
      <input
        matInput
        [matDatepicker]="picker"
        [value]="at()"
        (dateChange)="dayChosen.emit($event.value?.toISODate() ?? '')"
      />
      <mat-datepicker-toggle matIconSuffix [for]="picker" />
      <mat-datepicker #picker />
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      width: 190px;
    }
  `,
})
export class DayField {
  readonly label = input.required<string>();
  /** An ISO day; empty for none. */
  readonly day = input.required<string>();
  readonly dayChosen = output<string>();
  protected readonly at = computed((): DateTime | null => {
    const at = DateTime.fromISO(this.day());
    return at.isValid ? at : null;
  });
}
