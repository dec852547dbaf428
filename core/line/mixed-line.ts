import type { FileSectionId } from '../file/file-section';
import { cornerDeg } from '../file/file-section';
import type { ToothReading } from '../evidence/tooth-reading';
import { standingTeeth } from '../evidence/tooth-reading';
import type { ToothRole } from '../saw/tooth-pattern';
import { groupsOf } from '../saw/tooth-pattern';
import type { NominalLine } from '../saw/zones';
import type { BreastedLine } from './breasted-line';
import { heightOnBreasted, tangentAt } from './breasted-line';
import type { LeastDepth } from './depth-curve';
import { leastServing } from './depth-curve';
import type { Flats, PreparedLine } from './flats';
import { ON_LINE_MM, prepareLine, zonedShape } from './flats';
import { teethLeftOut } from './joint-line';
import type { Spacing } from './spacing';
import { smoothestSpacing } from './spacing';

/** The standing teeth of a line of cutters and rakers, zones and all; one entry a tooth. */
export interface MixedLine extends PreparedLine {
  readonly roles: readonly ToothRole[];
  readonly groups: Int32Array;
}

/**
 * Readings into a mixed line. `nominal` and `roles` run over every place of the
 * line, missing teeth included, so a gap counts its pitches. Tooth i's face is
 * filed in gullet i, its back in gullet i - 1, each with its own rake. O(n).
 * Throws RangeError when the three do not tell of one line.
 */
export function prepareMixed(
  readings: readonly ToothReading[],
  nominal: NominalLine,
  roles: readonly ToothRole[],
  fleamDeg: number,
  section: FileSectionId = 'taper',
): MixedLine {
  if (nominal.xMm.length !== readings.length || roles.length !== readings.length)
    throw new RangeError(
      `There are ${readings.length} teeth, but zones for ${nominal.xMm.length} and roles for ${roles.length}.`,
    );
  const standing = standingTeeth(readings);
  // A missing cutter does not part its group: the spacing over it is judged as two pitches.
  const groups = groupsOf(roles);
  return {
    ...prepareLine(readings, zonedShape(nominal, fleamDeg, cornerDeg(section))),
    roles: standing.map((r) => roles[r.tooth - 1] as ToothRole),
    groups: Int32Array.from(standing, (r) => groups[r.tooth - 1] as number),
  };
}

/** The breasted line lowered by a depth. */
export const loweredBreasted = (line: BreastedLine, depthMm: number): BreastedLine => ({
  ...line,
  alphaMm: line.alphaMm - depthMm,
});

/**
 * Flats of every tooth on a breasted line, each exactly on the line's tangent at
 * its own tip (geometry section 4). A tooth under the line, and every raker, is a
 * flat of no width at its own tip. `reached` counts cutters. O(n).
 */
export function flatsOfMixed(line: BreastedLine, mixed: MixedLine): Flats {
  const n = mixed.xMm.length;
  const [fromMm, toMm, on] = [new Float64Array(n), new Float64Array(n), new Uint8Array(n)];
  let reached = 0;
  for (let i = 0; i < n; i++) {
    const [x, y] = [mixed.xMm[i] as number, mixed.yMm[i] as number];
    const [tanFace, tanBack] = [mixed.tanFace[i] as number, mixed.tanBack[i] as number];
    fromMm[i] = toMm[i] = x;
    if (mixed.roles[i] === 'raker' || y < heightOnBreasted(line, x) - ON_LINE_MM) continue;
    const { alphaMm, beta } = tangentAt(line, x);
    const [backScale, faceScale] = [1 - beta * tanBack, 1 + beta * tanFace];
    if (!(backScale > 0 && faceScale > 0)) throw new RangeError('The joint line is steeper than the teeth.');
    const a = (x - y * tanBack + alphaMm * tanBack) / backScale;
    const b = (x + y * tanFace - alphaMm * tanFace) / faceScale;
    fromMm[i] = a;
    toMm[i] = Math.max(a, b);
    on[i] = 1;
    reached++;
  }
  return { fromMm, toMm, on, reached };
}

export interface MixedPoint {
  readonly depthMm: number;
  readonly flats: Flats;
  readonly spacing: Spacing;
  /** Cutters on the line over all cutters. */
  readonly reachedShare: number;
}

/** What jointing that deep under the datum gives: flats, smoothest points inside the groups, cutters reached. O(n). */
export function mixedPoint(mixed: MixedLine, datum: BreastedLine, depthMm: number): MixedPoint {
  const flats = flatsOfMixed(loweredBreasted(datum, depthMm), mixed);
  const cutters = mixed.roles.filter((role) => role === 'cutter').length;
  return {
    depthMm,
    flats,
    spacing: smoothestSpacing(flats, mixed.nominalMm, mixed.groups),
    reachedShare: cutters === 0 ? 0 : flats.reached / cutters,
  };
}

/** The parallel line through the tallest cutter: depth is counted down from it. */
export function mixedDatum(mixed: MixedLine, line: BreastedLine): BreastedLine {
  let over = -Infinity;
  mixed.roles.forEach((role, i) => {
    if (role === 'cutter')
      over = Math.max(over, (mixed.yMm[i] as number) - heightOnBreasted(line, mixed.xMm[i] as number));
  });
  return Number.isFinite(over) ? { ...line, alphaMm: line.alphaMm + over } : line;
}

/** Least depth for a share of the cutters on the line and an evenness inside the groups. mm. */
export function leastMixedDepth(
  mixed: MixedLine,
  datum: BreastedLine,
  wish: { readonly share: number; readonly evennessMm: number },
  deepestMm: number,
): LeastDepth {
  const drops = Array.from(mixed.xMm, (x, i) => heightOnBreasted(datum, x) - (mixed.yMm[i] as number))
    .filter((_, i) => mixed.roles[i] === 'cutter')
    .sort((a, b) => a - b);
  if (drops.length === 0) throw new RangeError('A line without cutters cuts nothing.');
  const byTeethMm = Math.max(0, drops[drops.length - 1 - teethLeftOut(drops.length, wish.share)] as number);
  const even = (depthMm: number): boolean =>
    mixedPoint(mixed, datum, depthMm).spacing.worstMm <= wish.evennessMm + 1e-9;
  const byEvennessMm = leastServing(even, deepestMm, !mixed.hooked);
  const wanted = Math.max(byTeethMm, byEvennessMm ?? byTeethMm);
  return {
    depthMm: Math.min(wanted, deepestMm),
    reached: byEvennessMm !== null && wanted <= deepestMm,
    byTeethMm,
    byEvennessMm,
  };
}
