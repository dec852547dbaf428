import type { LengthRow } from './csv-held';
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
  const firstMm = line.teeth[0]?.kind === 'tooth' ? line.teeth[0].yMm : 0;
  return (['height', 'place', 'raker-depth', 'gullet-depth', 'runout', 'face-line'] as const).flatMap((quantity) => {
    if (!quantitiesOf(saw).includes(quantity)) return [];
    const places = new Set(placesOf(saw, quantity, part));
    return line.teeth.flatMap((t): LengthRow[] => {
      const valueMm =
        quantity === 'runout' || quantity === 'face-line'
          ? ofRim(t, quantity, line.rim, firstMm)
          : valueOf(t, quantity);
      if (t.kind !== 'tooth' || valueMm === null || !places.has(t.tooth)) return [];
      return [{ quantity, part, place: t.tooth, valueMm, gauge }];
    });
  });
}

/** A tooth of a round blade as a dial against tooth 1 would read it, and how far from the middle its face's line passes. */
export function ofRim(
  t: TracedTooth,
  quantity: 'runout' | 'face-line',
  rim: TracedLine['rim'],
  firstMm: number,
): number | null {
  if (!rim) return null;
  // About its own middle a rim runs true: only the bore says how it runs on the arbor.
  if (quantity === 'runout') return rim.about === 'bore' ? t.yMm - firstMm : null;
  if (t.rakeDeg === null || (t.errors.rakeDeg ?? Infinity) > MOST_FACE_ERROR_DEG) return null;
  return (rim.meanRadiusMm + t.yMm) * Math.sin((t.rakeDeg * Math.PI) / 180);
}
const MOST_FACE_ERROR_DEG = 1;

function valueOf(t: TracedTooth, quantity: 'height' | 'place' | 'raker-depth' | 'gullet-depth'): number | null {
  if (quantity === 'place') return t.xMm;
  if (quantity === 'height') return t.raker ? null : t.yMm;
  return quantity === 'gullet-depth' ? t.gulletMm : (t.raker?.depthMm ?? null);
}
