import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Stage } from '@odontis/contract/ticket';
import type { AcceptedPlan } from '@odontis/contract/plan';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import { atWork } from '../data/at-work';
import { AidsOffer } from './aids-offer';
import { WayKept } from './way-kept';

/** An accepted plan: by whom and when, which way it is, its papers, and where it goes on. */
@Component({
  selector: 'od-plan-kept',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, RouterLink, AidsOffer, Notice, WayKept],
  template: `
    <od-notice
      >Accepted by {{ plan().acceptedBy }}, {{ speech.fullDay(plan().acceptedAt) }}. It stays as it is, also where
      another is accepted after it.</od-notice
    >
    <od-way-kept [plan]="plan()" />
    <div>
      <a matButton="outlined" [href]="'/api/tickets/' + ticketId() + '/card.pdf'" target="_blank" rel="noopener"
        >Print its card</a
      >
      @if (atWork(stage())) {
        <button matButton="outlined" (click)="again.emit()">Plan it again</button>
        @if (stage() === 'bench') {
          <a matButton="filled" [routerLink]="['/ticket', ticketId(), 'bench']">To the bench</a>
        }
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
  readonly stage = input.required<Stage>();
  protected readonly atWork = atWork;
  readonly again = output();
}
