import type { Lean } from '../evidence/tooth-reading';
import type { Piece } from './envelope';
import { upperEnvelope, withoutCovered } from './envelope';

/** One tooth seen along the saw. mm. */
export interface ToothSection {
  readonly tooth: number;
  /** Tip over the joint line. */
  readonly heightMm: number;
  /** The side its point is on; null of one filed straight across, such as a raker. */
  readonly lean: Lean | null;
  /** Set per side, to the side it leans. */
  readonly setMm: number;
  /** Fall of its ridge from the point to the other side: 0 for a chisel. */
  readonly dropMm: number;
}

export interface KerfSection {
  /** Outline of the kerf in the wood, (z, y), y down into it: left wall, floor, right wall. mm. */
  readonly polygon: readonly (readonly [number, number])[];
  readonly floor: readonly Piece[];
  readonly leftMm: number;
  readonly rightMm: number;
  readonly widthMm: number;
  /** Ridge left standing between the two deepest lines of the floor. mm. */
  readonly ridgeMm: number;
}

/**
 * A tooth's cutting edge in the plane across the saw: its point stands out by
 * the set on the side it leans to, its other corner `dropMm` lower, moved over by the
 * set of that height: bent as at a hinge over the length `bentMm` below the tip.
 */
export function cuttingEdge(tooth: ToothSection, plateThicknessMm: number, bentMm: number): Piece {
  const half = plateThicknessMm / 2;
  if (tooth.lean === null) return { z0: -half, y0: tooth.heightMm, z1: half, y1: tooth.heightMm };
  const side = tooth.lean === 'right' ? 1 : -1;
  const low = tooth.setMm * Math.max(0, 1 - tooth.dropMm / bentMm);
  const point = { z: side * (half + tooth.setMm), y: tooth.heightMm };
  const other = { z: side * (low - half), y: tooth.heightMm - tooth.dropMm };
  const [left, right] = side > 0 ? [other, point] : [point, other];
  return { z0: left.z, y0: left.y, z1: right.z, y1: right.y };
}

/** How deep the outline is drawn above the floor's lowest place, in kerf widths. */
const WALL_WIDTHS = 1.5;

/**
 * The kerf in section: the union of all teeth seen along the saw, each bent by
 * its own set (geometry section 10). Floor: the upper envelope of their edges;
 * walls: where the furthest tooth of either side reaches, since every tooth
 * passes every place as the saw goes down. mm. O(n log n). Throws RangeError on no teeth.
 */
export function kerfSection(teeth: readonly ToothSection[], plateThicknessMm: number, bentMm: number): KerfSection {
  if (teeth.length === 0) throw new RangeError('No teeth, no kerf.');
  if (!(plateThicknessMm > 0 && bentMm > 0)) throw new RangeError('Plate and bent length must be above zero.');
  const floor = upperEnvelope(withoutCovered(teeth.map((tooth) => cuttingEdge(tooth, plateThicknessMm, bentMm))));
  const first = floor[0] as Piece;
  const last = floor[floor.length - 1] as Piece;
  const widthMm = last.z1 - first.z0;
  // y of a tooth is up out of the plate, which is down into the wood.
  const bottom = floor.flatMap((p): [number, number][] => [
    [p.z0, p.y0],
    [p.z1, p.y1],
  ]);
  const least = bottom.reduce((m, [, y]) => Math.min(m, y), Infinity);
  const top = least - WALL_WIDTHS * widthMm;
  const polygon = [[first.z0, top] as const, ...bottom, [last.z1, top] as const].filter(
    (p, i, all) =>
      i === 0 || p[0] !== (all[i - 1] as readonly number[])[0] || p[1] !== (all[i - 1] as readonly number[])[1],
  );
  return { polygon, floor, leftMm: -first.z0, rightMm: last.z1, widthMm, ridgeMm: ridgeOf(bottom) };
}

/** Deepest place left of the middle and right of it; the ridge is how far the floor rises between them. */
function ridgeOf(bottom: readonly (readonly [number, number])[]): number {
  let left = -1;
  let right = -1;
  bottom.forEach(([z, y], i) => {
    if (z <= 0 && (left < 0 || y > (bottom[left] as readonly [number, number])[1])) left = i;
    if (z >= 0 && (right < 0 || y >= (bottom[right] as readonly [number, number])[1])) right = i;
  });
  if (left < 0 || right < 0 || left >= right) return 0;
  const between = bottom.slice(left, right + 1).reduce((m, [, y]) => Math.min(m, y), Infinity);
  const shallower = Math.min(
    (bottom[left] as readonly number[])[1] as number,
    (bottom[right] as readonly number[])[1] as number,
  );
  return Math.max(0, shallower - between);
}

/** Which teeth make a kerf: the furthest out on either side, and the one that reaches deepest; null where they are all alike. */
export interface KerfMakers {
  readonly left: number | null;
  readonly right: number | null;
  readonly deepest: number | null;
}

/** Teeth nearer to one another than this are alike, mm. */
const ALIKE_MM = 1e-4;

/** The tooth that stands out by itself in what is measured of each; null where another does as much. O(n). */
function outstanding(teeth: readonly ToothSection[], of: (tooth: ToothSection) => number): number | null {
  let [best, next] = [-Infinity, -Infinity];
  let tooth: number | null = null;
  for (const one of teeth) {
    const mm = of(one);
    if (mm > best) [next, best, tooth] = [best, mm, one.tooth];
    else if (mm > next) next = mm;
  }
  return best - next > ALIKE_MM ? tooth : null;
}

export const kerfMakers = (teeth: readonly ToothSection[]): KerfMakers => ({
  left: outstanding(
    teeth.filter((t) => t.lean === 'left'),
    (t) => t.setMm,
  ),
  right: outstanding(
    teeth.filter((t) => t.lean === 'right'),
    (t) => t.setMm,
  ),
  deepest: outstanding(teeth, (t) => t.heightMm),
});

export interface WallMark {
  readonly tooth: number;
  readonly side: Lean;
  /** How far it stands out beyond its side's middle tooth. mm. */
  readonly byMm: number;
}

/** A tooth standing out by this much scratches the wall: half a thou. mm. */
export const SCRATCH_MM = 0.0127;

/** Single teeth that stand out and mark the wall, the worst first: against the median of their side. O(n log n). */
export function wallMarks(teeth: readonly ToothSection[]): WallMark[] {
  return (['left', 'right'] as const)
    .flatMap((side) => {
      const own = teeth.filter((t) => t.lean === side);
      const sorted = own.map((t) => t.setMm).sort((a, b) => a - b);
      const median = sorted[sorted.length >> 1] ?? 0;
      return own.map((t) => ({ tooth: t.tooth, side, byMm: t.setMm - median })).filter((m) => m.byMm > SCRATCH_MM);
    })
    .sort((a, b) => b.byMm - a.byMm);
}
