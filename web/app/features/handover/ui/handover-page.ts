import { ChangeDetectionStrategy, Component, computed, effect, inject, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import { handoverSaid } from '@odontis/contract/check';
import { sayDeeds } from '@odontis/contract/deed-words';
import { liveSays } from '@odontis/contract/price-words';
import { againSays, visitFacts } from '@odontis/contract/visit-facts';
import { saySharpenings } from '@odontis/core/life/life';
import { visitSays } from '@odontis/contract/visit-parts';
import { priceStanding, sameMoney } from '@odontis/core/money/price-chain';
import { roundDrawing } from '../../../sawpage/round-drawing';
import { baseDrawing, drawnTooth, measuredLanes } from '../../../sawpage/build-drawing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { lineOf } from '@odontis/core/evidence/line-of';
import { firstLineOf } from '@odontis/core/saw/edges';
import { sawIn } from '@odontis/core/work/saw-after';
import { lineAfter } from '../../../shared/evidence/line-after';
import { Speech } from '../../../shared/speech/speech';
import { selectRequest, ticketFeature, TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Keys } from '../../../shared/ui/keys';
import { setLasts, workSays } from '@odontis/contract/work-words';
import { Notice } from '../../../shared/ui/notice';
import { Refused } from '../../../shared/ui/refused';
import { Why } from '../../../shared/ui/why';
import { PriceChain } from '../../../shared/price/price-chain';
import { ENDING_NAMES } from '../../../shared/words/stage-words';

/** Back to its owner: what was done, the report, what it costs, when to come again, and this saw's years. */
@Component({
  selector: 'od-handover-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput, RouterLink, Notice, PriceChain, Refused, Why],
  templateUrl: './handover-page.html',
  styleUrl: './handover-page.scss',
})
export class HandoverPage {
  protected readonly left = saySharpenings;
  protected readonly workSays = workSays;
  protected readonly setLasts = setLasts;
  protected readonly againSays = againSays;
  private readonly store = inject(Store);
  private readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  /** Of a visit of several saws what goes and what stays. */
  protected readonly visitSays = computed(() => visitSays(this.dossier()?.cameWith ?? []));
  protected readonly dossier = this.store.selectSignal(ticketFeature.selectDossier);
  private readonly request = this.store.selectSignal(selectRequest('handover'));
  protected readonly refusal = computed(() => this.request().refusal);
  protected readonly busy = computed(() => this.request().busy);

  private readonly standing = computed(() => priceStanding(this.dossier()?.prices ?? []));
  /** Why the price is what it is, where an order says so. */
  protected readonly price = computed(() => this.dossier()?.plan?.order.price?.reason ?? null);
  /** What was charged, of a ticket that is closed. */
  protected readonly charge = computed(() =>
    liveSays(this.standing(), (amount) => this.speech.money(amount, this.dossier()?.ticket.currency)),
  );
  /** The price as it stands, and never more than was agreed. */
  protected readonly offeredSum = computed(() => Math.min(this.standing().live?.high ?? 0, this.standing().upTo));
  private readonly offered = computed(() => this.offeredSum().toFixed(2));
  /** Another sum than the plan's wants a word. */
  protected readonly differs = computed(() => {
    const [sum, live] = [Number(this.charged().replace(',', '.') || NaN), this.standing().live];
    return (live?.kind === 'plan' || live?.kind === 'outwork') && Number.isFinite(sum) && !sameMoney(sum, live.high);
  });
  protected readonly why = signal('');
  protected readonly facts = computed(() => {
    const dossier = this.dossier();
    return dossier ? visitFacts(dossier, new Date().toISOString()) : null;
  });
  protected readonly said = computed(() => {
    const [facts, dossier] = [this.facts(), this.dossier()];
    return facts && dossier ? sayDeeds(facts.deeds.at(-1) ?? [], dossier.ticket.closedAt === null) : null;
  });
  protected readonly endName = computed(() => ENDING_NAMES[this.dossier()?.ticket.endedAs ?? 'refused']);
  /** As it is typed: begun anew only where another price is offered. */
  protected readonly charged = linkedSignal(() => this.offered());
  private readonly ticketId = computed(() => this.dossier()?.ticket.id ?? null);
  protected readonly note = linkedSignal<string>(() =>
    this.ticketId() === null ? '' : 'Full strokes, no pressure; stop when it needs pushing.',
  );
  protected readonly slip = signal<string | null>(null);

  constructor() {
    inject(Keys).here.set([]);
    this.sheet.handle.set(null);
    this.sheet.laneHeight.set(40);
    effect(() => this.draw());
  }

  private draw(): void {
    const [dossier, habits] = [this.dossier(), this.speech.book()?.habits];
    if (!dossier || !habits) return;
    const gone = dossier.sessions.some((s) => s.kind === 'after' && s.readings.length > 0);
    const round = roundDrawing(dossier, this.speech.fine, gone ? 'after' : 'before');
    if (round) {
      this.sheet.drawing.set(round);
      return;
    }
    const edge = firstLineOf(dossier.saw);
    const came = sawIn('before', dossier.saw, dossier.plan?.order);
    const before = lineOf(dossier.sessions, came, 'before', edge)?.teeth ?? null;
    const after = lineAfter(dossier, edge);
    const shown = after ?? before ?? [];
    this.sheet.drawing.set({
      ...baseDrawing(dossier, shown, drawnTooth(dossier, habits, edge), edge),
      lanes:
        shown.length > 0
          ? measuredLanes(dossier.saw, shown, {
              say: this.speech.fine,
              wood: dossier.ticket.wood,
              before: after ? before : null,
            })
          : [],
    });
  }

  protected readAnew(): void {
    const id = this.ticketId();
    if (id !== null) this.store.dispatch(TicketPageEvents.readAnew({ id, refused: ['handover'] }));
  }

  protected close(dossier: Dossier): void {
    const closing = handoverSaid.safeParse({
      version: dossier.ticket.version,
      charged: Number(this.charged().replace(',', '.') || NaN),
      why: this.differs() ? this.why().trim() : '',
      note: this.note(),
    });
    const unsaid =
      closing.success && this.differs() && closing.data.why === '' ? 'Say why another sum is charged.' : null;
    this.slip.set(closing.success ? unsaid : (closing.error.issues[0]?.message ?? null));
    if (closing.success && unsaid === null)
      this.store.dispatch(TicketPageEvents.handedOver({ id: dossier.ticket.id, handover: closing.data }));
  }
}
