import type { PlatePoint } from './file-in-gullet';
import type { FileSectionId } from './file-section';
import { cornerDeg } from './file-section';
import { radians } from '../units/radians';

/** One tooth filed on an edge at a time, by a feather file or the flat of a mill file, seen square to the plate. */
export interface EdgeWork {
  /** Profiles heel to toe, convex, each closed along its foot. mm, y up. */
  readonly teeth: readonly (readonly PlatePoint[])[];
  /** Which of them is filed. */
  readonly own: number;
  /** Its edges that go down at this stop, from a point of the profile to the next, by how much square to it; the file lies on the first. mm */
  readonly edges: readonly { readonly from: number; readonly deeperMm: number }[];
  readonly section: Extract<FileSectionId, 'feather' | 'mill'>;
  /** Width of the file's working face, mm. */
  readonly fileFaceMm: number;
  /** Which end of the edge lies in a gullet, where the file's corner goes: its first, its second; null of an edge between two tops. */
  readonly corner: 'first' | 'second' | null;
}

export interface EdgePicture {
  readonly now: readonly (readonly PlatePoint[])[];
  /** The tooth when the stop is done. */
  readonly after: readonly PlatePoint[];
  readonly file: readonly PlatePoint[];
}

/** How thick a mill file is, a share of its face; from memory of hand-tool catalogues, rounded. */
const MILL_THICK = 0.22;

/**
 * The tooth loses what lies over each of its edges' lines moved in by its depth: its profile cut by a half-plane an
 * edge. A mill file lies with its flat on the edge, from its foot or about its middle; a feather file with a face on
 * it, its corner in the gullet. Throws RangeError for an edge that is none of the profile, or has no length.
 */
export function fileOnEdge({ teeth, own, edges, section, fileFaceMm, corner }: EdgeWork): EdgePicture {
  const profile = teeth[own];
  if (!profile) throw new RangeError('No such tooth stands here.');
  const lines = edges.map(({ from, deeperMm }) => lineOf(profile, from, deeperMm));
  const after = lines.reduce<readonly PlatePoint[]>(cutBy, profile);
  const [line] = lines;
  if (!line) throw new RangeError('No edge is filed here.');
  return { now: teeth, after, file: fileOn(line, section, fileFaceMm, corner) };
}

/** An edge's line where the file leaves it: both ends, along it, and out of the tooth. */
interface EdgeLine {
  readonly first: PlatePoint;
  readonly second: PlatePoint;
  readonly along: PlatePoint;
  readonly out: PlatePoint;
}

function lineOf(profile: readonly PlatePoint[], from: number, deeperMm: number): EdgeLine {
  const [a, b] = [profile[from], profile[from + 1]];
  if (!a || !b) throw new RangeError('No such edge is on this tooth.');
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const long = Math.hypot(dx, dy);
  if (!(long > 0)) throw new RangeError('An edge without length cannot be filed.');
  // Heel to toe over the top is clockwise: the steel is on the right hand.
  const [along, out] = [[dx / long, dy / long] as const, [-dy / long, dx / long] as const];
  const moved = ([x, y]: PlatePoint): PlatePoint => [x - deeperMm * out[0], y - deeperMm * out[1]];
  return { first: moved(a), second: moved(b), along, out };
}

/** What lies within the line, by Sutherland and Hodgman's clipping of a polygon. */
function cutBy(profile: readonly PlatePoint[], { first, out }: EdgeLine): PlatePoint[] {
  const over = ([x, y]: PlatePoint): number => (x - first[0]) * out[0] + (y - first[1]) * out[1];
  return profile.flatMap((point, i): PlatePoint[] => {
    const next = profile[(i + 1) % profile.length] as PlatePoint;
    const [here, there] = [over(point), over(next)];
    const kept = here <= 0 ? [point] : [];
    if (here <= 0 === there <= 0) return kept;
    const t = here / (here - there);
    return [...kept, [point[0] + t * (next[0] - point[0]), point[1] + t * (next[1] - point[1])]];
  });
}

function fileOn(
  { first, second, along, out }: EdgeLine,
  section: EdgeWork['section'],
  faceMm: number,
  corner: EdgeWork['corner'],
): PlatePoint[] {
  const way = corner === 'second' ? -1 : 1;
  const from: PlatePoint =
    corner === 'first'
      ? first
      : corner === 'second'
        ? second
        : [(first[0] + second[0] - faceMm * along[0]) / 2, (first[1] + second[1] - faceMm * along[1]) / 2];
  const go = ([x, y]: PlatePoint, u: number, v: number): PlatePoint => [
    x + u * way * along[0] + v * out[0],
    y + u * way * along[1] + v * out[1],
  ];
  if (section === 'mill') {
    const thick = MILL_THICK * faceMm;
    return [from, go(from, faceMm, 0), go(from, faceMm, thick), go(from, 0, thick)];
  }
  const angle = radians(cornerDeg('feather'));
  const [u, v] = [faceMm * Math.cos(angle), faceMm * Math.sin(angle)];
  return [from, go(from, faceMm, 0), go(from, faceMm + u, v), go(from, u, v)];
}
