import type { LengthRow } from '@odontis/contract/csv-held';
import { placesOf, quantitiesOf } from '@odontis/core/evidence/quantities';
import type { Saw } from '@odontis/core/saw/saw';
import type { TracedLine, TracedTooth } from '@odontis/core/trace/traced-line';

/** Places, heights, gullets and rakers' depths of a trace as readings by scan or photograph, where this saw has such places. */
export function lengthsOfTrace(
  saw: Saw,
  line: TracedLine,
  part: string | null = null,
  gauge: 'scan' | 'photograph' = 'scan',
): LengthRow[] {
  return (['height', 'place', 'raker-depth', 'gullet-depth'] as const).flatMap((quantity) => {
    if (!quantitiesOf(saw).includes(quantity)) return [];
    const places = new Set(placesOf(saw, quantity, part));
    return line.teeth.flatMap((t): LengthRow[] => {
      const valueMm = valueOf(t, quantity);
      if (t.kind !== 'tooth' || valueMm === null || !places.has(t.tooth)) return [];
      return [{ quantity, part, place: t.tooth, valueMm, gauge }];
    });
  });
}

function valueOf(t: TracedTooth, quantity: 'height' | 'place' | 'raker-depth' | 'gullet-depth'): number | null {
  if (quantity === 'place') return t.xMm;
  if (quantity === 'height') return t.raker ? null : t.yMm;
  return quantity === 'gullet-depth' ? t.gulletMm : (t.raker?.depthMm ?? null);
}
