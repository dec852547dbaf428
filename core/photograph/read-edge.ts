import { linearRegression } from 'simple-statistics';
import type { GreyPicture } from '../trace/grey-picture';
import { median } from '../units/median';
import { lensAt, projector } from './camera';
import type { FittedBump } from './edge-profile';
import { bumpShape, fitBump, wallsOf } from './edge-profile';
import type { SeenCode } from './find-strips';
import { laidOut } from './fit-camera';
import type { Place } from './homography';
import { MARKS_END_MM } from './measuring-strip';
import type { PhotographFacts, PhotographRefused, PhotographWish } from './see-marks';
import { scaleErrorOf, seeMarks, USUAL_PLATE_MM } from './see-marks';
import { drawGrid } from './true-grid';

/** What is known of a saw that is photographed along its points. mm. */
export interface EdgeWish {
  readonly pitchMm: number;
  /** Points stand so far over the strips. */
  readonly overMm: number;
  /** Depth of the gullets; six tenths of the pitch where nobody measured them. */
  readonly gulletMm?: number;
}

/** A tooth seen from over its point. */
export interface EdgeTooth {
  /** Along the picture from its left, mm. */
  readonly xMm: number;
  /** Which way it leans in the picture; null where it leans so little that its side is not to be told. */
  readonly leans: 'up' | 'down' | null;
  /** Set to its own side, and one standard error of its own; mm. */
  readonly setMm: number;
  readonly errorMm: number;
  /** Its place in the picture that is shown, px. */
  readonly tipPx: { readonly x: number; readonly y: number };
}

export type ReadEdge =
  | {
      readonly ok: true;
      readonly picture: GreyPicture;
      readonly mmPerPx: number;
      readonly facts: PhotographFacts;
      readonly teeth: readonly EdgeTooth[];
      /** Thickness seen between the walls, mm; more than the plate's where it is looked at from aside. */
      readonly seenMm: number;
      /** Every tooth on one side is told too much by as much as on the other too little, to one standard error of this. mm. */
      readonly sideErrorMm: number;
    }
  | PhotographRefused;

const USUAL_GULLET = 0.6;
/** The plate stands upright to the strips to this, as a tangent (a quarter of a degree); its thickness is known to this, mm. No source. */
const UPRIGHT_SPREAD = 0.0044;
const PLATE_KNOWN_MM = 0.015;
const OVER_KNOWN_MM = 1;
/** Kept clear of the marks; and wall beside a tooth that its own bump is fitted with, in pitches. */
const CLEAR_MM = 2;
const WINDOW = 0.75;
/** A tooth stands out of its wall by this many of its errors at the least to have a side. */
const TELLING_ERRORS = 3;
/** The wall at the strips may stand out by no more than this beyond the points' own: else it hides the set on that side. mm. */
const MOST_ASIDE_MM = 0.15;
/** A plate fewer pixels thick than this tells no set. */
const LEAST_PLATE_PX = 6;
/** So many pitches of the line are to be seen at the least. */
const FEWEST_PITCHES = 4;
/** What stands out by more of the usual set than this is no tooth: a strip's end, a burr, a clamp. */
const MOST_OF_USUAL = 2.5;
/** Teeth of less than this of the usual set are found by their spacing alone. */
const FAINT = 0.35;

/**
 * A photograph along the tooth line, the plate on edge between two rows of strips: set and lean of every tooth by
 * both walls. What is seen of a wall depends on where the lens is: with z the depth under the points, a wall whose
 * middle is at Y0 + q z stands out to Y0 + t / 2 + max(q z) on the one side and Y0 - t / 2 + min(q z) on the other,
 * over the depths z1 to z2 at which it is to be seen. Their middle is Y0 + q (z1 + z2) / 2, their distance
 * t + |q| (z2 - z1): so Y0, the plate's middle at the points, comes from the middle of both walls less q's share; q
 * from the lens' own place and, better where it is large, from how much thicker than the plate it looks.
 */
export function readEdge(
  picture: GreyPicture,
  codes: readonly SeenCode[],
  wish: PhotographWish & { readonly edge: EdgeWish },
  report: (share: number) => void = () => undefined,
): ReadEdge {
  const { pitchMm, overMm } = wish.edge;
  const gulletMm = wish.edge.gulletMm ?? USUAL_GULLET * pitchMm;
  const plateMm = wish.plateMm ?? USUAL_PLATE_MM;
  const seen = seeMarks(picture, codes, wish, report);
  if (!seen.ok) return seen;
  const { camera, strips, lies, facts } = seen;
  const across = wish.printed?.across ?? 1;
  const sided = strips.flatMap(({ strip }, s) => {
    const lie = lies[s];
    if (!lie || strip.name.place !== 'bench') return [];
    const ends = [laidOut(lie, [0, MARKS_END_MM * across]), laidOut(lie, [strip.lengthMm, MARKS_END_MM * across])];
    return [{ side: Math.cos(lie.turn) > 0 ? ('over' as const) : ('under' as const), ends }];
  });
  const endsOf = (side: 'over' | 'under'): Place[] => sided.flatMap((one) => (one.side === side ? one.ends : []));
  const project = projector(camera);
  // The bench lies as its first strip does, which may be the lower one: over is over in the picture.
  const [origin, onward] = [project(0, 0, 0), project(10, 0, 0)];
  const upright = onward[0] > origin[0];
  const [over, under] = upright ? [endsOf('over'), endsOf('under')] : [endsOf('under'), endsOf('over')];
  if (over.length === 0 || under.length === 0) return { ok: false, code: 'no-strips-both-sides', facts };
  const turn = Math.atan(linearRegression(over.map(([x, y]) => [x, y])).m) + (upright ? 0 : Math.PI);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const along = ([x, y]: Place): number => cos * x + sin * y;
  const down = ([x, y]: Place): number => cos * y - sin * x;
  let [left, right] = [Math.min(...[...over, ...under].map(along)), Math.max(...[...over, ...under].map(along))];
  const [top, bottom] = [Math.max(...over.map(down)) + CLEAR_MM, Math.min(...under.map(down)) - CLEAR_MM];
  if (!(bottom - top > 8)) return { ok: false, code: 'no-strips-both-sides', facts };
  const at = (x: number, y: number): Place => [cos * x - sin * y, sin * x + cos * y];
  // Strips may reach out of the picture: there is nothing to be seen.
  const isSeen = (x: number): boolean => {
    const [u, v] = project(...at(x, (top + bottom) / 2), -overMm);
    return u > 2 && u < picture.widthPx - 2 && v > 2 && v < picture.heightPx - 2;
  };
  while (left < right && !isSeen(left)) left++;
  while (right > left && !isSeen(right)) right--;
  if (right - left < FEWEST_PITCHES * pitchMm) return { ok: false, code: 'no-edge', facts };
  const pxAt = (x: number): number => {
    const middle = (top + bottom) / 2;
    const [a, b] = [project(...at(x, middle), -overMm), project(...at(x + 1, middle), -overMm)];
    return Math.hypot(b[0] - a[0], b[1] - a[1]);
  };
  const mmPerPx = 1 / median([0.1, 0.3, 0.5, 0.7, 0.9].map((share) => pxAt(left + share * (right - left))));
  const size = { widthPx: Math.round((right - left) / mmPerPx), heightPx: Math.round((bottom - top) / mmPerPx) };
  const grid = drawGrid(picture, camera, size, (i, j) => at(left + i * mmPerPx, top + j * mmPerPx), -overMm);
  report(0.8);
  if (plateMm / mmPerPx < LEAST_PLATE_PX) return { ok: false, code: 'edge-too-fine', facts };
  const walls = wallsOf(grid, plateMm / mmPerPx);
  if (!walls) return { ok: false, code: 'no-edge', facts };

  // Places up from the grid's middle row, mm.
  const upMm = (row: number): number => (size.heightPx / 2 - row) * mmPerPx;
  const columns = Array.from(walls.upper, (row, i) => ({
    x: (i + 0.5) * mmPerPx,
    upper: upMm(row),
    lower: upMm(walls.lower[i] as number),
  })).filter(({ upper, lower }) => upper - lower > 0.3 * plateMm && upper - lower < plateMm + 4);
  if (columns.length < 0.5 * size.widthPx) return { ok: false, code: 'no-edge', facts };
  const blurMm = Math.max(facts.blurPx, 0.4) * mmPerPx;
  const upper = sideOf(
    columns.map(({ x, upper: y }) => ({ x, y })),
    pitchMm,
    blurMm,
  );
  const lower = sideOf(
    columns.map(({ x, lower: y }) => ({ x, y: -y })),
    pitchMm,
    blurMm,
  );
  const found = inOrder(upper, lower, pitchMm);
  report(0.95);
  const middles = found.map(({ x }) => ({ up: upper.wallAt(x), low: -lower.wallAt(x) }));
  const seenMm = median(middles.map(({ up, low }) => up - low));
  const yMiddle = (top + bottom) / 2 - median(middles.map(({ up, low }) => (up + low) / 2));
  if (found.length < 3) return { ok: false, code: 'no-edge', facts };
  const lens = lensAt(camera);
  const lensUp = yMiddle - down([lens[0], lens[1]]);
  const byLens = lensUp / (facts.heightMm - overMm);
  // Depths at which the walls are seen: from the gullets, a little of their flanks with them, to the strips.
  const [from, to] = [gulletMm - 0.1 * pitchMm, Math.max(overMm, gulletMm + 0.5)];
  const thicker = Math.max(0, seenMm - plateMm) / (to - from);
  const thickerError = PLATE_KNOWN_MM / (to - from);
  const byWidth = Math.sign(byLens || 1) * thicker;
  const lensWeight = 1 / UPRIGHT_SPREAD ** 2;
  const widthWeight = 1 / (thickerError ** 2 + (thicker * OVER_KNOWN_MM) ** 2 / (to - from) ** 2);
  const lean = (byLens * lensWeight + byWidth * widthWeight) / (lensWeight + widthWeight);
  const leanError = 1 / Math.sqrt(lensWeight + widthWeight);
  if (Math.abs(lean) * to > MOST_ASIDE_MM) return { ok: false, code: 'from-aside', facts };
  const leverMm = (from + to) / 2;
  const scale = scaleErrorOf(seen, right - left, mmPerPx);
  const teeth = found.map((one): EdgeTooth => {
    const [up, low] = [upper.wallAt(one.x), -lower.wallAt(one.x)];
    const middle = (up + low) / 2 - lean * leverMm;
    const [face, tip] =
      one.side === 'up'
        ? [middle + plateMm / 2, up + one.bump.heightMm]
        : [-(middle - plateMm / 2), -low + one.bump.heightMm];
    const setMm = tip - face;
    const errorMm = Math.hypot(one.bump.errorMm, setMm * scale);
    const row = size.heightPx / 2 - (one.side === 'up' ? tip : -tip) / mmPerPx;
    return {
      xMm: one.x,
      leans: one.faint && one.bump.heightMm < TELLING_ERRORS * one.bump.errorMm ? null : one.side,
      setMm,
      errorMm,
      tipPx: { x: one.x / mmPerPx, y: row },
    };
  });
  report(1);
  return {
    ok: true,
    picture: grid,
    mmPerPx,
    facts,
    teeth,
    seenMm,
    sideErrorMm: Math.hypot(leanError * leverMm, (lean * OVER_KNOWN_MM) / 2, PLATE_KNOWN_MM / 2),
  };
}

/** One side of the plate: its wall, and what stands out of it. mm. */
interface Side {
  readonly wallAt: (x: number) => number;
  readonly bumps: readonly FittedBump[];
  readonly fitAt: (x: number) => FittedBump;
}

interface Column {
  readonly x: number;
  readonly y: number;
}

function sideOf(columns: readonly Column[], pitchMm: number, blurMm: number): Side {
  // The wall is what lies low: the lower half of what is seen over some pitches, straight between.
  const step = 2 * pitchMm;
  const knots: { x: number; y: number }[] = [];
  const end = (columns[columns.length - 1] as Column).x;
  for (let x = step / 2; x < end; x += step) {
    const near = columns.filter((c) => Math.abs(c.x - x) < 2 * step).map((c) => c);
    if (near.length < 8) continue;
    knots.push({ x, y: wallLevel(near, x) });
  }
  const wallAt = (x: number): number => {
    const k = Math.max(0, Math.min(knots.length - 2, knots.findIndex((knot) => knot.x > x) - 1));
    const [a, b] = [knots[k] ?? { x: 0, y: 0 }, knots[k + 1] ?? knots[k] ?? { x: 1, y: 0 }];
    const share = b.x === a.x ? 0 : Math.min(1, Math.max(0, (x - a.x) / (b.x - a.x)));
    return a.y + share * (b.y - a.y);
  };
  const offs = columns.map(({ x, y }) => ({ x, off: y - wallAt(x) }));
  const window = (x: number): { xs: number[]; offs: number[]; x: number } => {
    const near = offs.filter((c) => Math.abs(c.x - x) < WINDOW * pitchMm);
    return { xs: near.map((c) => c.x), offs: near.map((c) => c.off), x };
  };
  const all = peaksOf(offs, pitchMm);
  // Beside the ends of what is seen a tooth is not whole.
  const [start, stop] = [(columns[0] as Column).x, end];
  const peaks = all.filter((p) => p.x - start > 0.5 * pitchMm && stop - p.x > 0.5 * pitchMm);
  const usual = median(peaks.map((p) => p.off));
  const clear = peaks.filter((p) => p.off > 0.5 * usual && p.off < MOST_OF_USUAL * usual);
  // Laid on each other by their highest columns first, then by their fitted places.
  let places = clear.map((p) => p.x);
  let shape = bumpShape(places.map(window), pitchMm, blurMm);
  places = places.map((x) => fitBump(window(x), shape, blurMm).x);
  shape = bumpShape(places.map(window), pitchMm, blurMm);
  const fitAt = (x: number): FittedBump => fitBump(window(x), shape, blurMm);
  return { wallAt, bumps: clear.map((p) => fitAt(p.x)), fitAt };
}

/** The level of a wall near a place: the middle of the lowest part of what stands there, a straight line taken out. */
function wallLevel(near: readonly Column[], x: number): number {
  let kept = [...near];
  let line = { m: 0, b: 0 };
  for (let round = 0; round < 4; round++) {
    line = linearRegression(kept.map((c) => [c.x - x, c.y]));
    const offs = near.map((c) => c.y - line.m * (c.x - x) - line.b);
    const low = median(offs.filter((o) => o <= median(offs)));
    const scatter = 1.4826 * median(offs.filter((o) => o < low + 0.02).map((o) => Math.abs(o - low))) + 0.004;
    kept = near.filter((_, i) => Math.abs((offs[i] as number) - low) < 2.5 * scatter);
    if (kept.length < 6) break;
  }
  return kept.length < 6 ? line.b : linearRegression(kept.map((c) => [c.x - x, c.y])).b;
}

/** Places that stand out furthest within most of a pitch to either side. */
function peaksOf(offs: readonly { x: number; off: number }[], pitchMm: number): { x: number; off: number }[] {
  const sorted = [...offs].sort((a, b) => b.off - a.off);
  const level = (sorted[Math.floor(0.05 * sorted.length)]?.off ?? 0) * FAINT;
  const taken: { x: number; off: number }[] = [];
  for (const one of sorted) {
    if (one.off < level) break;
    if (taken.every((t) => Math.abs(t.x - one.x) > 0.7 * pitchMm)) taken.push(one);
  }
  return taken;
}

/** Teeth of both sides from the left; where one is missing between two by their spacing, it is looked for there on both sides. */
function inOrder(
  upper: Side,
  lower: Side,
  pitchMm: number,
): { x: number; side: 'up' | 'down'; bump: FittedBump; faint: boolean }[] {
  const all = [
    ...upper.bumps.map((bump) => ({ x: bump.x, side: 'up' as const, bump, faint: false })),
    ...lower.bumps.map((bump) => ({ x: bump.x, side: 'down' as const, bump, faint: false })),
  ].sort((a, b) => a.x - b.x);
  // Of two that stand at one place the greater is the tooth.
  const clear = all.filter((one) =>
    all.every((o) => o === one || Math.abs(o.x - one.x) > 0.45 * pitchMm || o.bump.heightMm < one.bump.heightMm),
  );
  const out: { x: number; side: 'up' | 'down'; bump: FittedBump; faint: boolean }[] = [];
  for (const one of clear) {
    const before = out[out.length - 1];
    const lost = before ? Math.round((one.x - before.x) / pitchMm) - 1 : 0;
    if (before)
      for (let k = 1; k <= lost; k++) {
        const x = before.x + (k * (one.x - before.x)) / (lost + 1);
        const [up, low] = [upper.fitAt(x), lower.fitAt(x)];
        const bump = up.heightMm >= low.heightMm ? up : low;
        out.push({ x, side: bump === up ? 'up' : 'down', bump, faint: true });
      }
    out.push(one);
  }
  return out;
}
