import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';

/** A picture is being worked on: what is done, how far it is, and a way to stop it. */
@Component({
  selector: 'od-picture-busy',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatProgressBar],
  template: `
    <div role="status">
      <span>{{ says() }} …</span>
      <mat-progress-bar [value]="100 * share()" aria-label="How far it is" />
      <button matButton="outlined" type="button" (click)="stopped.emit()">Stop</button>
    </div>
  `,
  styles: `
    div {
      display: grid;
      grid-template-columns: auto 1fr auto;
      gap: 16px;
      align-items: center;
      margin-bottom: 8px;
    }
  `,
})
export class PictureBusy {
  readonly says = input.required<string>();
  /** From 0 to 1. */
  readonly share = input.required<number>();
  readonly stopped = output();
}
