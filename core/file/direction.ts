import type { Lean, ToothReading } from '../evidence/tooth-reading';
import { leanOf, standingTeeth } from '../evidence/tooth-reading';
import { tanDeg } from '../units/radians';

/**
 * The two schools of crosscut file direction (trade section 9):
 * `face-of-away`: into the face of the tooth leaning away, tip towards the toe;
 * `back-of-away`: into the back of the tooth leaning away, tip towards the handle.
 */
export const FILE_DIRECTION_SCHOOLS = ['face-of-away', 'back-of-away'] as const;
export type FileDirectionSchool = (typeof FILE_DIRECTION_SCHOOLS)[number];

export interface GulletDirection {
  /** The gullet on the toe side of this tooth. */
  readonly gullet: number;
  /** Where the filer stands, seen from the handle looking to the toe. */
  readonly standOn: Lean;
  /** Where the file's tip points; `across` when fleam is 0. */
  readonly tipTowards: 'toe' | 'heel' | 'across';
}

/** Signed dx/dz of the file's axis: + tan f where the tooth before the gullet leans right. */
export const axisTurn = (lean: Lean, fleamDeg: number): number => (lean === 'right' ? 1 : -1) * tanDeg(fleamDeg);

/**
 * From which side a gullet is filed and which way the file points (geometry
 * section 3). Slope 0: the tooth's shape is the same either way, the shop's
 * school decides.
 */
export function gulletDirection(tooth: ToothReading, fleamDeg: number, school: FileDirectionSchool): GulletDirection {
  const lean = leanOf(tooth);
  const other: Lean = lean === 'right' ? 'left' : 'right';
  const standOn = school === 'face-of-away' ? other : lean;
  const tipTowards = fleamDeg === 0 ? 'across' : school === 'face-of-away' ? 'toe' : 'heel';
  return { gullet: tooth.tooth, standOn, tipTowards };
}

/**
 * The side a fleamed tooth's point is on: right where m_i > m_(i-1) (geometry
 * section 3), null where the two gullets were filed alike (a chisel).
 */
export function pointSide(turnAfter: number, turnBefore: number): Lean | null {
  if (turnAfter === turnBefore) return null;
  return turnAfter > turnBefore ? 'right' : 'left';
}

export interface LeanDisagreement {
  readonly tooth: number;
  readonly leans: Lean;
  readonly point: Lean | null;
}

/**
 * Every tooth must lean to the side its point is on. With gullets filed by the
 * lean of their own tooth, two neighbours leaning alike leave a chisel or a
 * point on the wrong side: those teeth are named. Rip teeth (fleam 0) only
 * need alternation. The heel-most tooth takes its back from nobody's lean and is
 * assumed to alternate.
 */
export function leanDisagreements(readings: readonly ToothReading[], fleamDeg: number): LeanDisagreement[] {
  const standing = standingTeeth(readings);
  const found: LeanDisagreement[] = [];
  for (let i = 1; i < standing.length; i++) {
    const tooth = standing[i] as ToothReading;
    const before = standing[i - 1] as ToothReading;
    if (tooth.tooth - before.tooth !== 1) continue;
    const leans = leanOf(tooth);
    if (fleamDeg === 0) {
      if (leans === leanOf(before)) found.push({ tooth: tooth.tooth, leans, point: null });
      continue;
    }
    const point = pointSide(axisTurn(leans, fleamDeg), axisTurn(leanOf(before), fleamDeg));
    if (point !== leans) found.push({ tooth: tooth.tooth, leans, point });
  }
  return found;
}
