import { anglesOf, usualSection } from '../../angles/angles-of';
import type { Estimate } from '../../evidence/estimate';
import { isAngle } from '../../evidence/reading';
import type { Evidence } from '../../evidence/session';
import type { AnglePair } from '../../file/angle-pair';
import type { Saw } from '../../saw/saw';

/** The saw's own angles as they were read before the work; the pair is what an order can match, to half a degree. */
export interface MeasuredAngles {
  readonly rakeDeg: Estimate;
  /** Null where neither a reading nor the side view tells it. */
  readonly fleamDeg: Estimate | null;
  readonly match: AnglePair | null;
  /** The back as it was read, to half a degree; null where it was not. */
  readonly backDeg: number | null;
}

const half = (deg: number): number => Math.round(deg * 2) / 2 || 0;

/** Null where no face was read. Later sessions count beside earlier ones: they measured the same saw. */
export function measuredAngles(saw: Saw, sessions: Evidence, part: string | null = null): MeasuredAngles | null {
  const readings = sessions
    .filter((s) => s.kind === 'before')
    .flatMap((s) => s.readings.filter(isAngle))
    .filter((r) => r.part === part);
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
    backDeg: all.backDeg && half(all.backDeg.value),
    match: fleamDeg && { rakeDeg: half(all.rakeDeg.value), fleamDeg: half(fleamDeg.value) },
  };
}

/** The pair it came with, where both were read. */
export const angleOfEvidence = (saw: Saw, sessions: Evidence): AnglePair | null =>
  measuredAngles(saw, sessions)?.match ?? null;
