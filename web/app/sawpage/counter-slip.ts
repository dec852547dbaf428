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
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { RouterLink } from '@angular/router';
import type { Dossier } from '@odontis/contract/dossier';
import type { MessageKind, NewMessage } from '@odontis/contract/notes';
import { newMessage } from '@odontis/contract/notes';
import type { DeclineChange } from '@odontis/contract/ticket';
import { PhotographDesk } from '../shared/photographs/photograph-desk';
import { Speech } from '../shared/speech/speech';
import { Notice } from '../shared/ui/notice';
import { pageOf } from '../shared/words/stage-words';
import { messageFor } from './message-words';

/** What the counter found and promised, pulled out under a ticket's head: pictures, notes to the customer, and ending it unworked. */
@Component({
  selector: 'od-counter-slip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput, MatButton, MatButtonToggleModule, RouterLink, PhotographDesk, Notice],
  templateUrl: './counter-slip.html',
  styleUrl: './counter-slip.scss',
})
export class CounterSlip {
  protected readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  readonly refusal = input<string | null>(null);
  readonly busy = input(false);
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
  protected readonly kinds = computed<readonly MessageKind[]>(() => {
    const { stage } = this.dossier().ticket;
    if (stage === 'declined') return ['refusal'];
    if (stage === 'closed') return [];
    return stage === 'handover' ? ['ready', 'question', 'refusal'] : ['question', 'refusal'];
  });
  protected readonly kind = linkedSignal<MessageKind | null>(() => this.kinds()[0] ?? null);
  protected readonly sentTo = linkedSignal(() => this.dossier().customer.phone || this.dossier().customer.email);
  /** The words offered; they change with the kind, and when a note has gone out. */
  protected readonly body = linkedSignal({
    source: () => ({ kind: this.kind(), sent: this.dossier().messages.length }),
    computation: ({ kind }) => (kind ? messageFor(kind, this.dossier(), this.speech.fullDay, this.speech.money) : ''),
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
