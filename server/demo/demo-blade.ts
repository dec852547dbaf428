import { randomUUID } from 'node:crypto';
import { BELOW_SCORERS_MM } from '@odontis/core/circular/equalise';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import type { Reading } from '@odontis/core/evidence/reading';
import { sidesOf } from '@odontis/core/evidence/sides';
import type { SawOf } from '@odontis/core/saw/saw';
import { rolesOn, teethOf } from '@odontis/core/saw/saw';

/** How a made-up blade stands. mm. Demo data only. */
export interface BladeWear {
  readonly unevenMm: number;
  readonly bladeMm: number;
  readonly arborMm: number;
  readonly setMm: number;
  /** A tooth broken off, 0 for none. */
  readonly broken: number;
}
export const WORN_BLADE: BladeWear = { unevenMm: 0.18, bladeMm: 0.06, arborMm: 0.09, setMm: 0.12, broken: 0 };
/** As it leaves the vise. */
export const FILED_BLADE: BladeWear = { unevenMm: 0.02, bladeMm: 0.01, arborMm: 0, setMm: 0.21, broken: 0 };

/** What a shop reads of a blade: its rim by dial, again turned half round, set, hook and a few gullets. */
export function dialledBlade(saw: SawOf<'circular'>, wear: BladeWear, random: () => number): Reading[] {
  const teeth = teethOf(saw);
  const roles = rolesOn(saw, teeth);
  const sides = sidesOf(saw);
  const round = (mm: number): number => Math.round(mm * 1000) / 1000;
  const reading = (quantity: LengthQuantity, place: number, value: number): Reading => ({
    ...{ key: randomUUID(), quantity, place, value, gauge: quantity === 'gullet-depth' ? 'caliper' : 'indicator' },
    ...{ part: null, setAside: false, corrects: null, simulated: false },
  });
  const places = Array.from({ length: teeth }, (_, i) => i + 1);
  const own = places.map((tooth) => {
    if (tooth === wear.broken) return -1.3;
    const low = roles?.[tooth - 1] === 'raker' ? BELOW_SCORERS_MM - 0.15 * random() : 0;
    return -wear.unevenMm * random() - low;
  });
  const angle = (tooth: number): number => (2 * Math.PI * (tooth - 1)) / teeth;
  const dial = (tooth: number, turned: number): number =>
    round(
      (own[tooth - 1] ?? 0) +
        wear.bladeMm * Math.cos(angle(tooth) - 1.2) +
        wear.arborMm * Math.cos(angle(tooth) + turned),
    );
  return [
    ...places.map((tooth) => reading('runout', tooth, dial(tooth, 0))),
    ...(wear.arborMm > 0 ? places.map((tooth) => reading('runout-turned', tooth, dial(tooth, Math.PI))) : []),
    ...places
      .filter((tooth) => tooth % 4 < 2 && sides(tooth) !== null && roles?.[tooth - 1] !== 'raker')
      .map((tooth) => reading('set', tooth, round(wear.setMm * (0.9 + 0.2 * random())))),
    reading('face-line', 1, round(0.26 * (saw.diameterMm / 2))),
    ...[3, 11, 19]
      .filter((tooth) => tooth <= teeth)
      .map((tooth) => reading('gullet-depth', tooth, round(0.42 * saw.pitchMm))),
  ];
}
