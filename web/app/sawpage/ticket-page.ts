import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  numberAttribute,
  signal,
  untracked,
} from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import { STAGES } from '@odontis/contract/ticket';
import type { Difference } from '../shared/conflict/conflict';
import { Conflict } from '../shared/conflict/conflict';
import { Speech } from '../shared/speech/speech';
import { ticketFeature, TicketPageEvents } from '../shared/state/ticket.feature';
import { Notice } from '../shared/ui/notice';
import { pageOf, STAGE_NAMES, STAGE_PAGES, STAGE_WAITS } from '../shared/words/stage-words';
import { SawLine } from './saw-line';
import { SawSheet } from './saw-sheet';

/** A saw's page: the same saw in the same place on every stage, the stage's own below it. */
@Component({
  selector: 'od-ticket-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, RouterLinkActive, RouterOutlet, SawLine, Notice, Conflict],
  providers: [SawSheet],
  templateUrl: './ticket-page.html',
  styleUrl: './ticket-page.scss',
})
export class TicketPage {
  private readonly store = inject(Store);
  protected readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  readonly id = input.required({ transform: numberAttribute });
  protected readonly dossier = this.store.selectSignal(ticketFeature.selectDossier);
  protected readonly refusal = this.store.selectSignal(ticketFeature.selectRefusal);
  protected readonly pages = STAGE_PAGES;
  protected readonly names = STAGE_NAMES;
  protected readonly waits = STAGE_WAITS;
  protected readonly editing = signal<{ complaint: string; promisedOn: string } | null>(null);

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.store.dispatch(TicketPageEvents.opened({ id })));
    });
    effect(() => {
      // An edit that went through closes the slip; one that was refused stays as typed.
      const dossier = this.dossier();
      const slip = untracked(this.editing);
      if (slip && dossier?.ticket.complaint === slip.complaint && dossier.ticket.promisedOn === slip.promisedOn)
        this.editing.set(null);
    });
  }

  protected reached(dossier: Dossier, page: string): boolean {
    return STAGES.indexOf(dossier.ticket.stage) >= STAGES.indexOf(page as (typeof STAGES)[number]);
  }

  protected isNow(dossier: Dossier, page: string): boolean {
    return pageOf(dossier.ticket.stage) === page;
  }

  protected edit(dossier: Dossier): void {
    this.editing.set({ complaint: dossier.ticket.complaint, promisedOn: dossier.ticket.promisedOn });
  }

  protected type(change: Partial<{ complaint: string; promisedOn: string }>): void {
    this.editing.update((slip) => slip && { ...slip, ...change });
  }

  protected keep(version: number): void {
    const slip = this.editing();
    if (!slip) return;
    const change = { version, complaint: slip.complaint.trim(), promisedOn: slip.promisedOn };
    this.editing.set({ ...slip, complaint: change.complaint });
    this.store.dispatch(TicketPageEvents.ticketEdited({ id: this.id(), change }));
  }

  /** Theirs, where the refusal brought it along and the slip is open. */
  protected readonly theirs = computed<Dossier | null>(() => {
    const refusal = this.refusal();
    return refusal?.code === 'edited-elsewhere' && this.editing()
      ? ((refusal.current as Dossier | undefined) ?? null)
      : null;
  });

  protected readonly differences = computed<Difference[]>(() => {
    const [slip, theirs] = [this.editing(), this.theirs()];
    if (!slip || !theirs) return [];
    const rows = [
      { what: 'Complaint', mine: slip.complaint, theirs: theirs.ticket.complaint },
      { what: 'Promised', mine: slip.promisedOn, theirs: theirs.ticket.promisedOn },
      {
        what: 'Stage',
        mine: this.names[this.dossier()?.ticket.stage ?? 'measure'],
        theirs: this.names[theirs.ticket.stage],
      },
    ];
    return rows.filter((row) => row.mine !== row.theirs);
  });

  protected takeTheirs(): void {
    const theirs = this.theirs();
    if (!theirs) return;
    this.editing.set(null);
    this.store.dispatch(TicketPageEvents.theirsTaken({ dossier: theirs }));
  }

  protected keepMine(): void {
    const theirs = this.theirs();
    if (theirs) this.keep(theirs.ticket.version);
  }

  protected again(): void {
    this.store.dispatch(TicketPageEvents.opened({ id: this.id() }));
  }
}
