import type { FiledTooth } from '../file/flank-angles';
import { toothHeightMm } from '../file/flank-angles';

/** What cutting another pitch into a saw costs. */
export interface Retoothing {
  /** How far the line comes down before the new teeth stand in full metal, mm. */
  readonly lossMm: number;
  /** Where the first new tip stands after the first old one, mm along the line. */
  readonly phaseMm: number;
  readonly newHeightMm: number;
  /** How much further the new gullets reach into the plate than the old, mm. */
  readonly gulletsDeeperMm: number;
  readonly newTeeth: number;
}

/** Phases tried; the best is then known to a hundredth of the old pitch. */
const PHASES = 101;

/**
 * Highest a new tip can stand at place x among old teeth of tips at k p, gullets
 * h deep: under old tooth k its wedge must keep clear of the two gullets beside
 * it down to their bottoms, so four straight limits; else below all gullets.
 *
 *     at the tip:     x <= k p - L tan A        x >= k p + L tan B
 *     at the bottom:  x + (L + h) tan A' <= k p + h tan A
 *                     x - (L + h) tan B' >= k p - h tan B
 *
 * mm, 0 at the old tips. O(1): only the two old teeth beside x can hold it.
 */
export function highestTipMm(xMm: number, old: FiledTooth, oldPitchMm: number, wanted: FiledTooth): number {
  const h = toothHeightMm(oldPitchMm, old);
  let best = -h;
  const nearest = Math.floor(xMm / oldPitchMm);
  for (const k of [nearest, nearest + 1]) {
    const off = xMm - k * oldPitchMm;
    let [low, high] = [-h, 0];
    // (L - base) tan <= room: from above for a flank leaning outwards, from below for a hooked one.
    const bound = (room: number, tan: number, base: number): void => {
      if (tan > 1e-12) high = Math.min(high, base + room / tan);
      else if (tan < -1e-12) low = Math.max(low, base + room / tan);
      else if (room < -1e-12) high = -Infinity;
    };
    bound(-off, old.tanFace, 0);
    bound(off, old.tanBack, 0);
    bound(h * old.tanFace - off, wanted.tanFace, -h);
    bound(h * old.tanBack + off, wanted.tanBack, -h);
    if (high >= low) best = Math.max(best, high);
  }
  return best;
}

/**
 * Another pitch, the line lowered no further than the new teeth need: the phase
 * of the new teeth against the old is searched over one old pitch. A pitch a
 * whole number of times as coarse keeps every so-manieth tooth and loses
 * nothing; most others lose the whole old tooth. Throws RangeError on a pitch
 * not above zero or more than the line. mm. O(phases x teeth).
 */
export function retooth(
  old: FiledTooth,
  oldPitchMm: number,
  wanted: FiledTooth,
  newPitchMm: number,
  lineMm: number,
): Retoothing {
  if (!(newPitchMm > 0 && newPitchMm < lineMm)) throw new RangeError('The new pitch must fit the tooth line.');
  const newTeeth = Math.floor(lineMm / newPitchMm + 1e-9) + 1;
  // Places repeat once every pitch of the coarser kind has met every place of the other: a line's length covers it.
  let best = { lossMm: Infinity, phaseMm: 0 };
  for (let p = 0; p < PHASES; p++) {
    const phaseMm = (oldPitchMm * p) / (PHASES - 1);
    let lowest = 0;
    for (let j = 0; j < newTeeth && -lowest < best.lossMm; j++)
      lowest = Math.min(lowest, highestTipMm(phaseMm + j * newPitchMm, old, oldPitchMm, wanted));
    if (-lowest < best.lossMm - 1e-12) best = { lossMm: 0 - lowest, phaseMm };
  }
  const newHeightMm = toothHeightMm(newPitchMm, wanted);
  return {
    lossMm: best.lossMm,
    phaseMm: best.phaseMm,
    newHeightMm,
    gulletsDeeperMm: best.lossMm + newHeightMm - toothHeightMm(oldPitchMm, old),
    newTeeth,
  };
}
