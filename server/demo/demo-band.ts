import { randomUUID } from 'node:crypto';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import type { Reading } from '@odontis/core/evidence/reading';
import { sampleOrder } from '@odontis/core/evidence/sample-plan';
import { sidesOf } from '@odontis/core/evidence/sides';
import type { SawOf } from '@odontis/core/saw/saw';
import { teethOf } from '@odontis/core/saw/saw';

/** How a made-up band stands. mm. Demo data only. */
export interface BandWear {
  readonly setMm: number;
  readonly unevenMm: number;
}
export const WORN_BAND: BandWear = { setMm: 0.11, unevenMm: 0.05 };

const SETS = 24;
const HEIGHTS = 12;

/** What a shop samples of a band: set and heights spread all round, the weld left out, and a few gullets. */
export function sampledBand(saw: SawOf<'band'>, wear: BandWear, random: () => number): Reading[] {
  const teeth = teethOf(saw);
  const sides = sidesOf(saw);
  const round = (mm: number): number => Math.round(mm * 1000) / 1000;
  const reading = (quantity: LengthQuantity, place: number, value: number): Reading => ({
    ...{ key: randomUUID(), quantity, place, value, gauge: quantity === 'gullet-depth' ? 'caliper' : 'indicator' },
    ...{ part: null, setAside: false, corrects: null, simulated: false },
  });
  const places = sampleOrder(Array.from({ length: teeth - 2 }, (_, i) => i + 2));
  const leaning = places.filter((tooth) => sides(tooth) !== null);
  return [
    ...leaning.slice(0, SETS).map((tooth) => reading('set', tooth, round(wear.setMm * (0.85 + 0.3 * random())))),
    ...places.slice(0, HEIGHTS).map((tooth) => reading('height', tooth, -round(wear.unevenMm * random()))),
    ...places.slice(0, 4).map((tooth) => reading('gullet-depth', tooth, round(saw.pitchMm * (0.42 + 0.02 * random())))),
  ];
}
