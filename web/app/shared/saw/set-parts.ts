import { MatSelectModule } from '@angular/material/select';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { DraftPart } from './saw-told';

const KINDS: readonly (readonly [DraftPart['kind'], string])[] = [
  ['outer', 'outer blade'],
  ['chipper', 'chipper'],
  ['shim', 'shim'],
];

/** The parts of a dado set in the order they lie on the arbor, each with its own numbers. */
@Component({
  selector: 'od-set-parts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput, MatSelectModule, MatButton],
  template: `
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">Part</th>
          <th scope="col">Kind</th>
          <th scope="col">Teeth</th>
          <th scope="col">Thick at the bore</th>
          <th scope="col">Cuts</th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        @for (part of parts(); track $index; let i = $index) {
          <tr>
            <td>
              <mat-form-field class="cell-field"
                ><input
                  #field
                  matInput
                  [value]="part.id"
                  (change)="tell(i, { id: field.value })"
                  [attr.aria-label]="'Name of part ' + (i + 1)"
              /></mat-form-field>
            </td>
            <td>
              <mat-select
                class="cell"
                [value]="part.kind"
                (selectionChange)="tell(i, { kind: $event.value })"
                [aria-label]="'Kind of ' + part.id"
              >
                @for (kind of kinds; track kind[0]) {
                  <mat-option [value]="kind[0]">{{ kind[1] }}</mat-option>
                }
              </mat-select>
            </td>
            @if (part.kind === 'shim') {
              <td class="quiet">none</td>
            } @else {
              <td>
                <mat-form-field class="cell-field"
                  ><input
                    #field3
                    matInput
                    inputmode="numeric"
                    [value]="part.teeth"
                    (change)="tell(i, { teeth: field3.value })"
                    [attr.aria-label]="'Teeth of ' + part.id"
                /></mat-form-field>
              </td>
            }
            <td>
              <mat-form-field class="cell-field"
                ><input
                  #field4
                  matInput
                  [value]="part.plate"
                  (change)="tell(i, { plate: field4.value })"
                  [attr.aria-label]="'Thickness of ' + part.id"
              /></mat-form-field>
            </td>
            @if (part.kind === 'shim') {
              <td class="quiet">nothing</td>
            } @else {
              <td>
                <mat-form-field class="cell-field"
                  ><input
                    #field5
                    matInput
                    [value]="part.cut"
                    (change)="tell(i, { cut: field5.value })"
                    [attr.aria-label]="'Cut of ' + part.id"
                /></mat-form-field>
              </td>
            }
            <td>
              <button
                type="button"
                class="link"
                (click)="dropped.emit(i)"
                [attr.aria-label]="'Take ' + part.id + ' out'"
              >
                take out
              </button>
            </td>
          </tr>
        }
      </tbody>
    </table>
    @for (sentence of wrong(); track sentence) {
      <p class="stop-text">{{ sentence }}</p>
    }
    <button type="button" matButton="outlined" (click)="added.emit()" [disabled]="parts().length >= 14">
      Another part
    </button>
  `,
})
export class SetParts {
  readonly parts = input.required<readonly DraftPart[]>();
  readonly wrong = input<readonly string[]>([]);
  readonly changed = output<readonly DraftPart[]>();
  readonly added = output();
  /** The part to be taken out; its marks go with it. */
  readonly dropped = output<number>();
  protected readonly kinds = KINDS;

  protected tell(index: number, change: Partial<DraftPart>): void {
    this.changed.emit(this.parts().map((part, i) => (i === index ? { ...part, ...change } : part)));
  }
}
