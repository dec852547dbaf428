import type { Dossier } from '@odontis/contract/dossier';
import { anglesOf, usualSection } from '@odontis/core/angles/angles-of';
import { isAngle } from '@odontis/core/evidence/reading';
import type { Estimate } from '@odontis/core/evidence/estimate';

/** The saw's own angles as they were read before the work; the pair is what a plan can match, to half a degree. */
export interface MeasuredAngles {
  readonly rakeDeg: Estimate;
  /** Null where neither a reading nor the side view tells it. */
  readonly fleamDeg: Estimate | null;
  readonly match: { readonly rakeDeg: number; readonly fleamDeg: number } | null;
}

const half = (deg: number): number => Math.round(deg * 2) / 2 || 0;

/** Null where no face was read. Later sessions count beside earlier ones: they measured the same saw. */
export function measuredAngles({ saw, sessions }: Dossier): MeasuredAngles | null {
  const readings = sessions.filter((s) => s.kind === 'before').flatMap((s) => s.readings.filter(isAngle));
  const { all, silhouette } = anglesOf(saw, readings, usualSection(saw));
  if (!all.rakeDeg) return null;
  const seen =
    silhouette && !silhouette.otherFile
      ? { value: silhouette.fleamDeg, error: (silhouette.toDeg - silhouette.fromDeg) / 4 }
      : null;
  const fleamDeg = all.fleamDeg ?? seen;
  return {
    rakeDeg: all.rakeDeg,
    fleamDeg,
    match: fleamDeg && { rakeDeg: half(all.rakeDeg.value), fleamDeg: half(fleamDeg.value) },
  };
}
