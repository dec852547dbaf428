import type { Saw } from './saw';

/** What the two ends of a saw are called: `heel` is where its numbering begins. */
export interface Ends {
  readonly heel: string;
  readonly toe: string;
}

const HEEL_AND_TOE: Ends = { heel: 'heel', toe: 'toe' };
/** A handle at either end: neither is the heel, and they are told apart by a mark. */
const TWO_HANDED: Ends = { heel: 'end A', toe: 'end B' };

/** The names of a saw's ends, of the saw or of the kind an order was made for. */
export const endsOf = (saw: Saw): Ends => endsOfKind(saw.family === 'crosscut' ? saw.kind : null);

export const endsOfKind = (kind: string | null | undefined): Ends => (kind === 'two-man' ? TWO_HANDED : HEEL_AND_TOE);

/** An end as it stands in a sentence: "the heel", "end A". */
export const theEnd = (ends: Ends, which: keyof Ends): string =>
  ends[which].startsWith('end ') ? ends[which] : `the ${ends[which]}`;
