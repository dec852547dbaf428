import type { Lean, ToothReading } from '../evidence/tooth-reading';
import { leanOf, standingTeeth } from '../evidence/tooth-reading';
import type { FileDirectionSchool } from './direction';
import { gulletDirection } from './direction';
import type { GulletPlanes } from './filed-gullet';
import { gulletPlanes, mirrored } from './filed-gullet';
import { toothBetween } from './filed-tooth-solid';
import type { SlopedHold } from './slope-planes';

/** Which way a saw cuts: a pull saw is computed as the mirror image of a push saw. */
export const CUTS = ['push', 'pull'] as const;
export type Cut = (typeof CUTS)[number];

/** One gullet's filing, said in words that hold for push and pull saws alike. */
export interface GulletOrder {
  /** Named by the tooth whose face it files. */
  readonly gullet: number;
  readonly standOn: Lean;
  /** Along or against the cutting direction; across when square. */
  readonly tipTowards: 'along' | 'against' | 'across';
  /** The same at the bench: the saw's own end the tip points to. */
  readonly tipTowardsEnd: 'toe' | 'heel' | 'across';
  /** The tooth of this gullet that leans away from the filer; null when neither does. */
  readonly awayTooth: number | null;
  /** Which of its flanks the strokes cut into. */
  readonly cuts: 'face' | 'back' | null;
}

/**
 * Every gullet of a line, in either school (trade section 9, geometry section 3):
 * from which side, which way the file points, and whether it cuts the face or
 * the back of the tooth leaning away. O(n).
 */
export function filingOrder(
  readings: readonly ToothReading[],
  fleamDeg: number,
  school: FileDirectionSchool,
  cut: Cut = 'push',
): GulletOrder[] {
  const standing = standingTeeth(readings);
  return standing.map((tooth, i) => {
    const { standOn, tipTowards } = gulletDirection(tooth, fleamDeg, school);
    const next = standing[i + 1];
    const leansAway = (one: ToothReading | undefined): boolean => one !== undefined && leanOf(one) !== standOn;
    const wanted = school === 'face-of-away' ? tooth : next;
    const away = leansAway(wanted) ? wanted : undefined;
    const along = tipTowards === 'toe' ? 'along' : tipTowards === 'heel' ? 'against' : 'across';
    const turned = { toe: 'heel', heel: 'toe', across: 'across' } as const;
    return {
      gullet: tooth.tooth,
      standOn,
      tipTowards: along,
      tipTowardsEnd: cut === 'push' ? tipTowards : turned[tipTowards],
      awayTooth: away?.tooth ?? null,
      cuts: away ? (school === 'face-of-away' ? 'face' : 'back') : null,
    };
  });
}

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
