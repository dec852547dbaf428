import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import type { ToothSet } from '@odontis/core/photograph/edge-readings';
import { PictureMeasures } from '../state/picture-measures';
import { EdgePanel } from './edge-panel';
import { TracePanel } from './trace-panel';

/** Pictures that measure a saw: its teeth from the side, and along the points. */
@Component({
  selector: 'od-picture-ways',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule, EdgePanel, TracePanel],
  template: `
    <div class="row">
      @if (measures.parts().length > 1) {
        <mat-button-toggle-group
          hideSingleSelectionIndicator
          [attr.aria-label]="measures.round() ? 'Which blade the picture shows' : 'Which edge the picture shows'"
          [value]="measures.part()"
          (change)="measures.choosePart($event.value)"
        >
          @for (one of measures.parts(); track one) {
            <mat-button-toggle [value]="one">{{ one }}{{ measures.round() ? '' : ' edge' }}</mat-button-toggle>
          }
        </mat-button-toggle-group>
      }
      @if (!measures.round()) {
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
    @if (shows() === 'points' && !measures.round()) {
      <od-edge-panel (taken)="sets.emit($event)" />
    } @else {
      <od-trace-panel [fileName]="fileName()" (taken)="taken.emit($event)" (begins)="begins.emit($event)" />
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
  protected readonly measures = inject(PictureMeasures);
  readonly fileName = input.required<string>();
  readonly taken = output<ToothReading[]>();
  readonly begins = output<string>();
  readonly sets = output<readonly ToothSet[]>();
  protected readonly shows = signal<'side' | 'points'>('side');
}
