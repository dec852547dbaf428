import { randomUUID } from 'node:crypto';
import { BELOW_SCORERS_MM } from '@odontis/core/circular/equalise';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import type { Reading } from '@odontis/core/evidence/reading';
import type { SawOf } from '@odontis/core/saw/saw';

/** How a made-up set stands. mm. Demo data only. */
export interface DadoWear {
  readonly outerMm: number;
  readonly chipperMm: number;
}
export const WORN_DADO: DadoWear = { outerMm: 0.1, chipperMm: 0.34 };
export const FILED_DADO: DadoWear = { outerMm: 0.02, chipperMm: 0.05 };

/** What a shop reads of a set: every tooth of every part by dial, one zero for all; after the work also a test groove. */
export function dialledSet(saw: SawOf<'dado'>, wear: DadoWear, random: () => number, groove = false): Reading[] {
  const round = (mm: number): number => Math.round(mm * 1000) / 1000;
  const reading = (part: string, quantity: LengthQuantity, place: number, value: number): Reading => ({
    ...{ key: randomUUID(), quantity, place, value, gauge: quantity === 'groove-step' ? 'caliper' : 'indicator', part },
    ...{ setAside: false, corrects: null, simulated: false },
  });
  return saw.parts.flatMap((part, index) => {
    if (part.kind === 'shim') return [];
    const quantity = part.kind === 'outer' ? ('runout' as const) : ('chipper-height' as const);
    const [under, uneven] = part.kind === 'outer' ? [0, wear.outerMm] : [BELOW_SCORERS_MM - 0.1, wear.chipperMm];
    const own = Array.from({ length: part.teeth }, (_, i) =>
      reading(part.id, quantity, i + 1, round(-under - uneven * (0.5 * random() + 0.25 * (index % 3)))),
    );
    return groove && part.kind === 'chipper'
      ? [...own, reading(part.id, 'groove-step', 1, round(0.06 * random()))]
      : own;
  });
}
