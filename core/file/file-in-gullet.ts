import { cosDeg } from '../units/radians';
import type { FileSectionId } from './file-section';
import { fileOutline } from './file-outline';
import { cornerDeg } from './file-section';
import type { FileHold } from './flank-angles';
import { filedTooth } from './flank-angles';

export type PlatePoint = readonly [xMm: number, yMm: number];

/** A tooth beside the gullet: its tip as it was read, how low it was jointed there, its tip as it is to be. mm, heel at x = 0, y up. */
export interface ToothBeside {
  readonly tip: PlatePoint;
  readonly jointMm: number;
  readonly target: PlatePoint;
  /** Filed already in the gullet before it, and in the one after it. */
  readonly backDone: boolean;
  readonly faceDone: boolean;
}

/** What stands about a gullet: teeth heel to toe, and which of them has its face in it (its back stands in the one after). */
export interface GulletWork {
  readonly teeth: readonly ToothBeside[];
  /** -1 before the first tooth. */
  readonly faceOf: number;
  readonly rollDeg: number;
  readonly fleamDeg: number;
  readonly section: FileSectionId;
  /** Width of the file's working face, mm. */
  readonly fileFaceMm: number;
  /** Metal that these strokes take off either flank beyond the target, at right angles to it, mm: of a pass that sharpens. */
  readonly deeperMm: number;
}

export interface GulletPicture {
  /** Along the teeth's edge, heel to toe, as it is and when this gullet is done. */
  readonly now: readonly PlatePoint[];
  readonly after: readonly PlatePoint[];
  /** The file where it comes out of the middle of the plate, its corner first. */
  readonly file: readonly PlatePoint[];
  readonly corner: PlatePoint;
  /** Flats of the teeth on its heel and its toe side, mm: now, and when this gullet is done; null beyond the line. */
  readonly heel: Flat | null;
  readonly toe: Flat | null;
}
export interface Flat {
  readonly nowMm: number;
  readonly afterMm: number;
}

/** A tooth by its flanks' constants: face x + y tan A, back x - y tan B, and the height its top is cut at. */
interface Flanks {
  readonly face: number;
  readonly back: number;
  readonly topMm: number;
}

/**
 * One gullet seen square to the plate, at true proportion (docs/geometry.md, sections 2 and 4). A tooth is
 * what lies under its face x + y tan A = u, its back x - y tan B = v and its top; its flat is as wide as the
 * face stands from the back at that height. Filing this gullet brings the heel-side tooth's u and the toe-side
 * tooth's v to those of their targets, and a sharpening pass d further: u by -d / cos A, v by +d / cos B.
 *
 * The file's corner lies in the gullet's bottom, its edges on the flanks ({@link fileOutline}).
 *
 * Throws RangeError for a hold that leaves no tooth, and where no tooth stands beside the gullet.
 */
export function fileInGullet(work: GulletWork): GulletPicture {
  const { teeth, faceOf, rollDeg, fleamDeg, section, fileFaceMm, deeperMm } = work;
  const sectionDeg = cornerDeg(section);
  const hold: FileHold = { rollDeg, fleamDeg, sectionDeg };
  const { tanFace, tanBack, faceDeg, backDeg } = filedTooth(hold);
  if (!teeth[faceOf] && !teeth[faceOf + 1]) throw new RangeError('No tooth stands beside this gullet.');
  const faceAt = ([x, y]: PlatePoint): number => x + y * tanFace;
  const backAt = ([x, y]: PlatePoint): number => x - y * tanBack;
  const now = teeth.map(({ tip, jointMm, target, backDone, faceDone }): Flanks => ({
    face: faceAt(faceDone ? target : tip),
    back: backAt(backDone ? target : tip),
    topMm: jointMm,
  }));
  const after = now.map((flanks, i): Flanks => {
    const own = teeth[i] as ToothBeside;
    if (i === faceOf)
      return { ...flanks, face: Math.min(flanks.face, faceAt(own.target)) - deeperMm / cosDeg(faceDeg) };
    if (i === faceOf + 1)
      return { ...flanks, back: Math.max(flanks.back, backAt(own.target)) + deeperMm / cosDeg(backDeg) };
    return flanks;
  });
  const spread = tanFace + tanBack;
  const topOf = ({ face, back, topMm }: Flanks): { y: number; from: number; to: number } => {
    const y = Math.min(topMm, (face - back) / spread);
    return { y, from: back + y * tanBack, to: face - y * tanFace };
  };
  const bottom = (heel: Flanks, toe: Flanks): PlatePoint => {
    const y = (heel.face - toe.back) / spread;
    return [heel.face - y * tanFace, y];
  };
  const edge = (row: readonly Flanks[]): PlatePoint[] =>
    row.flatMap((flanks, i): PlatePoint[] => {
      const { y, from, to } = topOf(flanks);
      const before = row[i - 1];
      return [...(before ? [bottom(before, flanks)] : []), [from, y], [to, y]];
    });
  const [heel, toe] = [after[faceOf], after[faceOf + 1]];
  const depthMm = depthOf(after, spread);
  const corner: PlatePoint =
    heel && toe
      ? bottom(heel, toe)
      : heel
        ? [heel.face + depthMm * tanFace, -depthMm]
        : [(toe as Flanks).back - depthMm * tanBack, -depthMm];
  const file = fileOutline(section, { rollDeg, fleamDeg, faceMm: fileFaceMm }).map(([x, y]): PlatePoint => [
    corner[0] + x,
    corner[1] + y,
  ]);
  const flat = (i: number): Flat | null => {
    const [was, is] = [now[i], after[i]];
    if (!was || !is) return null;
    const width = (of: Flanks): number => Math.max(0, topOf(of).to - topOf(of).from);
    return { nowMm: width(was), afterMm: width(is) };
  };
  return { now: edge(now), after: edge(after), file, corner, heel: flat(faceOf), toe: flat(faceOf + 1) };
}

/** How deep the gullets of a row are, where this one has a tooth on one side alone: its neighbours' mean; a tooth's own height where there is none. mm */
function depthOf(row: readonly Flanks[], spread: number): number {
  const depths = row.slice(1).map((flanks, i) => -((row[i] as Flanks).face - flanks.back) / spread);
  if (depths.length > 0) return depths.reduce((sum, depth) => sum + depth, 0) / depths.length;
  const [only] = row;
  return only ? (only.face - only.back) / spread : 0;
}
