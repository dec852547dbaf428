/** Points of whole lines by their planes: for tests, an independent look at what the screens say in words. */
import type { Lean, ToothReading } from '../evidence/tooth-reading';
import { leanOf, standingTeeth } from '../evidence/tooth-reading';
import type { GulletPlanes } from './filed-gullet';
import { gulletPlanes, mirrored } from './filed-gullet';
import { toothBetween } from './filed-tooth-solid';
import type { SlopedHold } from '../file/slope-planes';

/** Where one gullet's file lay: the order it was filed in and how it was held. */
export interface GulletFiled {
  readonly standOn: Lean;
  readonly tipTowards: 'along' | 'against' | 'across';
  readonly fleamDeg: number;
  readonly slopeDeg: number;
  readonly rollDeg: number;
  readonly sectionDeg: number;
}

/** The planes such a stroke leaves, its corner at (xMm, 0). From the left along the cut, z runs to +. */
export function planesOf(filed: GulletFiled, xMm: number): GulletPlanes {
  const tip: 1 | -1 = filed.tipTowards === 'against' ? -1 : 1;
  const hold: SlopedHold = { ...filed, tip };
  const planes = gulletPlanes({ hold, xMm, yMm: 0 });
  // tip 1 is the filer on the left, tip -1 the filer on the right: the other side is the mirror image.
  const natural: Lean = tip === 1 ? 'left' : 'right';
  return filed.standOn === natural ? planes : mirrored(planes);
}

export interface PointFault {
  readonly tooth: number;
  readonly leans: Lean;
  /** Where its point really is, from the planes; null: a chisel. */
  readonly point: Lean | null;
}

/**
 * Every tooth must lean to the side its point is on: each tooth's point is
 * taken from the planes of the two gullets beside it, with slope, unequal
 * fleams and all, and teeth leaning the other way are named (geometry section
 * 3). `filed[i]` is gullet i, on the toe side of tooth i; the first tooth's back
 * was filed by nobody known. Chisels agree with any lean. O(n).
 */
export function pointFaults(
  readings: readonly ToothReading[],
  filed: readonly GulletFiled[],
  pitchMm: number,
  plateThicknessMm: number,
): PointFault[] {
  const standing = standingTeeth(readings);
  if (filed.length !== standing.length) throw new RangeError('Every standing tooth needs the filing of its gullet.');
  const found: PointFault[] = [];
  for (let i = 1; i < standing.length; i++) {
    const tooth = standing[i] as ToothReading;
    const after = planesOf(filed[i] as GulletFiled, pitchMm);
    const before = planesOf(filed[i - 1] as GulletFiled, 0);
    const { point } = toothBetween(after, before, plateThicknessMm);
    const leans = leanOf(tooth);
    if (point !== null && point !== leans) found.push({ tooth: tooth.tooth, leans, point });
  }
  return found;
}
