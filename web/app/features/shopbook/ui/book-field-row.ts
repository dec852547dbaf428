import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { ShopBook } from '@odontis/contract/shop';
import type { BookField } from '../data/book-fields';

/** One figure of the shop book. */
@Component({
  selector: 'od-book-field-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput],
  template: `
    @let one = field();
    <mat-form-field
      ><mat-label>{{ one.name }}</mat-label
      ><input
        matInput
        #typed
        [id]="one.id"
        [attr.inputmode]="one.whole ? 'numeric' : null"
        [value]="one.value"
        (change)="read(typed.value)"
      />
      @if (one.hint) {
        <mat-hint>{{ one.hint }}</mat-hint>
      }
    </mat-form-field>
  `,
  styles: `
    :host {
      display: inline-block;
      width: min(100%, 320px);
      margin-right: 8px;
    }
    mat-form-field {
      width: 100%;
    }
  `,
})
export class BookFieldRow {
  readonly field = input.required<BookField>();
  readonly changed = output<Partial<ShopBook>>();
  /** What was typed is none, in a sentence. */
  readonly slipped = output<string>();

  protected read(text: string): void {
    const read = this.field().read(text);
    if ('slip' in read) this.slipped.emit(read.slip);
    else this.changed.emit(read.change);
  }
}
