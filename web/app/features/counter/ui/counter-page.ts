import type { ElementRef } from '@angular/core';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import type { Dossier } from '@odontis/contract/dossier';
import { fieldErrors } from '@odontis/contract/field-errors';
import type { CustomerFound, KnownSaw } from '@odontis/contract/ticket';
import { newTicket } from '@odontis/contract/ticket';
import { counterMinutes, priceFor } from '@odontis/core/plan/price';
import { SAW_PATTERNS } from '@odontis/core/saw/families';
import { pitchMmFromCount, teethOnLine } from '@odontis/core/saw/points';
import { ownBook } from '@odontis/core/judgement/books';
import { TRIAGE_BOOK } from '@odontis/core/judgement/triage-book';
import { triage } from '@odontis/core/triage/triage';
import { DateTime } from 'luxon';
import { delay, of, switchMap } from 'rxjs';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { Speech } from '../../../shared/speech/speech';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import type { CounterDraft } from '../data/counter-draft';
import { emptyDraft, fromPattern, keepDraft, lengthMm, recallDraft, toNewTicket } from '../data/counter-draft';
import { PlatePicture } from './plate-picture';
import { SawGlyph } from './saw-glyph';

/** Days from today offered first as the promised day. */
const USUAL_DAYS = 5;

/** The counter: customer, saw, condition, an honest verdict beside the questions, a ticket and its tag. */
@Component({
  selector: 'od-counter-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatAutocompleteModule,
    MatButton,
    MatButtonToggleModule,
    MatCheckbox,
    MatFormFieldModule,
    MatInput,
    RouterLink,
    Notice,
    Why,
    PlatePicture,
    SawGlyph,
  ],
  templateUrl: './counter-page.html',
  styleUrl: './counter-page.scss',
})
export class CounterPage {
  private readonly api = inject(ShopApi);
  protected readonly speech = inject(Speech);
  private readonly who = viewChild<ElementRef<HTMLInputElement>>('who');
  protected readonly patterns = SAW_PATTERNS;
  private readonly usualDay = DateTime.now().plus({ days: USUAL_DAYS }).toISODate();
  protected readonly draft = linkedSignal<CounterDraft>(
    () => recallDraft() ?? emptyDraft(this.speech.speech().pointConvention, this.usualDay),
  );
  protected readonly complaints = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly refused = signal<string | null>(null);
  protected readonly busy = signal(false);
  protected readonly opened = signal<Dossier | null>(null);

  constructor() {
    inject(Keys).here.set([
      { keys: 'Tab', does: 'from question to question' },
      { keys: 'arrows, Delete', does: 'move or remove a mark on the plate' },
    ]);
    // The next customer's name can be typed at once.
    afterRenderEffect(() => this.who()?.nativeElement.focus());
    effect(() => keepDraft(this.opened() ? null : this.draft()));
  }

  protected readonly found = rxResource({
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

  protected readonly known = rxResource({
    params: () => this.draft().customerId ?? undefined,
    stream: ({ params }) => this.api.knownSaws(params),
    defaultValue: [] as KnownSaw[],
  });

  /** The saw as far as it is known, for the picture, the verdict and the price. */
  protected readonly saw = computed(() => {
    const d = this.draft();
    const known = this.known.hasValue() ? this.known.value().find((s) => s.id === d.sawId) : undefined;
    if (known) return known;
    const unit = this.speech.unit() === 'thou' ? ('inch' as const) : ('mm' as const);
    const perInch = Number(d.perInch.replace(',', '.'));
    const fits = perInch > (d.convention === 'points' ? 1 : 0);
    return {
      family: d.family,
      backFixing: d.family === 'hand' ? ('none' as const) : d.backFixing,
      pitchMm: fits ? pitchMmFromCount(perInch, d.convention) : NaN,
      toothLineMm: lengthMm(d.toothLine, unit),
      plateDepthHeelMm: lengthMm(d.depthHeel, unit),
      plateDepthToeMm: lengthMm(d.depthToe, unit),
    };
  });

  protected readonly hasSaw = computed(() => this.draft().pattern !== '' || this.draft().sawId !== null);

  protected readonly verdict = computed(() => {
    const { hardened, marks } = this.draft();
    if (!this.hasSaw() || hardened === '') return null;
    const answers = { family: this.saw().family, backFixing: this.saw().backFixing, hardened, marks };
    return triage(answers, ownBook(TRIAGE_BOOK, this.speech.book()?.judgement));
  });

  protected readonly needsConsent = computed(() => this.verdict()?.reasons.some((r) => r.needsConsent) ?? false);

  protected readonly quote = computed(() => {
    const { toothLineMm, pitchMm } = this.saw();
    const book = this.speech.book();
    if (!book || !(toothLineMm > 0) || !(pitchMm > 0)) return null;
    const kinds = this.draft().marks.map((m) => m.kind);
    const teeth = teethOnLine(toothLineMm, pitchMm);
    const bent = kinds.some((k) => k === 'bend' || k === 'kink' || k === 'twist' || k === 'wavy-line');
    const minutes = counterMinutes(teeth, kinds.includes('rust') || kinds.includes('pitting'), bent);
    return { teeth, low: priceFor(minutes.low, book.rates), high: priceFor(minutes.high, book.rates) };
  });

  protected set(change: Partial<CounterDraft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
  }

  protected choosePattern(id: string): void {
    const pattern = SAW_PATTERNS.find((p) => p.id === id);
    if (pattern) this.set(fromPattern(pattern, this.speech.speech()));
  }

  protected chooseCustomer(customer: CustomerFound): void {
    this.set({ customerId: customer.id, customerName: customer.name, phone: customer.phone, email: customer.email });
  }

  protected anotherCustomer(name: string): void {
    this.set({ customerId: null, customerName: name, sawId: null });
  }

  protected readonly nameOf = (value: CustomerFound | string): string =>
    typeof value === 'string' ? value : value.name;

  protected wrong(path: string): string {
    return this.complaints().get(path) ?? '';
  }

  protected open(decision: 'take' | 'decline'): void {
    const wanted = newTicket.safeParse(toNewTicket(this.draft(), this.speech.speech(), decision));
    if (!wanted.success) {
      this.tell(fieldErrors(wanted.error));
      return;
    }
    this.busy.set(true);
    this.api.openTicket(wanted.data).subscribe({
      next: (dossier) => {
        this.busy.set(false);
        this.opened.set(dossier);
      },
      error: (error: unknown) => {
        this.busy.set(false);
        const refusal = toRefusal(error);
        this.tell(refusal.errors);
        this.refused.set(refusal.detail);
      },
    });
  }

  private tell(errors: readonly { path: string; message: string }[]): void {
    this.complaints.set(new Map(errors.map((e) => [e.path, e.message])));
    this.refused.set(
      errors.length > 0
        ? `${errors.length === 1 ? 'One thing is' : `${errors.length} things are`} missing or not right yet: ${errors[0]?.message}`
        : null,
    );
  }

  protected next(): void {
    this.opened.set(null);
    this.complaints.set(new Map());
    this.refused.set(null);
    this.draft.set(emptyDraft(this.speech.speech().pointConvention, this.usualDay));
  }
}
