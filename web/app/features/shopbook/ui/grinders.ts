import { ChangeDetectionStrategy, Component, effect, input, output, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { ShopBook } from '@odontis/contract/shop';
import { plain } from '../../../shared/saw/plain-number';

type Grinder = NonNullable<ShopBook['grinders']>[number];
type Field = keyof Grinder;
const FIELDS: readonly (readonly [field: Field, label: string])[] = [
  ['name', 'Grinder'],
  ['days', 'Usual days'],
  ['perTooth', 'A tooth'],
  ['least', 'At the least'],
];
const EMPTY: Readonly<Record<Field, string>> = { name: '', days: '', perTooth: '', least: '' };

/** Who grinds what is not filed here, the days they usually have it, and their prices; a price nobody knows stays empty. */
@Component({
  selector: 'od-grinders',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput],
  template: `
    @for (one of grinders(); track $index; let i = $index) {
      <div class="one">
        @for (field of fields; track field[0]) {
          <mat-form-field
            ><mat-label>{{ field[1] }}</mat-label
            ><input
              matInput
              #typed
              [attr.inputmode]="field[0] === 'name' ? null : 'decimal'"
              [value]="one[field[0]] ?? ''"
              (change)="put(i, field[0], typed.value)"
          /></mat-form-field>
        }
        <button
          matButton="outlined"
          class="small"
          type="button"
          (click)="takeOut(i)"
          [attr.aria-label]="'Take ' + one.name + ' out'"
        >
          Take out
        </button>
      </div>
    }
    <form class="one" (submit)="$event.preventDefault(); add()">
      @for (field of fields; track field[0]) {
        <mat-form-field
          ><mat-label>{{ field[0] === 'name' ? 'Another grinder' : field[1] }}</mat-label
          ><input
            matInput
            #typed
            [attr.inputmode]="field[0] === 'name' ? null : 'decimal'"
            [value]="draft()[field[0]]"
            (input)="type(field[0], typed.value)"
        /></mat-form-field>
      }
      <button matButton="outlined" class="small" type="submit">Add the grinder</button>
    </form>
  `,
  styles: `
    .one {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 10px;
    }
    mat-form-field {
      width: 104px;
    }
    mat-form-field:first-child {
      flex: 1 1 230px;
      max-width: 300px;
    }
  `,
})
export class Grinders {
  readonly grinders = input.required<readonly Grinder[]>();
  readonly changed = output<Grinder[]>();
  protected readonly fields = FIELDS;
  protected readonly draft = signal(EMPTY);

  constructor() {
    let before = Infinity;
    // One more is kept: what was typed for it has done its work. What was refused stays to be put right.
    effect(() => {
      const now = this.grinders().length;
      if (now > before) untracked(() => this.draft.set(EMPTY));
      before = now;
    });
  }

  protected put(index: number, field: Field, text: string): void {
    this.changed.emit(this.grinders().map((own, i) => (i === index ? { ...own, [field]: valueOf(field, text) } : own)));
  }
  protected type(field: Field, text: string): void {
    this.draft.update((draft) => ({ ...draft, [field]: text }));
  }
  protected takeOut(index: number): void {
    this.changed.emit(this.grinders().filter((_, i) => i !== index));
  }
  protected add(): void {
    const told = Object.fromEntries(FIELDS.map(([field]) => [field, valueOf(field, this.draft()[field])]));
    this.changed.emit([...this.grinders(), told as unknown as Grinder]);
  }
}

/** A field as it is kept: a name, or a number; a price left empty is not known. */
const valueOf = (field: Field, text: string): string | number | null =>
  field === 'name' ? text.trim() : text.trim() === '' && field !== 'days' ? null : plain(text);
