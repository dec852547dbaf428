import type { LengthRow } from './csv-held';
import { placesOf, quantitiesOf } from '@odontis/core/evidence/quantities';
import type { LeanReading } from '@odontis/core/evidence/reading';
import type { ToothSet } from '@odontis/core/photograph/edge-readings';
import type { Saw } from '@odontis/core/saw/saw';

/** Sets and leans seen along the points as readings by photograph, at the teeth that have one. */
export function setsAsReadings(
  saw: Saw,
  sets: readonly ToothSet[],
  part: string | null,
  mint: () => string,
): { readonly rows: LengthRow[]; readonly leans: LeanReading[] } {
  const places = new Set(quantitiesOf(saw).includes('set') ? placesOf(saw, 'set', part) : []);
  // A measured line may have more teeth than its pitch and length foretold.
  const has = (tooth: number): boolean =>
    places.has(tooth) || (tooth > Math.max(...places) && saw.family !== 'crosscut');
  const own = sets.filter((s) => places.size > 0 && has(s.tooth));
  return {
    rows: own.map(({ tooth, setMm }) => ({
      quantity: 'set',
      part,
      place: tooth,
      valueMm: Math.round(Math.max(0, setMm) * 1000) / 1000,
      gauge: 'photograph',
    })),
    leans: own.flatMap(({ tooth, lean }): LeanReading[] =>
      lean === null
        ? []
        : [
            {
              key: mint(),
              quantity: 'lean',
              part,
              place: tooth,
              value: lean,
              gauge: 'photograph',
              setAside: false,
              corrects: null,
              simulated: false,
            },
          ],
    ),
  };
}
