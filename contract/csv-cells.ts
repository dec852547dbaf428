const NUMBER = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i;

/** A line of a file that is not empty, and its number, the heading being line 1. */
export interface CsvLine {
  readonly cells: readonly string[];
  readonly line: number;
}

/** A heading as it is looked for: no byte-order mark, no blanks, small letters. */
export const headingOf = (cell: string): string =>
  cell
    .replace(/^\uFEFF/, '')
    .trim()
    .toLowerCase();

/** A cell's number with a decimal point or comma and any minus sign; NaN for anything else. */
export function numberIn(cell: string): number {
  const plain = cell.trim().replace('−', '-');
  return NUMBER.test(plain) ? Number(plain.replace(',', '.')) : NaN;
}

/** Words that a spreadsheet would run as a formula get an apostrophe; what is nothing but a number is never touched. */
export const safeCell = (text: string): string => (/^[=+@\t\r-]/.test(text) && !NUMBER.test(text) ? `'${text}` : text);

/** The words of a cell as they were before {@link safeCell}. */
export const wordsIn = (cell: string): string => cell.trim().replace(/^'(?=[=+@\t\r-])/, '');
