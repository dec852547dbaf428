import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { RouterLink } from '@angular/router';
import type { Dossier } from '@odontis/contract/dossier';
import type { MessageKind, NewMessage } from '@odontis/contract/notes';
import { newMessage } from '@odontis/contract/notes';
import type { EndSaid, Stage } from '@odontis/contract/ticket';
import type { Refusal } from '../shared/api/refusal';
import { PriceChain } from '../shared/price/price-chain';
import { PhotographDesk } from '../shared/photographs/photograph-desk';
import { Speech } from '../shared/speech/speech';
import { Refused } from '../shared/ui/refused';
import { ENDING_NAMES, NOTE_STATES, pageOf, STAGE_NAMES } from '../shared/words/stage-words';
import { messageFor } from './message-words';
import { TicketEnd } from './ticket-end';

/** A new price is quoted beside the price, not here. */
type NoteKind = Exclude<MessageKind, 'price'>;

/** What a note is begun with: its kind, after how many that went out. */
interface Begun {
  readonly kind: NoteKind | null;
  readonly sent: number;
}

/** Notes that make sense at a stage, the likeliest first. */
function kindsAt(stage: Stage): readonly NoteKind[] {
  if (stage === 'declined') return ['refusal'];
  if (stage === 'closed') return [];
  return stage === 'handover' ? ['ready', 'question', 'refusal'] : ['question', 'refusal'];
}

/** What the counter found and promised, pulled out under a ticket's head: pictures, notes to the customer, and ending it unworked. */
@Component({
  selector: 'od-counter-slip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatFormFieldModule,
    MatInput,
    MatButton,
    MatButtonToggleModule,
    RouterLink,
    PhotographDesk,
    PriceChain,
    Refused,
    TicketEnd,
  ],
  templateUrl: './counter-slip.html',
  styleUrl: './counter-slip.scss',
})
export class CounterSlip {
  protected readonly stageNames = STAGE_NAMES;
  protected readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  readonly refusal = input<Refusal | null>(null);
  readonly busy = input(false);
  readonly reload = output();
  readonly photographed = output<Blob>();
  readonly photographRemoved = output<number>();
  readonly written = output<NewMessage>();
  readonly finished = output<Omit<EndSaid, 'version'>>();
  readonly reopened = output<string>();

  protected readonly photographs = computed(() =>
    this.dossier().photographs.map(({ id, caption }) => ({ id, caption, url: `/api/photographs/${id}.jpg` })),
  );
  protected readonly agreed = computed(() => {
    const { reasons, consents } = this.dossier().ticket;
    return reasons.filter((r) => consents.includes(r.rule));
  });
  private readonly stage = computed(() => this.dossier().ticket.stage);
  protected readonly kinds = computed(() => kindsAt(this.stage()));
  // What is chosen or typed stays as long as what it was begun with does: the ticket changes beside it.
  protected readonly kind = linkedSignal<NoteKind | null>(() => this.kinds()[0] ?? null);
  private readonly reach = computed(() => this.dossier().customer.phone || this.dossier().customer.email);
  protected readonly sentTo = linkedSignal(() => this.reach());
  private readonly sent = computed(() => this.dossier().messages.length);
  /** The words offered; they change with the kind, and when a note has gone out. */
  protected readonly body = linkedSignal<Begun, string>({
    source: () => ({ kind: this.kind(), sent: this.sent() }),
    computation: ({ kind }) =>
      untracked(() => (kind ? messageFor(kind, this.dossier(), this.speech.fullDay, this.speech.money) : '')),
  });
  protected readonly fault = signal('');
  protected readonly stateWords = NOTE_STATES;
  protected readonly canEnd = computed(() => !['closed', 'declined'].includes(this.dossier().ticket.stage));
  protected readonly endName = computed(() => ENDING_NAMES[this.dossier().ticket.endedAs ?? 'refused']);
  protected readonly why = signal('');
  protected page = pageOf;

  protected send(): void {
    const read = newMessage.safeParse({ kind: this.kind(), sentTo: this.sentTo(), body: this.body() });
    this.fault.set(read.success ? '' : (read.error.issues[0]?.message ?? ''));
    if (read.success) this.written.emit(read.data);
  }
}
