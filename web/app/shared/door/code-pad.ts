import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { CODE_DIGITS } from '@odontis/contract/secrets';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const;

/** Keys for a code, as large as a gloved finger; the keyboard's digits, Backspace and Enter do the same. */
@Component({
  selector: 'od-code-pad',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `
    <p class="typed" role="status" [attr.aria-label]="typed().length + ' digits typed'">
      @for (place of places(); track $index) {
        <i [class.full]="place"></i>
      }
    </p>
    <div class="keys">
      @for (key of keys; track key) {
        <button matButton="outlined" type="button" (click)="press(key)">{{ key }}</button>
      }
      <button matButton="outlined" type="button" (click)="back()" aria-label="One digit back">⌫</button>
      <button matButton="outlined" type="button" (click)="press('0')">0</button>
      <button matButton="filled" type="button" (click)="done()" [disabled]="busy() || !enough()">OK</button>
    </div>
  `,
  styles: `
    :host {
      display: block;
      width: min(100%, 340px);
    }
    .typed {
      display: flex;
      gap: 14px;
      justify-content: center;
      min-height: 20px;
      margin: 10px 0 14px;
    }
    i {
      width: 16px;
      height: 16px;
      border: 2px solid var(--ink);
      border-radius: 3px;
    }
    .full {
      background: var(--ink);
    }
    .keys {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 8px;
    }
    button {
      height: 72px;
      font-size: 26px;
      background: var(--paper);
    }
    button[matButton='filled'] {
      background: var(--ink);
    }
  `,
})
export class CodePad {
  readonly busy = input(false);
  readonly coded = output<string>();
  protected readonly keys = KEYS;
  protected readonly typed = signal('');
  protected readonly enough = computed(() => this.typed().length >= CODE_DIGITS.least);
  protected readonly places = computed(() =>
    Array.from({ length: Math.max(CODE_DIGITS.least, this.typed().length) }, (_, i) => i < this.typed().length),
  );

  constructor() {
    // Heard before the page behind, whatever has the focus.
    const hear = (event: KeyboardEvent): void => this.key(event);
    window.addEventListener('keydown', hear, { capture: true });
    inject(DestroyRef).onDestroy(() => window.removeEventListener('keydown', hear, { capture: true }));
  }

  protected press(digit: string): void {
    this.typed.update((typed) => (typed + digit).slice(0, CODE_DIGITS.most));
  }
  protected back(): void {
    this.typed.update((typed) => typed.slice(0, -1));
  }
  /** Told once; the next try begins empty. */
  protected done(): void {
    if (this.busy() || !this.enough()) return;
    this.coded.emit(this.typed());
    this.typed.set('');
  }

  private key(event: KeyboardEvent): void {
    if (event.ctrlKey || event.altKey || event.metaKey) return;
    if (/^\d$/.test(event.key)) this.press(event.key);
    else if (event.key === 'Backspace') this.back();
    // Enter on a key of the pad presses that key.
    else if (event.key === 'Enter' && !(event.target instanceof HTMLButtonElement)) this.done();
    else return;
    event.preventDefault();
  }
}
