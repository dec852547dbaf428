import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import type { Dossier } from '@odontis/contract/dossier';
import { sawInWords } from '@odontis/contract/saw-words';
import { STAGES } from '@odontis/contract/ticket';
import { Speech } from '../shared/speech/speech';
import type { StagePage } from '../shared/words/stage-words';
import { PAGE_NAMES, pageOf, STAGE_PAGES, WAIT_WORDS } from '../shared/words/stage-words';

/** Which saw this is, whose, and by when; its papers, and its stages as far as it has come. */
@Component({
  selector: 'od-ticket-head',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, RouterLinkActive],
  templateUrl: './ticket-head.html',
  styleUrl: './ticket-head.scss',
})
export class TicketHead {
  private readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  /** The counter's slip is pulled out. */
  readonly open = input.required<boolean>();
  /** The saw's data are open. */
  readonly data = input(false);
  readonly edited = output();
  readonly dataTurned = output();
  readonly drawerTurned = output();
  protected readonly pages = STAGE_PAGES;
  protected readonly pageNames = PAGE_NAMES;
  protected readonly waitWords = WAIT_WORDS;
  protected readonly words = computed(() => sawInWords(this.dossier().saw, this.speech.speech()));
  protected readonly promised = computed(() => this.speech.day(this.dossier().ticket.promisedOn));

  protected reached(page: StagePage): boolean {
    return STAGES.indexOf(this.dossier().ticket.stage) >= STAGES.indexOf(page);
  }

  protected isNow(page: StagePage): boolean {
    return pageOf(this.dossier().ticket.stage) === page;
  }

  protected howMany = (count: number, what: string): string =>
    count === 0 ? '' : `, ${count} ${what}${count === 1 ? '' : 's'}`;
}
