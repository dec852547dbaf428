import { linearRegression } from 'simple-statistics';
import type { GreyPicture } from '../trace/grey-picture';
import { median } from '../units/median';
import { lensAt, projector } from './camera';
import { inOrder, sideOf } from './edge-teeth';
import { wallsOf } from './edge-walls';
import type { SeenCode } from './find-strips';
import { laidOut, takenUp } from './fit-camera';
import type { Place } from './homography';
import { MARKS_END_MM } from './measuring-strip';
import type { PhotographFacts, PhotographRefused, PhotographWish } from './see-marks';
import { scaleErrorOf, seeMarks, USUAL_PLATE_MM } from './see-marks';
import { drawGrid, mmPerPixel, stepsAlong } from './true-grid';

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
/** Kept clear of the marks, mm. */
const CLEAR_MM = 2;
/** A tooth stands out of its wall by this many of its errors at the least to have a side. */
const TELLING_ERRORS = 3;
/** The wall at the strips may stand out by no more than this beyond the points' own: else it hides the set on that side. mm. */
const MOST_ASIDE_MM = 0.15;
/** A plate fewer pixels thick than this tells no set. */
const LEAST_PLATE_PX = 6;
/** So many pitches of the line are to be seen at the least. */
const FEWEST_PITCHES = 4;
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
  const line = { x: 0, y: 0, turn };
  const along = (place: Place): number => takenUp(line, place)[0];
  const down = (place: Place): number => takenUp(line, place)[1];
  let [left, right] = [Math.min(...[...over, ...under].map(along)), Math.max(...[...over, ...under].map(along))];
  const [top, bottom] = [Math.max(...over.map(down)) + CLEAR_MM, Math.min(...under.map(down)) - CLEAR_MM];
  if (!(bottom - top > 8)) return { ok: false, code: 'no-strips-both-sides', facts };
  const at = (x: number, y: number): Place => laidOut(line, [x, y]);
  // Strips may reach out of the picture: there is nothing to be seen.
  const isSeen = (x: number): boolean => {
    const [u, v] = project(...at(x, (top + bottom) / 2), -overMm);
    return u > 2 && u < picture.widthPx - 2 && v > 2 && v < picture.heightPx - 2;
  };
  while (left < right && !isSeen(left)) left++;
  while (right > left && !isSeen(right)) right--;
  if (right - left < FEWEST_PITCHES * pitchMm) return { ok: false, code: 'no-edge', facts };
  const mmPerPx = mmPerPixel(
    camera,
    stepsAlong((mm) => at(left + mm, (top + bottom) / 2), right - left),
    -overMm,
  );
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
