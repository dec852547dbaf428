import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { ToolDeed } from '@odontis/core/store/tool';
import { toolDeed } from '@odontis/core/store/tool';

/** Pieces bought, or counted on the shelf. */
@Component({
  selector: 'od-pieces-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput],
  template: `
    <form (submit)="$event.preventDefault()" [attr.aria-label]="'Pieces of ' + name()">
      <mat-form-field
        ><mat-label>Pieces</mat-label
        ><input #field matInput inputmode="numeric" [value]="pieces()" (input)="pieces.set(field.value)"
      /></mat-form-field>
      <button matButton="outlined" type="button" (click)="say('bought')">Bought</button>
      <button matButton="outlined" type="button" (click)="say('counted')">Counted</button>
      @if (slip(); as text) {
        <p class="stop-text" role="alert">{{ text }}</p>
      }
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      align-items: center;
    }
    mat-form-field {
      width: 90px;
    }
    p {
      flex-basis: 100%;
    }
  `,
})
export class PiecesForm {
  readonly name = input.required<string>();
  readonly told = output<ToolDeed>();
  protected readonly pieces = signal('');
  protected readonly slip = signal<string | null>(null);

  protected say(what: 'bought' | 'counted'): void {
    const deed = toolDeed.safeParse({ what, pieces: this.pieces().trim() === '' ? NaN : Number(this.pieces()) });
    this.slip.set(deed.success ? null : (deed.error.issues[0]?.message ?? null));
    if (!deed.success) return;
    this.pieces.set('');
    this.told.emit(deed.data);
  }
}
