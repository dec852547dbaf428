import { MatButton } from '@angular/material/button';
import { MatInput } from '@angular/material/input';
import { DayField } from '../shared/ui/day-field';
import { MatSelectModule } from '@angular/material/select';
import { MatFormFieldModule } from '@angular/material/form-field';
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
import { ActivatedRoute, Router, RouterLink, RouterOutlet } from '@angular/router';
import { rxResource } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import { dossier } from '@odontis/contract/dossier';
import type { NewMessage } from '@odontis/contract/notes';
import type { EndSaid } from '@odontis/contract/ticket';
import { priceStanding } from '@odontis/core/money/price-chain';
import { USUAL_HOURS } from '@odontis/core/shop/bench-load';
import { catchError, of } from 'rxjs';
import { ShopApi } from '../shared/api/shop-api';
import { benchPromise } from '../shared/promise/bench-promise';
import type { Difference } from '../shared/conflict/conflict';
import { Conflict } from '../shared/conflict/conflict';
import { currentOf } from '../shared/api/refusal';
import { Speech } from '../shared/speech/speech';
import { selectRequest, ticketFeature, TicketPageEvents } from '../shared/state/ticket.feature';
import { doorFeature } from '../shared/state/door.feature';
import type { SaidOfPrice } from '../shared/price/price-ask';
import { PriceAsk } from '../shared/price/price-ask';
import { Notice } from '../shared/ui/notice';
import type { StagePage } from '../shared/words/stage-words';
import { pageOf, STAGE_NAMES, STAGE_PAGES } from '../shared/words/stage-words';
import { base64Of } from '../shared/photographs/draft-photographs';
import type { OutworkBackSaid, OutworkSaid } from '@odontis/contract/outwork';
import { awayNow } from '@odontis/contract/outwork';
import type { SawCorrectionSaid } from '@odontis/contract/corrections';
import { OutworkPanel } from './outwork-panel';
import { SawData } from './saw-data';
import { StandsOnOld } from './stands-on-old';
import { CameBack } from './came-back';
import { CounterSlip } from './counter-slip';
import { SawLine } from './saw-line';
import { SawSheet } from './saw-sheet';
import { TicketHead } from './ticket-head';
import type { TicketSlip } from './ticket-slip';
import { slipOf, slipRows, tidySlip } from './ticket-slip';

/** What the counter's slip sends. */
const OF_THE_SLIP = ['photograph', 'message', 'end'] as const;

// Over 250 lines: the one place that sends what is said on a saw's page, whichever stage is below it.

/** A saw's page: the same saw in the same place on every stage, the stage's own below it. */
@Component({
  selector: 'od-ticket-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButton,
    MatInput,
    DayField,
    MatFormFieldModule,
    MatSelectModule,
    RouterLink,
    RouterOutlet,
    SawLine,
    CounterSlip,
    PriceAsk,
    CameBack,
    OutworkPanel,
    SawData,
    StandsOnOld,
    TicketHead,
    Notice,
    Conflict,
  ],
  providers: [SawSheet],
  templateUrl: './ticket-page.html',
  styleUrl: './ticket-page.scss',
})
export class TicketPage {
  private readonly api = inject(ShopApi);
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);
  protected readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  readonly id = input.required({ transform: numberAttribute });
  protected readonly dossier = this.store.selectSignal(ticketFeature.selectDossier);
  /** A saw that was worked here and comes back with something to say of it, until its new plan is accepted. */
  protected readonly cameBack = computed(() => {
    const one = this.dossier();
    return one && one.ticket.complaint !== '' && ['measure', 'plan'].includes(one.ticket.stage) ? one.lastCheck : null;
  });
  private readonly loading = this.store.selectSignal(selectRequest('load'));
  private readonly editingOne = this.store.selectSignal(selectRequest('edit'));
  private readonly slipRequests = OF_THE_SLIP.map((request) => this.store.selectSignal(selectRequest(request)));
  /** Why the ticket did not come. */
  protected readonly refusal = computed(() => this.loading().refusal);
  protected readonly editRefusal = computed(() => this.editingOne().refusal);
  protected readonly slipRefusal = computed(
    () => this.slipRequests.map((r) => r().refusal).find((no) => no !== null) ?? null,
  );
  protected readonly names = STAGE_NAMES;
  protected readonly busy = computed(() => this.slipRequests.some((r) => r().busy));
  /** The counter's slip, pulled out under the head. */
  protected readonly drawer = signal(false);
  protected readonly editing = signal<TicketSlip | null>(null);

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.store.dispatch(TicketPageEvents.opened({ id })));
    });
    effect(() => {
      // An address without a stage, or with one this saw does not go through, opens where the saw is.
      const dossier = this.dossier();
      const here = this.route.snapshot.firstChild?.routeConfig?.path as StagePage | undefined;
      if (dossier && dossier.ticket.id === this.id() && !(here && STAGE_PAGES.includes(here)))
        void this.router.navigate([pageOf(dossier.ticket.stage)], {
          relativeTo: this.route,
          replaceUrl: true,
        });
    });
    effect(() => {
      // An edit that went through closes the slip; one that was refused stays as typed.
      const dossier = this.dossier();
      const slip = untracked(this.editing);
      if (slip && dossier && slipRows(slip, slipOf(dossier)).length === 0) this.editing.set(null);
    });
  }

  /** What was put right closes its form. */
  private readonly closeWhenRight = effect(() => {
    const corrections = this.dossier()?.corrections.length ?? 0;
    untracked(() => {
      if (corrections > this.corrections) this.dataOpen.set(false);
      this.corrections = corrections;
    });
  });
  private corrections = Infinity;

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

  protected async photograph(jpeg: Blob): Promise<void> {
    const photograph = { caption: '', jpeg: await base64Of(jpeg) };
    this.store.dispatch(TicketPageEvents.photographAdded({ id: this.id(), photograph }));
  }

  protected removePhotograph(photograph: number): void {
    this.store.dispatch(TicketPageEvents.photographRemoved({ id: this.id(), photograph }));
  }

  protected write(message: NewMessage): void {
    this.store.dispatch(TicketPageEvents.messageWritten({ id: this.id(), message }));
  }

  protected end(change: Omit<EndSaid, 'version'>, version: number): void {
    this.store.dispatch(TicketPageEvents.ticketEnded({ id: this.id(), change: { ...change, version } }));
  }

  protected reopen(reason: string, version: number): void {
    this.store.dispatch(TicketPageEvents.ticketReopened({ id: this.id(), change: { reason, version } }));
  }

  /** It comes to more than was agreed, and is in the shop still: the way on is beside the saw at every stage. */
  protected readonly overAgreed = computed(() => {
    const dossier = this.dossier();
    return !!dossier && dossier.ticket.closedAt === null && priceStanding(dossier.prices).over > 0;
  });
  private readonly pricing = this.store.selectSignal(selectRequest('price'));
  protected readonly priceBusy = computed(() => this.pricing().busy);
  protected readonly priceRefusal = computed(() => this.pricing().refusal);
  protected readonly isOwner = this.store.selectSignal(doorFeature.selectIsOwner);

  protected sayPrice(word: SaidOfPrice, version: number): void {
    this.store.dispatch(TicketPageEvents.priceSaid({ id: this.id(), word: { ...word, version } }));
  }

  /** The saw's own data, to be put right. */
  protected readonly dataOpen = signal(false);
  private readonly puttingRight = this.store.selectSignal(selectRequest('saw'));
  protected readonly sawBusy = computed(() => this.puttingRight().busy);
  protected readonly sawRefusal = computed(() => this.puttingRight().refusal);

  protected putRight(correction: Omit<SawCorrectionSaid, 'version'>, version: number): void {
    this.store.dispatch(TicketPageEvents.sawPutRight({ id: this.id(), correction: { ...correction, version } }));
  }

  /** At a grinder's, or to go to one: nothing is measured or filed of it meanwhile. */
  protected readonly away = computed(() => awayNow(this.dossier()?.outwork ?? []));
  protected readonly ofGrinder = computed(() => {
    const dossier = this.dossier();
    if (!dossier) return false;
    return dossier.outwork.length > 0 || (dossier.ticket.waitsFor === 'grinder' && dossier.ticket.closedAt === null);
  });
  private readonly sending = this.store.selectSignal(selectRequest('outwork'));
  protected readonly outworkBusy = computed(() => this.sending().busy);
  protected readonly outworkRefusal = computed(() => this.sending().refusal);

  protected sendOut(outwork: Omit<OutworkSaid, 'version'>, version: number): void {
    this.store.dispatch(TicketPageEvents.sentOut({ id: this.id(), outwork: { ...outwork, version } }));
  }
  protected takeBack(back: Omit<OutworkBackSaid, 'version'>, version: number): void {
    this.store.dispatch(TicketPageEvents.cameBack({ id: this.id(), back: { ...back, version } }));
  }

  protected readAnewAfter(request: 'saw' | 'outwork'): void {
    this.store.dispatch(TicketPageEvents.readAnew({ id: this.id(), refused: [request] }));
  }

  protected readPriceAnew(): void {
    this.store.dispatch(TicketPageEvents.readAnew({ id: this.id(), refused: ['price'] }));
  }

  /** While the slip is open: the bench's load, this saw's own work apart. */
  private readonly book = rxResource({
    params: () => (this.editing() ? this.id() : undefined),
    stream: () => this.api.counterBook().pipe(catchError(() => of(null))),
    defaultValue: null,
  });
  private readonly load = computed(() => (this.book.hasValue() ? (this.book.value()?.due ?? []) : []));
  protected readonly promise = benchPromise(
    computed(() => this.load().filter((due) => due.ticket !== this.id())),
    computed(() => this.load().find((due) => due.ticket === this.id())?.minutes ?? null),
    computed(() => this.editing()?.promisedOn ?? ''),
    computed(() => this.speech.book()?.bench ?? USUAL_HOURS),
  ).promise;

  /** Theirs, where the refusal brought it along and the slip is open. */
  protected readonly theirs = computed<Dossier | null>(() => {
    const refusal = this.editRefusal();
    return refusal?.code === 'edited-elsewhere' && this.editing() ? currentOf(refusal, dossier) : null;
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
    this.store.dispatch(TicketPageEvents.theirsTaken({ dossier: theirs, request: 'edit' }));
  }

  protected keepMine(): void {
    const theirs = this.theirs();
    if (theirs) this.keep(theirs.ticket.version);
  }

  protected readAnew(): void {
    this.store.dispatch(TicketPageEvents.readAnew({ id: this.id(), refused: OF_THE_SLIP }));
  }

  protected again(): void {
    this.store.dispatch(TicketPageEvents.opened({ id: this.id() }));
  }
}
