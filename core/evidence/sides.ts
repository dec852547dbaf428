import { bandPattern, bandTeeth } from '../saw/band-teeth';
import type { Saw } from '../saw/saw';
import { rolesOn, teethOf } from '../saw/saw';
import type { ToothRole } from '../saw/tooth-pattern';
import type { Lean } from './tooth-reading';
import { alternateLean } from './tooth-reading';

/** The side each tooth leans to where nobody looked; null of one that stands straight. */
export type Sides = (tooth: number) => Lean | null;

/** Teeth lean by turns; where rakers stand between them, cutters by turns among themselves (trade section 1); a band's by its own pattern. */
export function sidesOf(saw: Saw): Sides {
  if (saw.family === 'band') {
    const { leans } = bandPattern(bandTeeth(saw.toothLineMm, saw.pitchMm), saw.set);
    return (tooth) => {
      const lean = leans[tooth - 1];
      return lean === 'left' || lean === 'right' ? lean : null;
    };
  }
  const roles = saw.family === 'crosscut' ? rolesOn(saw, teethOf(saw)) : null;
  if (!roles || saw.family !== 'crosscut' || !roles.includes('raker')) return alternateLean;
  const known = cutterLeans(roles);
  // A line may turn out longer than was told: its pattern goes on.
  return (tooth) =>
    tooth <= known.length ? (known[tooth - 1] ?? null) : (cutterLeans(rolesOn(saw, tooth) ?? [])[tooth - 1] ?? null);
}

/** Leans of a line of cutters and rakers, cutters by turns. O(n). */
export function cutterLeans(roles: readonly ToothRole[]): (Lean | null)[] {
  let cutters = 0;
  return roles.map((role) => (role === 'raker' ? null : alternateLean(++cutters)));
}
