import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { AcceptedPlan } from '@odontis/contract/plan';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import { AidsOffer } from './aids-offer';
import { WayKept } from './way-kept';

/** An accepted plan: by whom and when, which way it is, its papers, and where it goes on. */
@Component({
  selector: 'od-plan-kept',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, RouterLink, AidsOffer, Notice, WayKept],
  template: `
    <od-notice
      >Accepted by {{ plan().acceptedBy }}, {{ speech.fullDay(plan().acceptedAt) }}. It stays as it is.</od-notice
    >
    <od-way-kept [plan]="plan()" />
    <div>
      <a matButton="outlined" [href]="'/api/tickets/' + ticketId() + '/card.pdf'" target="_blank" rel="noopener"
        >Print its card</a
      >
      @if (atBench()) {
        <button matButton="outlined" (click)="again.emit()">Plan it again</button>
        <a matButton="filled" [routerLink]="['/ticket', ticketId(), 'bench']">To the bench</a>
      }
    </div>
    <od-aids-offer [plan]="plan()" [ticketId]="ticketId()" />
  `,
  styles: `
    div {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin: 6px 0;
    }
  `,
})
export class PlanKept {
  protected readonly speech = inject(Speech);
  readonly plan = input.required<AcceptedPlan>();
  readonly ticketId = input.required<number>();
  readonly atBench = input.required<boolean>();
  readonly again = output();
}
