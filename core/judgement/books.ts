import type { BookChange, RuleBook } from './rule-book';
import { changedBook } from './rule-book';
import type { Fact } from './saw-facts';
import { TRIAGE_BOOK } from './triage-book';
import { FILING_BOOK, RESET_BOOK, STRAIGHTEN_BOOK, WORK_BOOK } from './work-books';

/** Every question the shop judges by rules. */
export const BOOK_IDS = ['triage', 'work', 'filing', 'reset', 'straighten'] as const;
export type BookId = (typeof BOOK_IDS)[number];

export const BOOKS = {
  triage: TRIAGE_BOOK,
  work: WORK_BOOK,
  filing: FILING_BOOK,
  reset: RESET_BOOK,
  straighten: STRAIGHTEN_BOOK,
} as const;

/** A shop's own changes, book by book. */
export type Judgement = Partial<Record<BookId, BookChange>>;

/** A book as this shop keeps it; the trade's own where the shop changed nothing. */
export const ownBook = <V extends string, F extends Fact>(
  book: RuleBook<V, F>,
  own: Judgement | undefined,
): RuleBook<V, F> => {
  const change = own?.[book.id as BookId];
  return change ? changedBook(book, change) : book;
};
