import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { correctionSays } from '@odontis/contract/correction-words';
import type { Dossier } from '@odontis/contract/dossier';
import type { KeptReading } from '@odontis/core/evidence/reading';
import { isLength } from '@odontis/core/evidence/reading';
import { QUANTITY_FACTS } from '@odontis/core/evidence/quantities';
import type { PutRightSince } from '@odontis/contract/stands-on';
import { checkStandsOnOld, orderStandsOnOld } from '@odontis/contract/stands-on';
import { Speech } from '../shared/speech/speech';
import { Notice } from '../shared/ui/notice';

/** An order, or a cut that was judged, that stands on what was put right since: what, by whom, and the way on. */
@Component({
  selector: 'od-stands-on-old',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Notice, RouterLink],
  template: `
    @if (order(); as says) {
      <od-notice weight="decide"
        >The order stands on the old value: {{ says }}.
        @if (mayPlan()) {
          <a [routerLink]="['/ticket', dossier().ticket.id, 'plan']">Plan again from here</a>
        }
      </od-notice>
    }
    @if (check(); as says) {
      <od-notice weight="decide">The last cut was judged on the old value: {{ says }}.</od-notice>
    }
  `,
})
export class StandsOnOld {
  private readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  protected readonly order = computed(() => this.say(orderStandsOnOld(this.dossier())));
  protected readonly check = computed(() => this.say(checkStandsOnOld(this.dossier())));
  protected readonly mayPlan = computed(() => ['bench', 'check'].includes(this.dossier().ticket.stage));

  private say(since: PutRightSince | null): string {
    if (!since) return '';
    const places = [...new Set(since.readings.map((r) => r.place))];
    const [last] = since.readings.slice(-1);
    const read =
      places.length === 0
        ? []
        : [
            `${places.length === 1 ? `${nameOf(last)} at ${String(places[0])} was` : `readings at ${places.length} places were`} put right since by ${last?.by ?? ''}`,
          ];
    const told = since.saw.map((one) => `${correctionSays(one, this.speech.speech()).join('; ')} (${one.by})`);
    return [...told, ...read].join('; ');
  }
}

const nameOf = (reading: KeptReading | undefined): string =>
  reading && isLength(reading) ? `the ${QUANTITY_FACTS[reading.quantity].name.toLowerCase()}` : 'what was read';
