import { computed, effect, inject, Injectable, untracked } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import type { LinePlanChoice, RoundPlanChoice } from '@odontis/contract/plan';
import type { TicketChange } from '@odontis/contract/ticket';
import { selectRequest, ticketFeature, TicketPageEvents } from '../../../shared/state/ticket.feature';

/** What a plan page sends: the plan as it is accepted, from where it is left for the bench, and the ticket put right. */
@Injectable()
export class PlanSending {
  private readonly store = inject(Store);
  private readonly dossier = this.store.selectSignal(ticketFeature.selectDossier);
  private readonly request = this.store.selectSignal(selectRequest('plan'));
  private readonly editing = this.store.selectSignal(selectRequest('edit'));
  readonly refusal = computed(() => this.request().refusal ?? this.editing().refusal);
  readonly busy = computed(() => this.request().busy || this.editing().busy);
  private leaving = false;

  constructor() {
    const router = inject(Router);
    effect(() => {
      const dossier = this.dossier();
      if (!this.leaving || dossier?.ticket.stage !== 'bench') return;
      this.leaving = false;
      untracked(() => void router.navigate(['/ticket', dossier.ticket.id, 'bench']));
    });
  }

  accept({ ticket }: Dossier, choice: Omit<LinePlanChoice, 'version'> | Omit<RoundPlanChoice, 'version'>): void {
    this.leaving = true;
    this.store.dispatch(
      TicketPageEvents.planAccepted({ id: ticket.id, choice: { version: ticket.version, ...choice } }),
    );
  }

  /** The line as it was measured or counted. */
  correct({ ticket }: Dossier, line: NonNullable<TicketChange['line']>): void {
    const { id, version, complaint, promisedOn } = ticket;
    this.store.dispatch(TicketPageEvents.ticketEdited({ id, change: { version, complaint, promisedOn, line } }));
  }

  /** As it stands at the server; what was chosen here stays chosen. */
  reload(): void {
    const id = this.dossier()?.ticket.id ?? 0;
    this.leaving = false;
    this.store.dispatch(TicketPageEvents.readAnew({ id, refused: ['plan', 'edit'] }));
  }
}
