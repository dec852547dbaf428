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
import { pageOf, STAGE_NAMES, STAGE_PAGES, STAGE_WAITS, WAIT_WORDS } from '../shared/words/stage-words';
import { SawLine } from './saw-line';
import { SawSheet } from './saw-sheet';
import type { TicketSlip } from './ticket-slip';
import { slipOf, slipRows, tidySlip } from './ticket-slip';

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
  protected readonly waitWords = WAIT_WORDS;
  protected readonly editing = signal<TicketSlip | null>(null);

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.store.dispatch(TicketPageEvents.opened({ id })));
    });
    effect(() => {
      // An edit that went through closes the slip; one that was refused stays as typed.
      const dossier = this.dossier();
      const slip = untracked(this.editing);
      if (slip && dossier && slipRows(slip, slipOf(dossier)).length === 0) this.editing.set(null);
    });
  }

  protected reached(dossier: Dossier, page: string): boolean {
    return STAGES.indexOf(dossier.ticket.stage) >= STAGES.indexOf(page as (typeof STAGES)[number]);
  }

  protected isNow(dossier: Dossier, page: string): boolean {
    return pageOf(dossier.ticket.stage) === page;
  }

  protected edit(dossier: Dossier): void {
    this.editing.set(slipOf(dossier));
  }

  protected type(change: Partial<TicketSlip>): void {
    this.editing.update((slip) => slip && { ...slip, ...change });
  }

  protected keep(version: number): void {
    const slip = this.editing();
    if (!slip) return;
    const kept = tidySlip(slip);
    this.editing.set(kept);
    const change = { version, ...kept };
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
    const stage = {
      what: 'Stage',
      mine: this.names[this.dossier()?.ticket.stage ?? 'measure'],
      theirs: this.names[theirs.ticket.stage],
    };
    return [...slipRows(slip, slipOf(theirs)), ...(stage.mine === stage.theirs ? [] : [stage])];
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
