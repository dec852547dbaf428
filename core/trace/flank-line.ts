import type { PictureView } from './grey-picture';
import { greyAt } from './grey-picture';
import type { FlankWish, RoughFlank } from './rough-flank';
import { FEWEST_PLACES, FROM_DEPTH, roughFlank } from './rough-flank';

/**
 * A flank of a tooth as a straight line in a view: x = atX + lean (y - atY), so
 * `lean` is the tangent of its angle off the picture's upright.
 */
export interface FlankLine {
  readonly atX: number;
  readonly atY: number;
  readonly lean: number;
  /** Standard errors of `atX`, px, and of `lean`; they are not correlated, as `atY` is the mean of the places fitted. */
  readonly atXError: number;
  readonly leanError: number;
  /** Scatter of the edge about the line, square to it, px. */
  readonly roughPx: number;
  readonly places: number;
  /** Grey just outside and just inside the edge. */
  readonly outside: number;
  readonly inside: number;
  /** Width of the edge as the deviation of the blur, px. */
  readonly blurPx: number;
  /** Ends of what was fitted, rows of the view. */
  readonly fromY: number;
  readonly toY: number;
}

export const flankX = (flank: FlankLine, y: number): number => flank.atX + flank.lean * (y - flank.atY);

/** Rows of a flank that say its angle: the point is rounded by work and the bottom by the file's corner. */
const TO_DEPTH = 0.78;
/** Reach of the look across an edge, px, and its step. */
const REACH_PX = 4;
const STEP_PX = 0.5;
/** Places a pixel apart along an edge share the blur and so their error: each counts for this much of one. */
const INDEPENDENT_SHARE = 0.6;
/** A place this many scatters off the line is dust, not flank. */
const OUTLIER = 2.8;

/**
 * The flank of one tooth; null where too little of it is there. A flank that bends
 * into a round gullet is fitted again on its upper part alone, and the straighter
 * of the two fits stands.
 */
export function fitFlank(view: PictureView, wish: FlankWish): FlankLine | null {
  const whole = fitTo(view, wish, TO_DEPTH);
  if (whole && whole.roughPx < BENT_PX) return whole;
  if ((wish.gulletY - wish.tipY) * (UPPER_DEPTH - FROM_DEPTH) < FEWEST_UPPER_PX) return whole;
  const upper = fitTo(view, wish, UPPER_DEPTH);
  if (!whole || !upper) return whole ?? upper;
  return upper.roughPx < STRAIGHTER * whole.roughPx ? upper : whole;
}

function fitTo(view: PictureView, wish: FlankWish, toDepth: number): FlankLine | null {
  const rough = roughFlank(view, wish, toDepth);
  return rough && fineLine(view, wish, rough, toDepth);
}

/** Rougher than this, px, a flank may be bent; its upper part ends at this depth and must be so many pixels long. */
const BENT_PX = 0.16;
const UPPER_DEPTH = 0.45;
const FEWEST_UPPER_PX = 8;
const STRAIGHTER = 0.7;

/** Looks across the edge that the line is fitted to. */
const MOST_LOOKS = 80;

const PROFILE_LENGTH = 2 * Math.round(REACH_PX / STEP_PX) + 1;
const MIDDLE_STEP = (PROFILE_LENGTH - 1) / 2;

/** Rooms for one flank's looks, used anew for each: they are never kept. */
const LOOKS = new Float64Array(MOST_LOOKS * PROFILE_LENGTH);
const MEAN = new Float64Array(PROFILE_LENGTH);
const OFFS = new Float64Array(MOST_LOOKS);
const YS = new Float64Array(MOST_LOOKS);
const RESIDUALS = new Float64Array(MOST_LOOKS);

/** Looks across the edge at every pixel of its length, half way between the greys found on either side of it. */
function fineLine(view: PictureView, wish: FlankWish, rough: RoughFlank, toDepth: number): FlankLine | null {
  const depth = wish.gulletY - wish.tipY;
  const size = Math.hypot(1, rough.lean);
  // Unit normal out of the tooth: the gullet lies against `way`.
  const nx = -wish.way / size;
  const ny = (wish.way * rough.lean) / size;
  const fromY = wish.tipY + FROM_DEPTH * depth;
  const toY = wish.tipY + toDepth * depth;
  const count = Math.max(FEWEST_PLACES, Math.min(MOST_LOOKS, Math.floor((toY - fromY) * size)));
  const mean = MEAN.fill(0);
  const yAt = (n: number): number => fromY + ((n + 0.5) / count) * (toY - fromY);
  for (let n = 0; n < count; n++) {
    const y = yAt(n);
    const x = rough.atX + rough.lean * (y - rough.atY);
    lookAcross(view, x - nx * REACH_PX, y - ny * REACH_PX, nx * STEP_PX, ny * STEP_PX, n * PROFILE_LENGTH);
    for (let k = 0; k < PROFILE_LENGTH; k++)
      mean[k] = (mean[k] as number) + (LOOKS[n * PROFILE_LENGTH + k] as number) / count;
  }
  const third = (k: number): number => ((mean[k] as number) + (mean[k + 1] as number) + (mean[k + 2] as number)) / 3;
  const inside = third(0);
  const outside = third(PROFILE_LENGTH - 3);
  if (Math.abs(outside - inside) < LEAST_CONTRAST) return null;
  let seen = 0;
  for (let n = 0; n < count; n++) {
    const off = crossing(n * PROFILE_LENGTH, inside, outside);
    if (Number.isNaN(off)) continue;
    OFFS[seen] = off;
    YS[seen++] = yAt(n);
  }
  return fitOffsets(rough, wish.way, seen, { inside, outside, blurPx: blurOf(mean, inside, outside), fromY, toY });
}

/** One look into its room: {@link greyAt} at equal steps, without its care for the picture's edge where that is far. */
function lookAcross(view: PictureView, x: number, y: number, dx: number, dy: number, start: number): void {
  const { widthPx, heightPx, grey, origin, acrossStep, downStep } = view;
  const endX = x + (PROFILE_LENGTH - 1) * dx;
  const endY = y + (PROFILE_LENGTH - 1) * dy;
  const inside =
    Math.min(x, endX) > 1 &&
    Math.max(x, endX) < widthPx - 1 &&
    Math.min(y, endY) > 1 &&
    Math.max(y, endY) < heightPx - 1;
  for (let k = 0; k < PROFILE_LENGTH; k++) {
    const u = x + k * dx - 0.5;
    const v = y + k * dy - 0.5;
    if (!inside) {
      LOOKS[start + k] = greyAt(view, u + 0.5, v + 0.5);
      continue;
    }
    const i = Math.floor(u);
    const j = Math.floor(v);
    const fx = u - i;
    const at = origin + i * acrossStep + j * downStep;
    const above = (grey[at] as number) * (1 - fx) + (grey[at + acrossStep] as number) * fx;
    const below = (grey[at + downStep] as number) * (1 - fx) + (grey[at + acrossStep + downStep] as number) * fx;
    LOOKS[start + k] = above + (v - j) * (below - above);
  }
}

/** Less than this between the two sides of an edge is no edge, grey levels. */
const LEAST_CONTRAST = 8;

/** Looks on either side of the crossing that its place is drawn from. */
const MOMENT_STEPS = 4;

/**
 * Where a look passes from the tooth to the space, nearest to where the edge was
 * expected; px outwards, NaN where it does not pass. The crossing of the half-way grey leans towards the middles
 * of pixels; the area under the step does not, whatever its blur, so that decides:
 * a step at e in a window up to b leaves the area b - e.
 */
function crossing(start: number, inside: number, outside: number): number {
  const half = (inside + outside) / 2;
  const rising = outside > inside;
  let best = -1;
  for (let k = 0; k + 1 < PROFILE_LENGTH; k++) {
    const a = LOOKS[start + k] as number;
    const b = LOOKS[start + k + 1] as number;
    if (!(rising ? a <= half && b > half : a >= half && b < half)) continue;
    const nearer = Math.abs(half - a) < Math.abs(b - half) ? k : k + 1;
    if (best < 0 || Math.abs(nearer - MIDDLE_STEP) < Math.abs(best - MIDDLE_STEP)) best = nearer;
  }
  if (best < 0) return NaN;
  const from = Math.max(0, best - MOMENT_STEPS);
  const to = Math.min(PROFILE_LENGTH - 1, best + MOMENT_STEPS);
  let area = 0;
  for (let k = from; k <= to; k++) area += ((LOOKS[start + k] as number) - inside) * (k === from || k === to ? 0.5 : 1);
  return -REACH_PX + to * STEP_PX - (area * STEP_PX) / (outside - inside);
}

/** A step blurred by a normal curve of deviation s is steepest by contrast / (s sqrt(2 pi)). */
function blurOf(mean: Float64Array, inside: number, outside: number): number {
  let steepest = 0;
  for (let k = 0; k + 2 < mean.length; k++)
    steepest = Math.max(steepest, Math.abs((mean[k + 2] as number) - (mean[k] as number)) / (2 * STEP_PX));
  return steepest === 0 ? REACH_PX : Math.abs(outside - inside) / (steepest * Math.sqrt(2 * Math.PI));
}

type Seen = Pick<FlankLine, 'inside' | 'outside' | 'blurPx' | 'fromY' | 'toY'>;

/** Least squares of the offsets on the place along the edge, those far off the line left out; three rounds. */
function fitOffsets(line: RoughFlank, way: 1 | -1, count: number, seen: Seen): FlankLine | null {
  const size = Math.hypot(1, line.lean);
  const [offs, ys, residuals] = [OFFS, YS, RESIDUALS.fill(0)];
  let limit = Infinity;
  let result: FlankLine | null = null;
  for (let round = 0; round < 3; round++) {
    let n = 0;
    let my = 0;
    let mo = 0;
    for (let i = 0; i < count; i++) {
      if ((residuals[i] as number) > limit) continue;
      n++;
      my += ys[i] as number;
      mo += offs[i] as number;
    }
    if (n < FEWEST_PLACES) return result;
    my /= n;
    mo /= n;
    let syy = 0;
    let syo = 0;
    for (let i = 0; i < count; i++) {
      if ((residuals[i] as number) > limit) continue;
      const off = (ys[i] as number) - my;
      syy += off * off;
      syo += off * ((offs[i] as number) - mo);
    }
    const slope = syy > 0 ? syo / syy : 0;
    let squares = 0;
    for (let i = 0; i < count; i++) {
      const used = (residuals[i] as number) <= limit;
      const r = (offs[i] as number) - mo - slope * ((ys[i] as number) - my);
      residuals[i] = Math.abs(r);
      if (used) squares += r * r;
    }
    const rough = Math.sqrt(squares / Math.max(1, n - 2));
    const variance = Math.max(rough, LEAST_ROUGH) ** 2 / INDEPENDENT_SHARE;
    // An offset square to the edge moves it sideways by offset * size, against `way`.
    const move = -way * size;
    result = {
      inside: seen.inside,
      outside: seen.outside,
      blurPx: seen.blurPx,
      fromY: seen.fromY,
      toY: seen.toY,
      atX: line.atX + line.lean * (my - line.atY) + move * mo,
      atY: my,
      lean: line.lean + move * slope,
      atXError: size * Math.sqrt(variance / n),
      leanError: syy > 0 ? size * Math.sqrt(variance / syy) : Infinity,
      roughPx: rough,
      places: n,
    };
    if (round < 2) limit = Math.max(OUTLIER * 1.4826 * medianSize(residuals, count), LEAST_LIMIT_PX);
  }
  return result;
}

/** No place nearer than this to the line is called dust, px. */
const LEAST_LIMIT_PX = 0.15;
/** Sizes are counted in classes so wide, up to so many: finer than any limit drawn from them needs. px. */
const CLASS_PX = 0.02;
const CLASSES = 250;

const COUNTS = new Uint16Array(CLASSES);

/** Median of the first so many sizes, to a class. */
function medianSize(sizes: Float64Array, count: number): number {
  const counts = COUNTS.fill(0);
  for (let i = 0; i < count; i++) {
    const at = Math.min(CLASSES - 1, Math.floor((sizes[i] as number) / CLASS_PX));
    counts[at] = (counts[at] as number) + 1;
  }
  let at = 0;
  let sum = 0;
  while ((sum += counts[at] as number) <= count >> 1) at++;
  return (at + 0.5) * CLASS_PX;
}

/** No edge is known better than this at one place, px: eight bits and the lens allow no more. */
const LEAST_ROUGH = 0.03;
