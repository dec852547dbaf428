import type { WorkOrder } from '@odontis/core/work/order';

/** What was done, in a customer's words: on the handover page and in the report. */
export const WORK_SAYS: Record<WorkOrder['work'], string> = {
  sharpen: 'Sharpened as it stood',
  tune: 'Full tune: jointed, shaped, set and sharpened',
  convert: 'Converted: jointed, filed to the other angles, set and sharpened',
  retooth: 'New teeth cut: the old filed away, set out anew, cut, set and sharpened',
  'by-hand': 'Worked by hand',
};

/** The same in a word, for a list of visits. */
export const WORK_DONE: Record<WorkOrder['work'], string> = {
  sharpen: 'sharpened',
  tune: 'tuned',
  convert: 'converted',
  retooth: 'new teeth cut',
  'by-hand': 'worked',
};

/** How long the set lasts, as a customer is told. */
export function setLasts([fewest, most]: readonly [number, number]): string {
  if (most === 0) return 'The set is renewed at the next filing.';
  return `The set lasts about ${fewest === most ? '' : `${fewest} to `}${most} ${most === 1 ? 'filing' : 'filings'}.`;
}
