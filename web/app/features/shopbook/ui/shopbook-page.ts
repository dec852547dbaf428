import { MatInput } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { Store } from '@ngrx/store';
import { USUAL_COPIES_KEPT } from '@odontis/contract/copies';
import { fieldErrors } from '@odontis/contract/field-errors';
import type { Shop, ShopBook } from '@odontis/contract/shop';
import { shop } from '@odontis/contract/shop';
import { shopBook } from '@odontis/contract/shop';
import type { AnglePair } from '@odontis/core/file/angle-pair';
import { USUAL_TIP_DEG } from '@odontis/core/raker/raker-target';
import {
  USUAL_CUTTERS,
  USUAL_PULL,
  USUAL_PULL_BACK_DEG,
  USUAL_PULL_TOP_DEG,
  USUAL_JAW_MM,
} from '@odontis/core/work/habits';
import { USUAL_SHOES_MM } from '@odontis/core/line/jointer';
import { parseLength } from '@odontis/core/units/length';
import { formatFleam, formatRake, parseFleam, parseRake } from '@odontis/core/units/angle';
import type { BenchHours } from '@odontis/core/shop/bench-load';
import { USUAL_HOURS } from '@odontis/core/shop/bench-load';
import { currentOf } from '../../../shared/api/refusal';
import type { Difference } from '../../../shared/conflict/conflict';
import { Conflict } from '../../../shared/conflict/conflict';
import { Speech } from '../../../shared/speech/speech';
import { doorFeature } from '../../../shared/state/door.feature';
import { shopFeature, ShopPage } from '../../../shared/state/shop.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { LearningPanel } from './learning-panel';
import { StripPrinters } from './strip-printers';
import { flatten } from '../../../shared/conflict/flatten';

type AngleRow = keyof ShopBook['habits']['angles'];
type Habits = ShopBook['habits'];

/** Monday 1 to Sunday 7, as they are said in short. */
const WEEKDAYS = [
  [1, 'Mo'],
  [2, 'Tu'],
  [3, 'We'],
  [4, 'Th'],
  [5, 'Fr'],
  [6, 'Sa'],
  [7, 'Su'],
] as const;

/** How this shop speaks and works; a change shows at once everywhere. */
@Component({
  selector: 'od-shopbook-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput, MatButtonToggleModule, Notice, Conflict, StripPrinters, LearningPanel],
  templateUrl: './shopbook-page.html',
  styleUrl: './shopbook-page.scss',
})
export class ShopbookPage {
  private readonly store = inject(Store);
  protected readonly speech = inject(Speech);
  protected readonly usualKept = USUAL_COPIES_KEPT;
  protected readonly shop = this.store.selectSignal(shopFeature.selectShop);
  protected readonly refusal = this.store.selectSignal(shopFeature.selectRefusal);
  protected readonly asOwner = this.store.selectSignal(doorFeature.selectIsOwner);
  protected readonly keeping = this.store.selectSignal(shopFeature.selectKeeping);
  protected readonly slip = signal<string | null>(null);
  private readonly wanted = signal<ShopBook | null>(null);
  protected readonly angleRows: readonly { id: AngleRow; name: string }[] = [
    { id: 'rip', name: 'Rip' },
    { id: 'crosscutFine', name: 'Crosscut, back saws' },
    { id: 'crosscutHand', name: 'Crosscut, hand saws' },
    { id: 'cutters', name: 'Cutters, half the point and bevel' },
    { id: 'pull', name: 'Pull saws, face and board' },
  ];

  constructor() {
    inject(Keys).here.set([]);
  }

  /** The book with what is on its way: the next change comes on top of it. */
  protected readonly book = computed<ShopBook | null>(
    () => (this.keeping() ? this.wanted() : null) ?? this.shop()?.book ?? null,
  );

  protected set(change: Partial<ShopBook>): void {
    const shop = this.shop();
    if (!shop) return;
    const book = shopBook.safeParse({ ...this.book(), ...change });
    this.slip.set(book.success ? null : (fieldErrors(book.error)[0]?.message ?? null));
    if (!book.success) return;
    this.wanted.set(book.data);
    this.store.dispatch(ShopPage.bookChanged({ book: book.data, version: shop.version }));
  }

  protected habit(change: Partial<Habits>): void {
    const book = this.book();
    if (book) this.set({ habits: { ...book.habits, ...change } });
  }

  protected readonly usualShoes = USUAL_SHOES_MM;

  protected readonly usualJaws = USUAL_JAW_MM;

  /** The jointer's length, and the vise's. */
  protected shoes(text: string): void {
    this.length(text, (jointerShoesMm) => ({ jointerShoesMm }));
  }
  protected jaws(text: string): void {
    this.length(text, (jawMm) => ({ jawMm }));
  }

  /** A length as it is read off a rule; empty to forget it. */
  private length(text: string, changed: (mm: number | undefined) => Partial<Habits>): void {
    const read = parseLength(text, this.speech.speech().lengthUnit === 'thou' ? 'inch' : 'mm');
    if (text.trim() !== '' && !read.ok) this.slip.set(`"${text}" is no length: type it such as 8 in or 200 mm.`);
    else this.habit(changed(read.ok ? read.mm : undefined));
  }

  protected readonly weekdays = WEEKDAYS;
  protected readonly hours = computed<BenchHours>(() => this.book()?.bench ?? USUAL_HOURS);

  protected bench(change: Partial<BenchHours>): void {
    const { minutesPerDay, days } = { ...this.hours(), ...change };
    this.set({ bench: { minutesPerDay, days: [...days].sort((a, b) => a - b) } });
  }

  protected rate(change: Partial<ShopBook['rates']>): void {
    const book = this.book();
    if (book) this.set({ rates: { ...book.rates, ...change } });
  }

  protected number = (text: string): number => Number(text.trim().replace(',', '.').replace(/\s*%$/, '') || NaN);

  protected rakeText = (deg: number): string => {
    const speech = this.speech.speech().rakeSpeech;
    return speech === 'lean-back' ? String(-deg || 0) : formatRake(deg, speech);
  };
  protected fleamText = (deg: number): string =>
    formatFleam(deg, this.speech.speech().fleamSpeech).replace(/ fleam$/, '');

  /** Cutters and pull saws are filed to the trade's usual where the shop has not said otherwise. */
  protected anglesOf = (angles: Habits['angles'], row: AngleRow): AnglePair =>
    angles[row] ?? (row === 'pull' ? USUAL_PULL : USUAL_CUTTERS);
  protected readonly usualBackDeg = USUAL_PULL_BACK_DEG;
  protected readonly usualTopDeg = USUAL_PULL_TOP_DEG;
  protected readonly usualTipDeg = USUAL_TIP_DEG;

  protected angle(row: AngleRow, which: 'rakeDeg' | 'fleamDeg', text: string): void {
    const speech = this.speech.speech();
    const read = which === 'rakeDeg' ? parseRake(text, speech.rakeSpeech) : parseFleam(text, speech.fleamSpeech);
    if (!read.ok) {
      this.slip.set(`"${text}" is not an angle a file can leave.`);
      return;
    }
    const angles = this.book()?.habits.angles;
    if (angles) this.habit({ angles: { ...angles, [row]: { ...this.anglesOf(angles, row), [which]: read.deg } } });
  }

  protected readonly theirs = computed<Shop | null>(() => {
    const refusal = this.refusal();
    return refusal?.code === 'edited-elsewhere' ? currentOf(refusal, shop) : null;
  });

  protected readonly differences = computed<Difference[]>(() => {
    const [mine, theirs] = [this.wanted(), this.theirs()];
    if (!mine || !theirs) return [];
    const [a, b] = [flatten(mine), flatten(theirs.book)];
    return [...a.keys()]
      .map((what) => ({ what, mine: a.get(what) ?? '', theirs: b.get(what) ?? '' }))
      .filter((row) => row.mine !== row.theirs);
  });

  protected keepMine(): void {
    const [book, theirs] = [this.wanted(), this.theirs()];
    if (book && theirs) this.store.dispatch(ShopPage.bookChanged({ book, version: theirs.version }));
  }

  protected takeTheirs(): void {
    const shop = this.theirs();
    if (shop) this.store.dispatch(ShopPage.theirsTaken({ shop }));
  }
}
