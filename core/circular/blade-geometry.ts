import { atanDeg, degrees } from '../units/radians';

/** Pitch along the rim of an even blade: pi D / n. mm. Example: 250 mm, 40 teeth -> 19.63. */
export function rimPitchMm(diameterMm: number, teeth: number): number {
  if (!(diameterMm > 0 && teeth > 0)) throw new RangeError('A blade has a diameter and teeth.');
  return (Math.PI * diameterMm) / teeth;
}

/**
 * Hook of a tooth's face: the angle between the face and the radius to the tip.
 * A face whose line passes the centre at distance e has sin(hook) = e / R;
 * positive leans into the cut. Degrees from mm. Example: e 43.4, R 125 -> 20.3.
 */
export function hookDeg(faceLineFromCentreMm: number, radiusMm: number): number {
  if (!(radiusMm > 0) || Math.abs(faceLineFromCentreMm) >= radiusMm)
    throw new RangeError('The face’s line must pass inside the rim.');
  return degrees(Math.asin(faceLineFromCentreMm / radiusMm));
}

/** Top bevel of a scorer from the fall of its point over the plate: atan(fall / thickness). Degrees. */
export function bevelDeg(fallMm: number, plateThicknessMm: number): number {
  if (!(plateThicknessMm > 0)) throw new RangeError('A plate has a thickness.');
  return atanDeg(fallMm / plateThicknessMm);
}

export type RimSpeed =
  | { readonly ok: true; readonly metresPerSecond: number; readonly limitRpm: number }
  | { readonly ok: false; readonly code: 'no-marking'; readonly metresPerSecond: number }
  | { readonly ok: false; readonly code: 'over-marking'; readonly metresPerSecond: number; readonly limitRpm: number };

/**
 * Rim speed pi D n / 60, D in m, n per minute, and whether the maker's marked
 * limit allows it. No marking, no answer: none is guessed (geometry section 8).
 * Example: 250 mm at 4,000 a minute -> 52.4 m/s.
 */
export function rimSpeed(diameterMm: number, turnsPerMinute: number, markedLimitRpm: number | null): RimSpeed {
  if (!(diameterMm > 0 && turnsPerMinute >= 0)) throw new RangeError('A blade has a diameter and a speed.');
  const metresPerSecond = (Math.PI * (diameterMm / 1000) * turnsPerMinute) / 60;
  if (markedLimitRpm === null) return { ok: false, code: 'no-marking', metresPerSecond };
  if (turnsPerMinute > markedLimitRpm)
    return { ok: false, code: 'over-marking', metresPerSecond, limitRpm: markedLimitRpm };
  return { ok: true, metresPerSecond, limitRpm: markedLimitRpm };
}

/** Shown wherever a powered blade is worked or judged. */
export const POWERED_BLADE_CAUTION =
  'Unplug before mounting; never above the marked speed; no cracked, bent or overheated blade goes back. Local rules and a licensed saw doctor come first.';
