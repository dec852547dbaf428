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
import type { DeclineChange, Stage } from '@odontis/contract/ticket';
import type { Refusal } from '../shared/api/refusal';
import { PhotographDesk } from '../shared/photographs/photograph-desk';
import { Speech } from '../shared/speech/speech';
import { Refused } from '../shared/ui/refused';
import { pageOf } from '../shared/words/stage-words';
import { messageFor } from './message-words';

/** What a note is begun with: its kind, after how many that went out. */
interface Begun {
  readonly kind: MessageKind | null;
  readonly sent: number;
}

/** Notes that make sense at a stage, the likeliest first. */
function kindsAt(stage: Stage): readonly MessageKind[] {
  if (stage === 'declined') return ['refusal'];
  if (stage === 'closed') return [];
  return stage === 'handover' ? ['ready', 'question', 'refusal'] : ['question', 'refusal'];
}

/** What the counter found and promised, pulled out under a ticket's head: pictures, notes to the customer, and ending it unworked. */
@Component({
  selector: 'od-counter-slip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput, MatButton, MatButtonToggleModule, RouterLink, PhotographDesk, Refused],
  templateUrl: './counter-slip.html',
  styleUrl: './counter-slip.scss',
})
export class CounterSlip {
  protected readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  readonly refusal = input<Refusal | null>(null);
  readonly busy = input(false);
  readonly reload = output();
  readonly photographed = output<Blob>();
  readonly photographRemoved = output<number>();
  readonly written = output<NewMessage>();
  readonly declined = output<Omit<DeclineChange, 'version'>>();

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
  protected readonly kind = linkedSignal<MessageKind | null>(() => this.kinds()[0] ?? null);
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
  protected readonly canDecline = computed(() => ['measure', 'plan'].includes(this.dossier().ticket.stage));
  protected readonly by = signal<DeclineChange['by']>('customer');
  protected readonly why = signal('');
  protected page = pageOf;

  protected send(): void {
    const read = newMessage.safeParse({ kind: this.kind(), sentTo: this.sentTo(), body: this.body() });
    this.fault.set(read.success ? '' : (read.error.issues[0]?.message ?? ''));
    if (read.success) this.written.emit(read.data);
  }

  protected end(): void {
    this.declined.emit({ by: this.by(), reason: this.why() });
  }
}
