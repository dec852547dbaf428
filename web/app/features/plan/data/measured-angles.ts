import type { Dossier } from '@odontis/contract/dossier';
import { anglesSay, usualSection } from '@odontis/core/angles/angles-say';
import type { Estimate } from '@odontis/core/saw/estimate';

/** The saw's own angles as they were read before the work; the pair is what a plan can match, to half a degree. */
export interface MeasuredAngles {
  readonly rakeDeg: Estimate;
  /** Null where neither a reading nor the side view tells it. */
  readonly fleamDeg: Estimate | null;
  readonly match: { readonly rakeDeg: number; readonly fleamDeg: number } | null;
}

const half = (deg: number): number => Math.round(deg * 2) / 2 || 0;

/** Null where no face was read. Later sessions count beside earlier ones: they measured the same saw. */
export function measuredAngles({ saw, gaugings }: Dossier): MeasuredAngles | null {
  const readings = gaugings.filter((g) => g.kind === 'before').flatMap((g) => g.angles);
  const { all, silhouette } = anglesSay(saw, readings, usualSection(saw));
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
