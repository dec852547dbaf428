import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import type { ToeFound } from '@odontis/core/evidence/toe-finding';
import type { Coverage } from '@odontis/core/work/tooth-line/coverage';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';

/** What was measured is not what the ticket says: go on, put the ticket right, or let these teeth stand for the rest. */
@Component({
  selector: 'od-disagreement',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatCheckbox, RouterLink, Notice],
  template: `
    @let c = coverage();
    <od-notice weight="decide">
      @for (sentence of says(); track sentence) {
        {{ sentence }}
      }
    </od-notice>
    <div class="row">
      <a matButton="outlined" [routerLink]="['/ticket', ticketId(), 'measure']">Go on measuring</a>
      @if (c.unread === 0 && !c.otherEdge) {
        <button matButton="outlined" [disabled]="busy()" (click)="corrected.emit()">{{ correction() }}</button>
      }
      @if (c.partial) {
        <mat-checkbox [checked]="sample()" (change)="sampled.emit($event.checked)">
          {{
            c.otherEdge ? 'work the other alone' : c.unread > 0 ? 'take them so' : 'these stand for all ' + c.toldTeeth
          }}
        </mat-checkbox>
      }
    </div>
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      align-items: center;
      margin-bottom: 4px;
    }
    // What it will do may take two lines.
    button {
      height: auto;
      min-height: 40px;
      padding-block: 6px;
    }
  `,
})
export class Disagreement {
  private readonly speech = inject(Speech);
  readonly coverage = input.required<Coverage>();
  readonly ticketId = input.required<number>();
  /** The measured teeth stand for the rest. */
  readonly sample = input.required<boolean>();
  readonly busy = input.required<boolean>();
  readonly corrected = output();
  readonly sampled = output<boolean>();

  protected readonly says = computed(() => {
    const c = this.coverage();
    return [this.teeth(c), c.otherToe && this.toe(c), c.otherPitch && this.pitch(c)].filter((text) => text !== false);
  });
  protected readonly correction = computed(() => {
    const { measuredTeeth, measuredPitchMm, toldPitchMm, otherToe, toe } = this.coverage();
    const last = otherToe && toe ? `, the last ${toe.teeth} at ${this.pitches(toe)}` : '';
    return `Correct the ticket: ${measuredTeeth} teeth at ${this.speech.plate(measuredPitchMm ?? toldPitchMm)}${last}`;
  });

  private teeth({ otherEdge, unread, measuredTeeth, partial, more, toldTeeth }: Coverage): string | false {
    if (otherEdge) return `The ${otherEdge} edge is not measured.`;
    if (unread > 0)
      return `The height of ${unread} of ${measuredTeeth + unread} teeth was not read: they are taken to lie between their neighbours.`;
    return (partial || more) && `${measuredTeeth} teeth are measured; the ticket says ${toldTeeth}.`;
  }

  private toe({ toe }: Coverage): string {
    return toe
      ? `The last ${toe.teeth} teeth stand ${this.pitches(toe)} apart, the rest ${this.speech.plate(toe.restPitchMm)}: the ticket has other starter teeth, or none.`
      : 'The ticket tells of starter teeth; measured, the line has one pitch.';
  }

  private pitch({ measuredPitchMm, toldPitchMm }: Coverage): string {
    return `Measured, the pitch is ${this.speech.plate(measuredPitchMm ?? 0)}; the ticket says ${this.speech.plate(toldPitchMm)}.`;
  }

  private pitches({ pitchFromMm, pitchToMm }: ToeFound): string {
    const [from, to] = [this.speech.plate(pitchFromMm), this.speech.plate(pitchToMm)];
    return from === to ? from : `${from} to ${to}`;
  }
}
