import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { Person } from '@odontis/contract/people';
import { codeChange, passwordChange } from '@odontis/contract/people';
import { CODE_DIGITS, PASSWORD_SIGNS } from '@odontis/contract/secrets';
import { fieldErrors } from '@odontis/contract/field-errors';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';

/** A password or a code is chosen, after who asks has said their own password. */
@Component({
  selector: 'od-secret-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MatButton, MatFormFieldModule, MatInput],
  template: `
    <form (submit)="$event.preventDefault(); keep()" [attr.aria-label]="what() === 'code' ? 'Code' : 'Password'">
      @if (sure()) {
        <mat-form-field
          ><mat-label>Your own password</mat-label
          ><input
            matInput
            type="password"
            name="own"
            autocomplete="current-password"
            [ngModel]="own()"
            (ngModelChange)="own.set($event)"
        /></mat-form-field>
      }
      <mat-form-field
        ><mat-label>{{
          what() === 'code'
            ? 'New code, ' + digits.least + ' to ' + digits.most + ' digits'
            : 'New password, ' + signs.least + ' signs or more'
        }}</mat-label
        ><input
          matInput
          type="password"
          name="fresh"
          autocomplete="new-password"
          [attr.inputmode]="what() === 'code' ? 'numeric' : null"
          [ngModel]="fresh()"
          (ngModelChange)="fresh.set($event)"
      /></mat-form-field>
      <button matButton="outlined" type="submit">Keep</button>
      @if (what() === 'code' && person().hasCode) {
        <button matButton="outlined" type="button" (click)="keep(true)">No code any more</button>
      }
      @if (said(); as text) {
        <span role="status">{{ text }}</span>
      }
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
      margin: 6px 0;
    }
    mat-form-field {
      width: min(100%, 300px);
    }
  `,
})
export class SecretForm {
  readonly person = input.required<Person>();
  readonly what = input.required<'code' | 'password'>();
  /** Whether who asks has a password to be sure by. */
  readonly sure = input(true);
  readonly kept = output<Person[]>();
  private readonly api = inject(ShopApi);
  protected readonly signs = PASSWORD_SIGNS;
  protected readonly digits = CODE_DIGITS;
  protected readonly own = signal('');
  protected readonly fresh = signal('');
  protected readonly said = signal('');

  protected keep(none = false): void {
    const [id, own] = [this.person().id, this.own()];
    const isCode = this.what() === 'code';
    const told = isCode
      ? codeChange.safeParse({ code: none ? null : this.fresh(), own })
      : passwordChange.safeParse({ password: this.fresh(), own });
    if (!told.success) {
      this.said.set(fieldErrors(told.error)[0]?.message ?? '');
      return;
    }
    const call = 'code' in told.data ? this.api.setCode(id, told.data) : this.api.setPassword(id, told.data);
    call.subscribe({
      next: (people) => {
        this.own.set('');
        this.fresh.set('');
        this.said.set('Kept.');
        this.kept.emit(people);
      },
      error: (error: unknown) => this.said.set(toRefusal(error).detail),
    });
  }
}
