import type { BandOrdered } from '@odontis/core/work/families/band/inputs';
import type { WorkOrder } from '@odontis/core/work/order';
import type { Speech } from '../../../shared/speech/speech';
import type { Figure } from '../../../shared/ui/figures';

/** Both sides as sampled. */
function sampled({ set }: BandOrdered['inputs'], speech: Speech): string {
  if (!set) return 'not sampled: it is set anew';
  const side = (name: string, one: { readonly count: number; readonly meanMm: number }): string =>
    one.count === 0 ? `${name} not read` : `${name} ${speech.fine(one.meanMm)} of ${one.count}`;
  return `${side('left', set.left)}, ${side('right', set.right)}`;
}

/** What is known and foretold of a band: its count, its windows, its set and its tips. */
export function bandFigures({ inputs, forecast }: BandOrdered, order: WorkOrder, speech: Speech): Figure[] {
  const why = (what: string) => order.reasons.find((one) => one.what === what);
  const { teeth, each, set, kerfMm, jointed } = forecast;
  return [
    {
      name: 'Teeth',
      says: `${teeth}${inputs.counted ? ', counted' : ', reckoned from length and pitch'}, ${speech.plate(inputs.saw.lengthMm / teeth)} apart`,
    },
    { name: 'A window', says: `${each} teeth, jaws of ${speech.long(inputs.jawMm)}` },
    { name: 'Strokes a gullet', says: `${(order.strokes ?? 0) / teeth}, the same all round` },
    { name: 'Set as sampled', says: sampled(inputs, speech) },
    {
      name: 'Set',
      says: set.reset ? `anew to ${speech.fine(set.perSideMm)} a side, one circuit each` : 'left as it is',
      why: why(set.reset ? 'Set the teeth' : 'Leave the set'),
    },
    { name: 'Kerf', says: speech.plate(kerfMm), why: why('Set per side') },
    {
      name: 'Tips',
      says: jointed ? 'jointed lightly' : 'not jointed',
      why: why(jointed ? 'Joint lightly' : 'Leave the tips'),
    },
  ];
}
