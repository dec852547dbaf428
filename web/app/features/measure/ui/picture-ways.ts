import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import type { ToothSet } from '@odontis/core/photograph/edge-readings';
import { EdgePanel } from './edge-panel';
import { ScanPanel } from './scan-panel';

/** Pictures that measure a saw: its teeth from the side, and along the points. */
@Component({
  selector: 'od-picture-ways',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule, EdgePanel, ScanPanel],
  template: `
    <div class="row">
      @if (parts().length > 1) {
        <mat-button-toggle-group
          hideSingleSelectionIndicator
          [attr.aria-label]="partsSay()"
          [value]="part()"
          (change)="partChosen.emit($event.value)"
        >
          @for (one of parts(); track one) {
            <mat-button-toggle [value]="one">{{ one }}{{ partWord() }}</mat-button-toggle>
          }
        </mat-button-toggle-group>
      }
      @if (alongPoints()) {
        <mat-button-toggle-group
          hideSingleSelectionIndicator
          aria-label="What the picture shows"
          [value]="shows()"
          (change)="shows.set($event.value)"
        >
          <mat-button-toggle value="side">Teeth from the side</mat-button-toggle>
          <mat-button-toggle value="points">Set, along the points</mat-button-toggle>
        </mat-button-toggle-group>
      }
    </div>
    @if (shows() === 'points' && alongPoints()) {
      <od-edge-panel (taken)="sets.emit($event)" />
    } @else {
      <od-scan-panel [fileName]="fileName()" (taken)="taken.emit($event)" (begins)="begins.emit($event)" />
    }
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      margin: 10px 16px 0;
    }
  `,
})
export class PictureWays {
  readonly fileName = input.required<string>();
  /** Whether its set can be seen: a straight line's can. */
  readonly alongPoints = input.required<boolean>();
  /** Edges or blades that a picture can be of, where there are several; and the one it is of. */
  readonly parts = input<readonly string[]>([]);
  readonly part = input<string | null>(null);
  readonly partsSay = input('Which edge the picture shows');
  readonly partWord = input(' edge');
  readonly partChosen = output<string>();
  readonly taken = output<ToothReading[]>();
  readonly begins = output<string>();
  readonly sets = output<readonly ToothSet[]>();
  protected readonly shows = signal<'side' | 'points'>('side');
}
