import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  linkedSignal,
  viewChild,
} from '@angular/core';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { CustomerFound } from '@odontis/contract/ticket';
import { FAMILIES } from '@odontis/core/saw/all-families';
import type { AnySaw } from '@odontis/core/saw/any-saw';
import type { Because } from '@odontis/core/triage/triage';
import { ANY_PATTERNS, FAMILY_NAMES } from '@odontis/core/saw/patterns';
import { PhotographDesk } from '../../../shared/photographs/photograph-desk';
import { PlatePicture } from '../../../shared/plate/plate-picture';
import { Speech } from '../../../shared/speech/speech';
import { Keys } from '../../../shared/ui/keys';
import { Why } from '../../../shared/ui/why';
import { withoutPart, withPart } from '../data/draft-parts';
import { CounterDesk } from '../state/counter-desk';
import { KnownSaws } from './known-saws';
import { SawGlyph } from './saw-glyph';
import { SawQuestions } from './saw-questions';
import { SetParts } from './set-parts';
import { TakenSlip } from './taken-slip';
import { VerdictSlip } from './verdict-slip';

/** The counter: customer, saw, condition, an honest verdict beside the questions, a price, a day, a ticket and its tag. */
@Component({
  selector: 'od-counter-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatAutocompleteModule,
    MatButtonToggleModule,
    MatCheckbox,
    MatFormFieldModule,
    MatInput,
    KnownSaws,
    PhotographDesk,
    PlatePicture,
    SawGlyph,
    SawQuestions,
    SetParts,
    TakenSlip,
    VerdictSlip,
    Why,
  ],
  providers: [CounterDesk],
  templateUrl: './counter-page.html',
  styleUrl: './counter-page.scss',
})
export class CounterPage {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly desk = inject(CounterDesk);
  protected readonly speech = inject(Speech);
  private readonly who = viewChild<ElementRef<HTMLInputElement>>('who');
  protected readonly draft = this.desk.draft;
  /** Pictures under their families' names. */
  protected readonly shelves = FAMILIES.map((family) => ({
    family,
    name: FAMILY_NAMES[family],
    patterns: ANY_PATTERNS.filter((p) => p.family === family),
  }));

  constructor() {
    inject(Keys).here.set([
      { keys: 'Tab', does: 'from question to question' },
      { keys: 'arrows, Delete', does: 'move or remove a mark on the plate' },
    ]);
    // The next customer's name can be typed at once; another saw of the same one is chosen at once.
    afterRenderEffect(() => {
      if (this.draft().arrival === null) this.who()?.nativeElement.focus();
    });
  }

  protected readonly hasSaw = computed(() => this.draft().family !== '');
  /** The pictures make room for the saw once it is chosen, and come back when asked for. */
  private readonly browsing = linkedSignal<string, boolean>({
    source: () => `${this.draft().pattern} ${this.draft().sawId ?? ''}`,
    computation: () => false,
  });
  protected readonly shelved = computed(() => {
    const { pattern, sawId } = this.draft();
    const all = this.browsing() || (pattern === '' && sawId === null);
    return all
      ? this.shelves
      : this.shelves
          .map((s) => ({ ...s, patterns: s.patterns.filter((p) => p.id === pattern) }))
          .filter((s) => s.patterns.length > 0);
  });
  protected browse(): void {
    this.browsing.set(true);
  }
  protected readonly drawn = computed(() => this.desk.drawn() as AnySaw | null);
  protected readonly straight = computed(() => ['hand', 'back'].includes(this.draft().family));
  protected readonly carbide = computed(() => {
    const saw = this.desk.saw();
    return saw !== null && 'tipped' in saw && saw.tipped === 'carbide';
  });
  protected readonly unit = computed(() => (this.speech.unit() === 'thou' ? ('inch' as const) : ('mm' as const)));
  protected readonly filesOf = computed(() => {
    const saw = this.desk.saw();
    // A line of cutters and rakers is not converted; a band and a blade stay as they were made.
    const other =
      saw && (this.straight() || saw.family === 'pull' || (saw.family === 'crosscut' && saw.pattern === 'C'));
    return other && (saw.filing === 'rip' || saw.filing === 'crosscut') ? saw.filing : null;
  });
  protected readonly photographs = computed(() =>
    this.desk.photographs.all().map(({ id, caption, jpeg }) => ({ id, caption, url: URL.createObjectURL(jpeg) })),
  );
  /** Every fault of the parts table, and of the set as a whole. */
  protected readonly partFaults = computed(() =>
    [...this.desk.sawFaults()].filter(([field]) => field.startsWith('parts')).map(([, sentence]) => sentence),
  );

  protected readonly nameOf = (value: CustomerFound | string): string =>
    typeof value === 'string' ? value : value.name;
  protected wrong = (path: string): string => this.desk.complaints().get(path) ?? '';

  protected anotherCustomer(name: string): void {
    const { sawId, family } = this.draft();
    this.desk.set({
      customerId: null,
      customerName: name,
      arrival: null,
      sawId: null,
      // A saw of theirs goes with them; one told anew stays.
      ...(sawId !== null && family !== '' && { family: '', marks: [] }),
    });
  }

  /** A reason's own question, brought into sight and into focus. */
  protected goTo(question: Because): void {
    const heading = this.host.nativeElement.querySelector<HTMLElement>(`#asked-${question}`);
    heading?.scrollIntoView({ block: 'start' });
    heading?.focus({ preventScroll: true });
  }

  protected addPart(): void {
    this.desk.set(withPart(this.draft()));
  }

  protected dropPart(index: number): void {
    this.desk.set(withoutPart(this.draft(), index));
  }
}
