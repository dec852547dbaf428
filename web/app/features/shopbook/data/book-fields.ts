import { USUAL_COPIES_KEPT } from '@odontis/contract/copies';
import type { ShopBook } from '@odontis/contract/shop';
import { USUAL_SHOES_MM } from '@odontis/core/line/jointer';
import { tableRakersMm, USUAL_TIP_DEG } from '@odontis/core/raker/raker-target';
import { tableSetMm } from '@odontis/core/set/family-set';
import type { BenchHours } from '@odontis/core/shop/bench-load';
import { USUAL_HOURS } from '@odontis/core/shop/bench-load';
import { parseLength } from '@odontis/core/units/length';
import { USUAL_JAW_MM, USUAL_PULL_BACK_DEG, USUAL_PULL_TOP_DEG } from '@odontis/core/work/habits';
import type { Speech } from '../../../shared/speech/speech';

type Habits = ShopBook['habits'];

/** A figure of the shop book as it is typed: what it changes, or why it is none. */
export interface BookField {
  readonly id: string;
  readonly name: string;
  readonly value: string | number;
  readonly hint?: string;
  /** Whole numbers alone: a tablet shows its figures. */
  readonly whole?: true;
  readonly read: (text: string) => { readonly change: Partial<ShopBook> } | { readonly slip: string };
}

/** "12", "12 %", "12,5"; NaN where it is none, which the book refuses with its own words. */
const numberOf = (text: string): number => Number(text.trim().replace(',', '.').replace(/\s*%$/, '') || NaN);

const habit = ({ habits }: ShopBook, change: Partial<Habits>) => ({ change: { habits: { ...habits, ...change } } });

/** A length as it is read off a rule; empty to forget it. */
function lengthRead(speech: Speech, changed: (mm: number | undefined) => ReturnType<BookField['read']>) {
  return (text: string): ReturnType<BookField['read']> => {
    const read = parseLength(text, speech.unit() === 'thou' ? 'inch' : 'mm');
    if (text.trim() !== '' && !read.ok) return { slip: `"${text}" is no length: type it such as 8 in or 200 mm.` };
    return changed(read.ok ? read.mm : undefined);
  };
}

/** What this shop files to where filers disagree, its jointer and its vise. */
export function filingFields(book: ShopBook, speech: Speech): BookField[] {
  const { habits } = book;
  return [
    {
      ...{ id: 'sb-tip', name: 'Angle of a raker’s tip, degrees', whole: true },
      value: habits.rakerTipDeg ?? USUAL_TIP_DEG,
      read: (text) => habit(book, { rakerTipDeg: numberOf(text) }),
    },
    {
      ...{ id: 'sb-pull-back', name: 'Pull saw’s back, degrees', whole: true },
      value: habits.pullBackDeg ?? USUAL_PULL_BACK_DEG,
      read: (text) => habit(book, { pullBackDeg: numberOf(text) }),
    },
    {
      ...{ id: 'sb-pull-top', name: 'Pull saw’s top bevel, degrees', whole: true },
      value: habits.pullTopDeg ?? USUAL_PULL_TOP_DEG,
      read: (text) => habit(book, { pullTopDeg: numberOf(text) }),
    },
    {
      ...{ id: 'sb-strokes', name: 'Strokes a gullet', whole: true },
      value: habits.strokesPerGullet,
      read: (text) => habit(book, { strokesPerGullet: numberOf(text) }),
    },
    {
      ...{ id: 'sb-share', name: 'Teeth to reach, %' },
      value: habits.shareOnLine * 100,
      read: (text) => habit(book, { shareOnLine: numberOf(text) / 100 }),
    },
    {
      ...{ id: 'sb-even', name: 'Spacing error allowed, % of pitch' },
      value: habits.evennessShare * 100,
      read: (text) => habit(book, { evennessShare: numberOf(text) / 100 }),
    },
    {
      ...{ id: 'sb-chase', name: 'Even spacing may cost, sharpenings' },
      value: habits.chaseSharpenings,
      read: (text) => habit(book, { chaseSharpenings: numberOf(text) }),
    },
    {
      ...{ id: 'sb-shoes', name: 'Your jointer, shoe to shoe', hint: `empty: ${speech.plate(USUAL_SHOES_MM)}` },
      value: habits.jointerShoesMm ? speech.plate(habits.jointerShoesMm) : '',
      read: lengthRead(speech, (jointerShoesMm) => habit(book, { jointerShoesMm })),
    },
    {
      ...{ id: 'sb-jaws', name: 'Your vise’s jaws', hint: `empty: ${speech.long(USUAL_JAW_MM)}` },
      value: habits.jawMm ? speech.long(habits.jawMm) : '',
      read: lengthRead(speech, (jawMm) => habit(book, { jawMm })),
    },
  ];
}

/** The families that are set, as the shop book names their rows. */
const SET_ROWS = [
  ['hand', 'Set a side: hand saws'],
  ['back', 'Set a side: back saws'],
  ['pull', 'Set a side: pull saws'],
  ['crosscut', 'Set a side: crosscut saws'],
  ['band', 'Set a side: bands'],
  ['circular', 'Set a side: blades'],
] as const;
const RAKER_ROWS = [
  ['buck', 'Rakers under: buck and frame saws'],
  ['one-man', 'Rakers under: one-man saws'],
  ['two-man', 'Rakers under: two-man saws'],
] as const;

/** A table's own figure: a fine length, empty for the trade's. */
function fineRead(speech: Speech, changed: (mm: number | undefined) => ReturnType<BookField['read']>) {
  return (text: string): ReturnType<BookField['read']> => {
    const read = parseLength(text, speech.unit());
    if (text.trim() !== '' && !read.ok) return { slip: `"${text}" is no length: type it such as 5 thou or 0.13 mm.` };
    return changed(read.ok ? read.mm : undefined);
  };
}

/** The shop's own tables of set and rakers, for dry wood and ordinary use; where a row is empty the trade's stands. */
export function tableFields(book: ShopBook, speech: Speech): BookField[] {
  const { setMm = {}, rakerMm = {} } = book.habits;
  const changed = (of: object, key: string, mm: number | undefined): object | undefined => {
    const next = Object.fromEntries([
      ...Object.entries(of).filter(([k]) => k !== key),
      ...(mm === undefined ? [] : [[key, mm]]),
    ]);
    return Object.keys(next).length > 0 ? next : undefined;
  };
  return [
    ...SET_ROWS.map(([family, name]): BookField => ({
      ...{ id: `sb-set-${family}`, name, hint: `empty: ${speech.fine(tableSetMm(family))}` },
      value: setMm[family] === undefined ? '' : speech.fine(setMm[family]),
      read: fineRead(speech, (mm) => habit(book, { setMm: changed(setMm, family, mm) })),
    })),
    ...RAKER_ROWS.map(([saw, name]): BookField => ({
      ...{ id: `sb-raker-${saw}`, name, hint: `empty: ${speech.fine(tableRakersMm(saw))}` },
      value: rakerMm[saw] === undefined ? '' : speech.fine(rakerMm[saw]),
      read: fineRead(speech, (mm) => habit(book, { rakerMm: changed(rakerMm, saw, mm) })),
    })),
  ];
}

/** The bench's days as the book has them, or as they are usual. */
export const hoursOf = (book: ShopBook): BenchHours => book.bench ?? USUAL_HOURS;

/** The bench's days with a change, the days in order. */
export function hoursChanged(book: ShopBook, change: Partial<BenchHours>): Partial<ShopBook> {
  const { minutesPerDay, days } = { ...hoursOf(book), ...change };
  return { bench: { minutesPerDay, days: [...days].sort((a, b) => a - b) } };
}

export const hoursField = (book: ShopBook): BookField => ({
  ...{ id: 'sb-bench', name: 'Minutes at the vise a day', whole: true },
  value: hoursOf(book).minutesPerDay,
  read: (text) => ({ change: hoursChanged(book, { minutesPerDay: numberOf(text) }) }),
});

/** A screen's lock; left out it is half an hour. */
const USUAL_LOCK_MINUTES = 30;

export const lockField = ({ lockAfterMinutes = USUAL_LOCK_MINUTES }: ShopBook): BookField => ({
  ...{ id: 'sb-lock', name: 'A screen locks after minutes', hint: 'empty: never', whole: true },
  value: lockAfterMinutes ?? '',
  read: (text) => ({ change: { lockAfterMinutes: text.trim() === '' ? null : numberOf(text) } }),
});

export const copiesField = ({ copiesKept = USUAL_COPIES_KEPT }: ShopBook): BookField => ({
  ...{ id: 'sb-copies', name: 'Copies kept, one a night', hint: 'the newest; older ones go', whole: true },
  value: copiesKept,
  read: (text) => ({ change: { copiesKept: numberOf(text) } }),
});

export const rateFields = ({ rates }: ShopBook): BookField[] => [
  {
    ...{ id: 'sb-wage', name: `Wage an hour, ${rates.currency}`, value: rates.wagePerHour },
    read: (text) => ({ change: { rates: { ...rates, wagePerHour: numberOf(text) } } }),
  },
  {
    ...{ id: 'sb-least', name: 'Least charge', value: rates.leastCharge },
    read: (text) => ({ change: { rates: { ...rates, leastCharge: numberOf(text) } } }),
  },
];
