import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { isLinePlanned } from '@odontis/core/work/families';
import { ticketFeature } from '../../../shared/state/ticket.feature';
import { PlanPage } from './plan-page';
import { RoundPlanPage } from './round-plan-page';

/** The plan of a line of teeth from end to end, or of one that goes round. */
@Component({
  selector: 'od-plan-door',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PlanPage, RoundPlanPage],
  template: `
    @switch (line()) {
      @case (true) {
        <od-plan-page />
      }
      @case (false) {
        <od-round-plan-page />
      }
    }
  `,
})
export class PlanDoor {
  private readonly dossier = inject(Store).selectSignal(ticketFeature.selectDossier);
  protected readonly line = computed(() => {
    const family = this.dossier()?.saw.family;
    return family === undefined ? null : isLinePlanned(family);
  });
}
