import { ChangeDetectionStrategy, Component, effect, input, output, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { StripPrinter } from '@odontis/contract/measuring-sheet';
import { RULER_MM } from '@odontis/core/photograph/measuring-strip';

/** Printers of measuring strips with both rulers of their sheets as measured: nothing is taken for measured that was not. */
@Component({
  selector: 'od-strip-printers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput],
  template: `
    @for (printer of printers(); track $index; let i = $index) {
      <div class="printer">
        <mat-form-field
          ><mat-label>Printer</mat-label
          ><input matInput #name [value]="printer.name" (change)="put(i, 'name', name.value)"
        /></mat-form-field>
        @for (ruler of rulers; track ruler.field) {
          <mat-form-field
            ><mat-label>Ruler of {{ ruler.mm }} mm</mat-label
            ><input
              matInput
              #length
              inputmode="decimal"
              [value]="printer[ruler.field]"
              (change)="put(i, ruler.field, number(length.value))"
          /></mat-form-field>
        }
        <button
          matButton="outlined"
          class="small"
          type="button"
          (click)="takeOut(i)"
          [attr.aria-label]="'Take ' + printer.name + ' out'"
        >
          Take {{ printer.name }} out
        </button>
      </div>
    }
    <form class="printer" (submit)="$event.preventDefault(); add()">
      @for (field of fields; track field.key) {
        <mat-form-field
          ><mat-label>{{ field.label }}</mat-label
          ><input
            matInput
            #typed
            [attr.inputmode]="field.key === 'name' ? null : 'decimal'"
            [value]="draft()[field.key]"
            (input)="type(field.key, typed.value)"
        /></mat-form-field>
      }
      <button matButton="outlined" class="small" type="submit">Add it as measured</button>
    </form>
  `,
  styles: `
    .printer {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 10px;
    }
    mat-form-field {
      width: 162px;
    }
  `,
})
export class StripPrinters {
  readonly printers = input.required<readonly StripPrinter[]>();
  readonly changed = output<StripPrinter[]>();
  protected readonly rulers = [
    { field: 'alongMm', mm: RULER_MM.along },
    { field: 'acrossMm', mm: RULER_MM.across },
  ] as const;
  protected readonly fields = [
    { key: 'name', label: 'Another printer' },
    ...this.rulers.map(({ field, mm }) => ({ key: field, label: `Ruler of ${mm} mm` })),
  ] as const;
  protected readonly draft = signal(EMPTY);

  constructor() {
    let before = Infinity;
    // One more is kept: what was typed for it has done its work. What was refused stays to be put right.
    effect(() => {
      const now = this.printers().length;
      if (now > before) untracked(() => this.draft.set(EMPTY));
      before = now;
    });
  }

  protected number = (text: string): number => Number(text.trim().replace(',', '.') || NaN);

  protected put(index: number, field: keyof StripPrinter, value: string | number): void {
    this.changed.emit(this.printers().map((own, i) => (i === index ? { ...own, [field]: value } : own)));
  }

  protected type(field: keyof StripPrinter, value: string): void {
    this.draft.update((draft) => ({ ...draft, [field]: value }));
  }

  protected takeOut(index: number): void {
    this.changed.emit(this.printers().filter((_, i) => i !== index));
  }

  protected add(): void {
    const { name, alongMm, acrossMm } = this.draft();
    this.changed.emit([...this.printers(), { name, alongMm: this.number(alongMm), acrossMm: this.number(acrossMm) }]);
  }
}

const EMPTY: Readonly<Record<keyof StripPrinter, string>> = { name: '', alongMm: '', acrossMm: '' };
