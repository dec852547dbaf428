import type { GaugedRow } from '@odontis/contract/gauged-csv';
import { placesOf, quantitiesOf } from '@odontis/core/gauge/quantities';
import type { AnySaw } from '@odontis/core/saw/any-saw';
import type { TracedLine } from '@odontis/core/trace/traced-line';

/** Heights and gullets of a trace as readings by scan, where this saw has such places. */
export function gaugedOfTrace(saw: AnySaw, line: TracedLine): GaugedRow[] {
  return (['height', 'gullet-depth'] as const).flatMap((quantity) => {
    if (!quantitiesOf(saw).includes(quantity)) return [];
    const places = new Set(placesOf(saw, quantity));
    return line.teeth.flatMap((t): GaugedRow[] => {
      const valueMm = quantity === 'height' ? t.yMm : t.gulletMm;
      if (t.kind !== 'tooth' || valueMm === null || !places.has(t.tooth)) return [];
      return [{ quantity, part: null, place: t.tooth, valueMm, gauge: 'scan' }];
    });
  });
}
