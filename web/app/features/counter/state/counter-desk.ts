import { Store } from '@ngrx/store';
import { computed, effect, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import type { Dossier } from '@odontis/contract/dossier';
import { fieldErrors } from '@odontis/contract/field-errors';
import type { Saw } from '@odontis/core/saw/saw';
import { newSaw } from '@odontis/contract/saw';
import type { AlikeSaw, CounterBook, CustomerFound, KnownSaw, NewTicket } from '@odontis/contract/ticket';
import { newTicket } from '@odontis/contract/ticket';
import { USUAL_HOURS } from '@odontis/core/shop/bench-load';
import type { BackFixing } from '@odontis/core/saw/families';
import { marksFor } from '@odontis/core/saw/plate-marks';
import { judgeIntake } from '@odontis/core/shop/judge-intake';
import { marksAdd } from '@odontis/core/shop/supposed-work';
import { isCarbide, teethOf } from '@odontis/core/saw/saw';
import { ORDINARY_SAWS } from '@odontis/core/saw/ordinary-saws';
import { catchError, delay, firstValueFrom, of, switchMap } from 'rxjs';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { base64Of, DraftPhotographs } from '../../../shared/photographs/draft-photographs';
import { shopFeature } from '../../../shared/state/shop.feature';
import { Speech } from '../../../shared/speech/speech';
import type { CounterDraft } from '../data/counter-draft';
import { answeredOf, emptyDraft, nextSaw } from '../data/counter-draft';
import { toNewTicket } from '../data/to-new-ticket';
import { fromOrdinary } from '../data/from-ordinary';
import { readSaw, sawRead } from '../../../shared/saw/read-saw';
import { keepDraft, leftDraft, recallDraft } from '../data/draft-keeper';
import { fieldOf } from '../../../shared/saw/questions';
import { benchPromise } from '../../../shared/promise/bench-promise';

const NOTHING_DUE: CounterBook = { due: [], past: [], pace: { factor: 1, error: 0, saws: 0 } };

/** The same answer again while what is asked is the same. */
function lastAnswer<A extends readonly unknown[], R>(of: (...asked: A) => R): (...asked: A) => R {
  let last: { readonly key: string; readonly answer: R } | null = null;
  return (...asked) => {
    const key = JSON.stringify(asked);
    if (last?.key !== key) last = { key, answer: of(...asked) };
    return last.answer;
  };
}

/** One intake as it is being made: what is typed, what it is judged and priced at, the day it can be promised for, and its ticket once it is open. Over 250 lines: its parts all look at one draft. */
@Injectable()
export class CounterDesk {
  private readonly api = inject(ShopApi);
  private readonly speech = inject(Speech);
  readonly photographs = inject(DraftPhotographs);
  private readonly recalled = recallDraft();
  readonly draft = signal<CounterDraft>(this.recalled ?? emptyDraft());
  /** An intake that may be taken up again: left by a closed window, or cleared a moment ago. */
  readonly left = signal<CounterDraft | null>(this.recalled ? null : leftDraft());
  readonly complaints = signal<ReadonlyMap<string, string>>(new Map());
  readonly refused = signal<string | null>(null);
  readonly busy = signal(false);
  /** The saws of this visit that are in the book, the last one opened last. */
  readonly opened = signal<readonly Dossier[]>([]);
  /** The last one's slip is shown until another saw or customer is begun. */
  readonly slip = signal<Dossier | null>(null);

  constructor() {
    // Photographs belong to their intake: another window's are not this one's.
    effect(() => void this.photographs.recall(this.draft().key).catch(() => undefined));
    effect(() => {
      const [slip, draft] = [this.slip(), this.draft()];
      // An empty one does not wipe out what another window left.
      if (slip) keepDraft(null);
      else if (draft.customerName !== '' || draft.family !== '' || this.recalled) keepDraft(draft);
    });
  }

  /** Typed, and then quiet for a moment. */
  readonly found = rxResource({
    params: () => (this.draft().customerId === null ? this.draft().customerName.trim() : ''),
    stream: ({ params }) =>
      params.length < 2
        ? of([])
        : of(null).pipe(
            delay(120),
            switchMap(() => this.api.customers(params)),
          ),
    defaultValue: [] as CustomerFound[],
  });
  readonly known = rxResource({
    params: () => this.draft().customerId ?? undefined,
    stream: ({ params }) => this.api.knownSaws(params),
    defaultValue: [] as KnownSaw[],
  });
  /** The bench's load, read again for every intake. */
  readonly book = rxResource({
    params: () => this.draft().key,
    stream: () => this.api.counterBook().pipe(catchError(() => of(NOTHING_DUE))),
    defaultValue: NOTHING_DUE,
  });

  readonly knownSaw = computed(() => {
    const { sawId } = this.draft();
    const own = this.known.hasValue() ? this.known.value().find((s) => s.id === sawId) : undefined;
    return own ?? null;
  });
  /** The saw as it would be kept; null while what was told does not hold together. */
  readonly saw = computed<Saw | null>(() => this.knownSaw() ?? sawRead(this.draft(), this.speech.speech()));
  /** The last saw that held together, so that the picture does not jump while a number is typed. */
  readonly drawn = linkedSignal<Saw | null, Saw | null>({
    source: this.saw,
    computation: (saw, before) =>
      saw ?? (before?.value?.family === this.draft().family ? (before?.value ?? null) : null),
  });
  /** What cannot be, by question, as it is typed. */
  readonly sawFaults = computed<ReadonlyMap<string, string>>(() => {
    const draft = this.draft();
    const { family } = draft;
    if (family === '' || draft.sawId !== null) return new Map();
    const read = newSaw.safeParse(readSaw(draft, this.speech.speech()));
    if (read.success) return new Map();
    return new Map(fieldErrors(read.error).map((e) => [fieldOf(`/saw${e.path}`, family), e.message]));
  });
  readonly teeth = computed(() => {
    const saw = this.saw();
    return saw ? teethOf(saw) : null;
  });

  /** Saws in the book this one may be; asked for once it is told and the typing rests. */
  readonly alike = rxResource({
    params: () => {
      const { sawId, customerId } = this.draft();
      const saw = sawId === null ? sawRead(this.draft(), this.speech.speech()) : null;
      return saw ? { saw, customerId } : undefined;
    },
    stream: ({ params }) =>
      of(null).pipe(
        delay(350),
        switchMap(() => this.api.alikeSaws(params.saw, params.customerId)),
        catchError(() => of([])),
      ),
    defaultValue: [] as AlikeSaw[],
  });

  readonly carbide = computed(() => {
    const saw = this.saw();
    return saw !== null && isCarbide(saw);
  });
  private readonly learned = inject(Store).selectSignal(shopFeature.selectLearned);
  readonly judged = computed(() => {
    const [saw, book, draft] = [this.saw(), this.speech.book(), this.draft()];
    if (!saw || !book || (draft.hardened === '' && !this.carbide())) return null;
    const known = { learned: this.learned(), past: this.load().past };
    return this.judge(saw, answeredOf(draft), book, known);
  });
  /** Worked out anew only where something it depends on changed: a name that is typed judges nothing. */
  private readonly judge = lastAnswer(judgeIntake);
  /** What every mark adds to the work, by the same reckoning. */
  readonly adds = computed(() => {
    const [saw, book, draft, judged] = [this.saw(), this.speech.book(), this.draft(), this.judged()];
    if (!saw || !book || !judged || draft.marks.length === 0 || this.carbide()) return [];
    const { habits, judgement } = book;
    const work = judged.judgement.work?.verdict ?? null;
    return this.add({ ...answeredOf(draft), saw, work }, { habits, judgement, learned: this.learned(), past: [] });
  });
  private readonly add = lastAnswer(marksAdd);
  private readonly load = computed(() => (this.book.hasValue() ? this.book.value() : NOTHING_DUE));

  /** The earliest honest day, and whether the one chosen by hand can be kept. */
  private readonly days = benchPromise(
    computed(() => this.load().due),
    computed(() => this.judged()?.work.highMinutes ?? null),
    computed(() => this.draft().promisedOn),
    computed(() => this.speech.book()?.bench ?? USUAL_HOURS),
  );
  readonly earliest = this.days.earliest;
  readonly promise = this.days.promise;
  readonly promisedOn = computed(() => this.draft().promisedOn || this.earliest().day);

  set(change: Partial<CounterDraft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
  }

  choosePattern(id: string): void {
    const ordinary = ORDINARY_SAWS.find((p) => p.id === id);
    const before = this.draft();
    if (!ordinary || before.pattern === id) return;
    const { family } = ordinary.saw;
    const fresh = fromOrdinary(ordinary, this.speech.speech());
    const { marksOnIt = '' } = before.told;
    // Marks already put stay where this saw can have them too.
    const marks =
      family === 'dado'
        ? []
        : before.marks.filter(
            (m) =>
              m.part === undefined &&
              marksFor(family, fresh.told?.['backFixing'] as BackFixing | undefined).includes(m.kind),
          );
    this.set({ ...fresh, marks, told: { ...fresh.told, marksOnIt } });
    this.complaints.set(new Map());
  }

  /** A name typed is somebody else's until they are chosen from the book. */
  nameCustomer(name: string): void {
    const { sawId, family } = this.draft();
    const theirs = sawId !== null && family !== '';
    // A saw of theirs goes with them; one told anew stays.
    this.set({
      customerId: null,
      customerName: name,
      arrival: null,
      sawId: null,
      ...(theirs && { family: '', marks: [] }),
    });
  }

  chooseCustomer({ id, name, phone, email }: CustomerFound): void {
    this.set({ customerId: id, customerName: name, phone, email });
  }

  /** The saw is one that was here before; where it is another customer's, that customer is at the counter. */
  chooseKnown(saw: KnownSaw): void {
    const owner = { customerId: saw.customerId, customerName: saw.customer };
    this.set({
      ...owner,
      sawId: saw.id,
      family: saw.family,
      pattern: '',
      marks: [],
      consents: [],
      wantsFiling: 'as-it-is',
    });
  }

  async open(decision: NewTicket['decision']): Promise<void> {
    // Of carbide nobody asks whether a file cuts it.
    const draft: CounterDraft = this.carbide() ? { ...this.draft(), hardened: 'no' } : this.draft();
    const wanted = newTicket.safeParse(toNewTicket(draft, this.speech.speech(), decision, this.promisedOn()));
    if (!wanted.success) {
      this.tell(fieldErrors(wanted.error));
      return;
    }
    this.busy.set(true);
    try {
      let dossier = await firstValueFrom(this.api.openTicket(wanted.data));
      for (const one of this.photographs.all()) {
        const sent = { caption: one.caption, jpeg: await base64Of(one.jpeg) };
        dossier = await firstValueFrom(this.api.addPhotograph(dossier.ticket.id, sent));
        await this.photographs.remove(one.id);
      }
      this.complaints.set(new Map());
      this.refused.set(null);
      this.opened.update((all) => [...all, dossier]);
      this.slip.set(dossier);
    } catch (error) {
      const refusal = toRefusal(error);
      this.tell(refusal.errors);
      this.refused.set(refusal.detail);
    } finally {
      this.busy.set(false);
    }
  }

  private tell(errors: readonly { path: string; message: string }[]): void {
    this.complaints.set(new Map(errors.map((e) => [e.path, e.message])));
    const [first] = errors;
    this.refused.set(
      first
        ? `${errors.length === 1 ? 'One thing is' : `${errors.length} things are`} missing or not right yet: ${first.message}`
        : null,
    );
  }

  /** The same customer puts another saw on the counter. */
  anotherSaw(): void {
    const last = this.slip();
    if (!last) return;
    this.begin(nextSaw(this.draft(), last.ticket.arrival, last.customer.id));
  }

  /** All of it away, and offered back for as long as nothing else is begun. */
  clear(): void {
    const draft = this.draft();
    this.nextCustomer();
    this.left.set(draft);
  }

  /** Under a key of its own, as the window that left it may still be open; its photographs come along. */
  async takeUp(): Promise<void> {
    const left = this.left();
    this.left.set(null);
    if (!left) return;
    const key = crypto.randomUUID();
    await this.photographs.copy(left.key, key).catch(() => undefined);
    this.draft.set({ ...left, key });
  }

  nextCustomer(): void {
    this.opened.set([]);
    this.begin(emptyDraft());
  }

  private begin(draft: CounterDraft): void {
    this.slip.set(null);
    this.complaints.set(new Map());
    this.refused.set(null);
    this.draft.set(draft);
  }
}
