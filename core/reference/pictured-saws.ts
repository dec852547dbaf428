/** Saws of the demo that were measured from pictures, as they truly are; what was read of their pictures lies in server/demo/pictures. Invented. */
import type { BladeWish, TrueRimTooth } from './made-blade-photograph';
import { madeRim } from './made-blade-photograph';
import type { TrueTooth } from './made-line';
import { madeLine, randomFrom } from './made-line';

/** A carcase saw of thirteen points, filed askew, on the scanner. */
export const SCANNED = { pitchMm: 25.4 / 13, lengthMm: 275, plateMm: 0.6, fleamDeg: 18, dpi: 600 } as const;
export const scannedLine = (): TrueTooth[] =>
  madeLine({
    teeth: Math.round(SCANNED.lengthMm / SCANNED.pitchMm) + 1,
    pitchMm: SCANNED.pitchMm,
    rakeDeg: -13,
    unevenMm: 0.05,
    unequalMm: 0.04,
    unlikeDeg: 1.2,
    roundMm: 0.02,
    breastMm: -0.12,
    seed: 1070,
  });

/** A rip saw of four and a half points on its strips, and photographed along its points. */
export const PHOTOGRAPHED = { pitchMm: 25.4 / 3.5, lengthMm: 670, plateMm: 0.95 } as const;
export const photographedLine = (): TrueTooth[] =>
  madeLine({
    teeth: Math.round(PHOTOGRAPHED.lengthMm / PHOTOGRAPHED.pitchMm) + 1,
    pitchMm: PHOTOGRAPHED.pitchMm,
    rakeDeg: -6,
    unevenMm: 0.12,
    unequalMm: 0.1,
    unlikeDeg: 1.5,
    roundMm: 0.03,
    breastMm: -0.2,
    seed: 1067,
  });
/** Its sets, left positive; the right side stands out a little more. mm. */
export function photographedSets(): number[] {
  const random = randomFrom(41);
  return photographedLine().map((_, i) => (i % 2 === 0 ? 0.27 : -0.31) + 0.05 * (2 * random() - 1));
}

/** A combination blade among its round strips: every fifth tooth a raker, which stands lower. */
export const BLADE = { diameterMm: 250, boreMm: 30, teeth: 50, plateMm: 2.2, rakersLowMm: 0.45 } as const;
export const BLADE_WISH: BladeWish = {
  ...BLADE,
  rakeDeg: 14,
  backDeg: 74,
  gulletMm: 7,
  unequalMm: 0.07,
  unevenMm: 0.15,
  unlikeDeg: 1.5,
  eccentricMm: 0.09,
  seed: 1089,
};
export const bladeRim = (): TrueRimTooth[] =>
  madeRim(BLADE_WISH).map((tooth, i) =>
    i % 5 === 4 ? { ...tooth, radiusMm: tooth.radiusMm - BLADE.rakersLowMm } : tooth,
  );
