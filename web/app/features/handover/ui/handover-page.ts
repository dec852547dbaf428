import { ChangeDetectionStrategy, Component, computed, effect, inject, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import { handover } from '@odontis/contract/check';
import { nextVisit, saySharpenings } from '@odontis/core/life/life';
import { priceFor } from '@odontis/core/work/price';
import { DateTime } from 'luxon';
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

/** Back to its owner: what was done, the report, what it costs, when to come again, and this saw's years. */
@Component({
  selector: 'od-handover-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput, RouterLink, Notice, Refused, Why],
  templateUrl: './handover-page.html',
  styleUrl: './handover-page.scss',
})
export class HandoverPage {
  protected readonly left = saySharpenings;
  protected readonly workSays = workSays;
  protected readonly setLasts = setLasts;
  private readonly store = inject(Store);
  private readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  protected readonly dossier = this.store.selectSignal(ticketFeature.selectDossier);
  private readonly request = this.store.selectSignal(selectRequest('handover'));
  protected readonly refusal = computed(() => this.request().refusal);
  protected readonly busy = computed(() => this.request().busy);

  protected readonly price = computed(() => {
    const [dossier, book] = [this.dossier(), this.speech.book()];
    const agreed = dossier?.plan?.order.price;
    if (agreed) return agreed;
    const minutes = dossier?.plan?.order.minutes ?? dossier?.ticket.minutesTaken;
    return book && minutes ? priceFor(minutes, book.rates) : null;
  });
  private readonly offered = computed(() => this.price()?.amount.toFixed(2) ?? '0');
  /** As it is typed: begun anew only where another price is offered. */
  protected readonly charged = linkedSignal(() => this.offered());
  private readonly ticketId = computed(() => this.dossier()?.ticket.id ?? null);
  protected readonly note = linkedSignal<string>(() =>
    this.ticketId() === null ? '' : 'Full strokes, no pressure; stop when it needs pushing.',
  );
  protected readonly next = computed(() => {
    const d = this.dossier();
    return d ? nextVisit(d.saw.family, d.ticket.useRate) : null;
  });
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

  protected month(months: number): string {
    return DateTime.now().plus({ months }).toFormat('LLLL yyyy');
  }

  protected readAnew(): void {
    const id = this.ticketId();
    if (id !== null) this.store.dispatch(TicketPageEvents.readAnew({ id, refused: ['handover'] }));
  }

  protected close(dossier: Dossier): void {
    const closing = handover.safeParse({
      version: dossier.ticket.version,
      charged: Number(this.charged().replace(',', '.') || NaN),
      note: this.note(),
    });
    this.slip.set(closing.success ? null : (closing.error.issues[0]?.message ?? null));
    if (closing.success)
      this.store.dispatch(TicketPageEvents.handedOver({ id: dossier.ticket.id, handover: closing.data }));
  }
}
