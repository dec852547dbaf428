import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { Store } from '@ngrx/store';
import { fieldErrors } from '@odontis/contract/field-errors';
import type { Shop, ShopBook } from '@odontis/contract/shop';
import { shop, shopBook } from '@odontis/contract/shop';
import { currentOf } from '../../../shared/api/refusal';
import type { Difference } from '../../../shared/conflict/conflict';
import { Conflict } from '../../../shared/conflict/conflict';
import { flatten } from '../../../shared/conflict/flatten';
import { Speech } from '../../../shared/speech/speech';
import { doorFeature } from '../../../shared/state/door.feature';
import { shopFeature, ShopPage } from '../../../shared/state/shop.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { filingChoices, sawChoices, speechChoices } from '../data/book-choices';
import {
  copiesField,
  filingFields,
  tableFields,
  hoursChanged,
  hoursField,
  hoursOf,
  lockField,
  rateFields,
} from '../data/book-fields';
import { BookAngles } from './book-angles';
import { BookChoiceRow } from './book-choice-row';
import { BookFieldRow } from './book-field-row';
import { LearningPanel } from './learning-panel';
import { Grinders } from './grinders';
import { StripPrinters } from './strip-printers';

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
  imports: [
    MatButtonToggleModule,
    Notice,
    BookAngles,
    BookChoiceRow,
    BookFieldRow,
    Conflict,
    LearningPanel,
    StripPrinters,
    Grinders,
  ],
  templateUrl: './shopbook-page.html',
  styleUrl: './shopbook-page.scss',
})
export class ShopbookPage {
  private readonly store = inject(Store);
  protected readonly speech = inject(Speech);
  protected readonly shop = this.store.selectSignal(shopFeature.selectShop);
  protected readonly refusal = this.store.selectSignal(shopFeature.selectRefusal);
  protected readonly asOwner = this.store.selectSignal(doorFeature.selectIsOwner);
  protected readonly keeping = this.store.selectSignal(shopFeature.selectKeeping);
  protected readonly slip = signal<string | null>(null);
  private readonly wanted = signal<ShopBook | null>(null);
  protected readonly weekdays = WEEKDAYS;

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

  /** Everything that stands in the book, as it is chosen and typed. */
  protected readonly rows = computed(() => {
    const book = this.book();
    return (
      book && {
        book,
        ...{ speech: speechChoices(book), filing: filingChoices(book), saws: sawChoices(book) },
        ...{ filed: filingFields(book, this.speech), rates: rateFields(book), tables: tableFields(book, this.speech) },
        ...{ hours: hoursField(book), days: hoursOf(book).days, lock: lockField(book), copies: copiesField(book) },
      }
    );
  });

  protected days(days: number[]): void {
    const book = this.book();
    if (book) this.set(hoursChanged(book, { days }));
  }

  protected angles(angles: ShopBook['habits']['angles']): void {
    const book = this.book();
    if (book) this.set({ habits: { ...book.habits, angles } });
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
