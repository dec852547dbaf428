import { MatCheckbox } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  numberAttribute,
  signal,
} from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Contact, CustomerPage as CustomerRecord } from '@odontis/contract/customer';
import type { Saw } from '@odontis/core/saw/saw';
import { sawInWords } from '@odontis/contract/saw-words';
import { WORK_DONE } from '@odontis/contract/work-words';
import type { Visit } from '@odontis/contract/ticket';
import { customerChange, customerPage } from '@odontis/contract/customer';
import { fieldErrors } from '@odontis/contract/field-errors';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import { currentOf, toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { Conflict } from '../../../shared/conflict/conflict';
import { Speech } from '../../../shared/speech/speech';
import { doorFeature } from '../../../shared/state/door.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { pageOf, STAGE_WAITS } from '../../../shared/words/stage-words';
import type { CustomerDraft } from '../data/customer-draft';
import { differencesOf, draftOf } from '../data/customer-draft';

const NOBODY: Contact = { name: '', phone: '', email: '' };

/** One customer's page of the ledger: details and contacts, saws and visits, doubles, their data out and forgotten. */
@Component({
  selector: 'od-customer-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatCheckbox, MatFormFieldModule, MatInput, MatButton, RouterLink, Conflict, Notice],
  templateUrl: './customer-page.html',
  styleUrl: './ledger.scss',
})
export class CustomerPage {
  private readonly api = inject(ShopApi);
  protected readonly speech = inject(Speech);
  /** Taking data out, of the shop or of the book, is an owner's. */
  protected readonly asOwner = inject(Store).selectSignal(doorFeature.selectIsOwner);
  protected readonly waits = STAGE_WAITS;
  protected done = (work: Visit['work']): string => (work === null ? 'worked' : WORK_DONE[work]);
  protected words = (saw: Saw): string => sawInWords(saw, this.speech.speech());
  protected readonly stagePage = pageOf;
  readonly id = input.required({ transform: numberAttribute });
  private readonly read = rxResource({ params: () => this.id(), stream: ({ params }) => this.api.customer(params) });
  protected readonly missing = computed(() => this.read.error() !== undefined);
  /** The record as the server last said it. */
  protected readonly record = linkedSignal<CustomerRecord | null>(() =>
    this.read.hasValue() ? this.read.value() : null,
  );
  protected readonly draft = linkedSignal<CustomerDraft | null>(() => {
    const record = this.record();
    return record && draftOf(record);
  });
  protected readonly theirs = signal<CustomerRecord | null>(null);
  protected readonly refused = signal<string | null>(null);
  protected readonly busy = signal(false);
  protected readonly kept = signal(false);
  protected readonly asked = signal<'forget' | number | null>(null);
  protected readonly changed = computed(() => {
    const [record, draft] = [this.record(), this.draft()];
    return record !== null && draft !== null && differencesOf(draft, draftOf(record)).length > 0;
  });
  protected readonly differences = computed(() => {
    const [mine, theirs] = [this.draft(), this.theirs()];
    return mine && theirs ? differencesOf(mine, draftOf(theirs)) : [];
  });

  constructor() {
    inject(Keys).here.set([]);
  }

  protected set(change: Partial<CustomerDraft>): void {
    this.kept.set(false);
    this.draft.update((draft) => draft && { ...draft, ...change });
  }

  protected contact(at: number, change: Partial<Contact>): void {
    const contacts = this.draft()?.contacts ?? [];
    this.set({ contacts: contacts.map((c, i) => (i === at ? { ...c, ...change } : c)) });
  }

  protected addContact(): void {
    this.set({ contacts: [...(this.draft()?.contacts ?? []), NOBODY] });
  }

  protected dropContact(at: number): void {
    this.set({ contacts: (this.draft()?.contacts ?? []).filter((_, i) => i !== at) });
  }

  protected keep(event: Event, version = this.record()?.version): void {
    event.preventDefault();
    const change = customerChange.safeParse({ ...this.draft(), version });
    this.refused.set(change.success ? null : (fieldErrors(change.error)[0]?.message ?? null));
    if (change.success) this.send(this.api.changeCustomer(this.id(), change.data));
  }

  /** Yours over theirs: sent again as made on their version. */
  protected keepMine(): void {
    const version = this.theirs()?.version;
    this.theirs.set(null);
    this.keep(new Event('submit'), version);
  }

  protected takeTheirs(): void {
    this.record.set(this.theirs());
    this.theirs.set(null);
  }

  protected merge(doubleId: number): void {
    this.asked.set(null);
    this.send(this.api.mergeCustomers(this.id(), { version: this.record()?.version ?? 0, doubleId }));
  }

  protected forget(): void {
    this.asked.set(null);
    this.send(this.api.forgetCustomer(this.id(), this.record()?.version ?? 0));
  }

  private send(request: Observable<CustomerRecord>): void {
    this.busy.set(true);
    this.refused.set(null);
    request.subscribe({
      next: (record) => {
        this.busy.set(false);
        this.kept.set(true);
        this.record.set(record);
      },
      error: (error: unknown) => {
        this.busy.set(false);
        const refusal = toRefusal(error);
        if (refusal.code === 'edited-elsewhere') this.theirs.set(currentOf(refusal, customerPage));
        else this.refused.set(refusal.errors[0]?.message ?? refusal.detail);
      },
    });
  }
}
