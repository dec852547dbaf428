import type { WorkOrder } from '@odontis/core/work/order';

/** What was done, in a customer's words: on the handover page and in the report. */
export const WORK_SAYS: Record<WorkOrder['work'], string> = {
  sharpen: 'Sharpened as it stood',
  tune: 'Full tune: jointed, shaped, set and sharpened',
  convert: 'Converted: jointed, filed to the other angles, set and sharpened',
  retooth: 'New teeth cut: the old filed away, set out anew, cut, set and sharpened',
  'by-hand': 'Worked by hand',
  'top-bevels': 'Top bevels filed on every tooth; the gullets left for another time',
};

/** The same, in the words of the saw it was done to. */
export function workSays({ work, inputs, round }: Pick<WorkOrder, 'work' | 'inputs' | 'round'>): string {
  if (round) {
    if (round.family === 'dado')
      return 'Outer blades jointed round and filed, every chipper brought to one height under them';
    if (round.family === 'circular') {
      if (round.inputs.saw.tipped === 'carbide') return 'Sent to the grinder and looked over when it came home';
      const { jointMm, set, rakers } = round.forecast;
      return `${jointMm > 0 ? 'Jointed round, every' : 'Every'} tooth filed on face and back${set.reset ? ', the set renewed' : ''}${rakers > 0 ? ', rakers brought under the scorers' : ''}`;
    }
    const { set, jointed } = round.forecast;
    return `${jointed ? 'Jointed lightly, every' : 'Every'} gullet filed alike all round${set.reset ? ', the set renewed on both sides' : ''}`;
  }
  if (inputs?.cutters && work === 'tune') return 'Full tune: jointed, rakers fitted, cutters pointed and set';
  if (inputs?.cutters && work === 'sharpen') return 'Cutters pointed and rakers fitted as it stood';
  if (inputs?.pull && work === 'sharpen') return 'All three edges filed on every tooth';
  return WORK_SAYS[work];
}

/** The same in a word, for a list of visits. */
export const WORK_DONE: Record<WorkOrder['work'], string> = {
  sharpen: 'sharpened',
  tune: 'tuned',
  convert: 'converted',
  retooth: 'new teeth cut',
  'by-hand': 'worked',
  'top-bevels': 'top bevels filed',
};

/** How long the set lasts, as a customer is told. */
export function setLasts([fewest, most]: readonly [number, number]): string {
  if (most === 0) return 'The set is renewed at the next filing.';
  return `The set lasts about ${fewest === most ? '' : `${fewest} to `}${most} ${most === 1 ? 'filing' : 'filings'}.`;
}
