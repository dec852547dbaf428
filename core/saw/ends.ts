import type { Saw } from './saw';

/** What the two ends of a saw are called: `heel` is where its numbering begins. */
export interface Ends {
  readonly heel: string;
  readonly toe: string;
}

const HEEL_AND_TOE: Ends = { heel: 'heel', toe: 'toe' };
/** A handle at either end: neither is the heel, and they are told apart by a mark. */
const TWO_HANDED: Ends = { heel: 'end A', toe: 'end B' };

const FROM_THE_HANDLE: Ends = { heel: 'handle', toe: 'toe' };

/** The names of a saw's ends, of the saw or of the kind an order was made for. */
export const endsOf = (saw: Saw): Ends =>
  endsOfKind(saw.family === 'crosscut' ? saw.kind : saw.family === 'pull' ? 'pull' : null);

/** By the kind of long saw, or `pull`: a pull saw is spoken of from its handle. */
export const endsOfKind = (kind: string | null | undefined): Ends =>
  kind === 'two-man' ? TWO_HANDED : kind === 'pull' ? FROM_THE_HANDLE : HEEL_AND_TOE;

/** An end as it stands in a sentence: "the heel", "end A". */
export const theEnd = (ends: Ends, which: keyof Ends): string =>
  ends[which].startsWith('end ') ? ends[which] : `the ${ends[which]}`;
