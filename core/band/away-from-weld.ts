/** The tooth on either side of the weld: ground with it, and no sample of the others. */
export const atWeld = (tooth: number, teeth: number): boolean => tooth === 1 || tooth >= teeth;

/** Readings round a loop with the weld's own place left out. */
export const awayFromWeld = <R extends { readonly place: number }>(readings: readonly R[], teeth: number): R[] =>
  readings.filter((r) => !atWeld(r.place, teeth));
