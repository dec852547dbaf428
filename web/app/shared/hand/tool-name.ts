import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { FILE_NAMES } from '@odontis/core/file/file-choice';

/** A tool's name; of a file offered, as far as typed, by the names that orders call them. */
@Component({
  selector: 'od-tool-name',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatAutocompleteModule, MatFormFieldModule, MatInput],
  template: `
    <mat-form-field
      ><mat-label>{{ label() }}</mat-label
      ><input
        #field
        matInput
        maxlength="60"
        [matAutocomplete]="files"
        [matAutocompleteDisabled]="!isFile()"
        [value]="name()"
        (input)="name.set(field.value)"
      />
      <mat-autocomplete #files (optionSelected)="name.set($event.option.value)">
        @for (one of alike(); track one) {
          <mat-option [value]="one">{{ one }}</mat-option>
        }
      </mat-autocomplete></mat-form-field
    >
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
  `,
})
export class ToolName {
  readonly label = input.required<string>();
  readonly isFile = input.required<boolean>();
  readonly name = model.required<string>();
  protected readonly alike = computed(() =>
    FILE_NAMES.filter((name) => name.toLowerCase().includes(this.name().trim().toLowerCase())),
  );
}
