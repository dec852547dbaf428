import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { ShopBook } from '@odontis/contract/shop';
import type { BookChoice } from '../data/book-choices';

/** One thing that shops have one way or another. */
@Component({
  selector: 'od-book-choice-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule],
  template: `
    <div class="line">
      <span>{{ choice().name }}</span>
      <mat-button-toggle-group
        hideSingleSelectionIndicator
        [attr.aria-label]="choice().label"
        [value]="present()"
        (change)="changed.emit(choice().ways[$event.value]!.change)"
      >
        @for (way of choice().ways; track way.says; let i = $index) {
          <mat-button-toggle [value]="i">{{ way.says }}</mat-button-toggle>
        }
      </mat-button-toggle-group>
    </div>
  `,
  styleUrl: './shopbook-part.scss',
})
export class BookChoiceRow {
  readonly choice = input.required<BookChoice>();
  readonly changed = output<Partial<ShopBook>>();
  protected readonly present = computed(() => this.choice().ways.findIndex((way) => way.chosen));
}
