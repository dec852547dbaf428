/** A name that a spreadsheet would run as a formula gets an apostrophe; numbers are never touched. */
export const safeCell = (text: string): string => (/^[=+@\t-]/.test(text) ? `'${text}` : text);
