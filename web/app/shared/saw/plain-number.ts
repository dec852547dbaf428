/** A plain number of a field, a decimal comma read as one; NaN where it is none. */
export const plain = (text: string | undefined): number => Number((text ?? '').replace(',', '.').trim() || NaN);
