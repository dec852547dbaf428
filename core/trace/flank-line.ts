import type { PictureView } from './grey-picture';
import { greyAt } from './grey-picture';
import { levelAt } from './line-levels';
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
/** Places a pixel apart along an edge share the blur: so many stand for one at the least, and a correlation says no more than this. */
const LEAST_ALIKE = 2.4;
const MOST_ALIKE = 0.85;
/** A place this many scatters off the line is dust, not flank. */
const OUTLIER = 2.8;

/**
 * The flank of one tooth; null where too little of it is there. A flank that bends
 * into a round gullet is fitted again on its upper part alone, and the straighter
 * of the two fits stands. Of a round blade what lies flat next to the point is a back,
 * which ends well over the gullet: it stands, unless the whole flank is as straight.
 */
export function fitFlank(view: PictureView, wish: FlankWish): FlankLine | null {
  const whole = fitTo(view, wish, TO_DEPTH);
  const back = wish.backsEnd ? backOf(view, wish) : null;
  if (back && Math.abs(back.lean) > FLAT_LEAN) {
    const apart = Math.abs(back.lean - (whole?.lean ?? Infinity));
    return whole && whole.roughPx < BENT_PX && apart < SAME_ERRORS * back.leanError ? whole : back;
  }
  if (whole && whole.roughPx < BENT_PX) return whole;
  if ((wish.gulletY - wish.tipY) * (UPPER_DEPTH - FROM_DEPTH) < FEWEST_UPPER_PX) return whole;
  const upper = fitTo(view, wish, UPPER_DEPTH);
  if (!whole || !upper) return whole ?? upper;
  return upper.roughPx < STRAIGHTER * whole.roughPx ? upper : whole;
}

/** The back of a round blade's tooth: what is nearer to the point is it, where it lies flatter than what is looked at with it. */
function backOf(view: PictureView, wish: FlankWish): FlankLine | null {
  const [longer, shorter] = BACK_DEPTHS.map((depth) => fitTo(view, wish, depth)) as [
    FlankLine | null,
    FlankLine | null,
  ];
  if (!longer || !shorter) return longer ?? shorter;
  const flatter = Math.abs(shorter.lean) - Math.abs(longer.lean);
  return flatter > SAME_ERRORS * Math.hypot(longer.leanError, shorter.leanError) ? shorter : longer;
}

function fitTo(view: PictureView, wish: FlankWish, toDepth: number): FlankLine | null {
  const rough = roughFlank(view, wish, toDepth);
  return rough && fineLine(view, wish, rough, toDepth);
}

/** Rougher than this, px, a flank may be bent; its upper part ends at this depth and must be so many pixels long. */
const BENT_PX = 0.16;
const UPPER_DEPTH = 0.45;
/** A round blade's back is looked at to these depths, and lies flatter than this; two fits so many errors apart are one. */
const BACK_DEPTHS = [0.27, 0.2] as const;
const FLAT_LEAN = 1;
const SAME_ERRORS = 3;
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
const INSIDES = new Float64Array(MOST_LOOKS);
const OUTSIDES = new Float64Array(MOST_LOOKS);
const CLEAN = new Uint8Array(MOST_LOOKS);
const SORTED = new Float64Array(MOST_LOOKS);

/**
 * Looks across the edge at every pixel of its length, half way between the greys found on either side of it. Looks
 * through rust, dust or another flank are left out where enough clean ones are left.
 */
function fineLine(view: PictureView, wish: FlankWish, rough: RoughFlank, toDepth: number): FlankLine | null {
  const depth = wish.gulletY - wish.tipY;
  const size = Math.hypot(1, rough.lean);
  // Unit normal out of the tooth: the gullet lies against `way`.
  const nx = -wish.way / size;
  const ny = (wish.way * rough.lean) / size;
  const fromY = wish.tipY + Math.max(FROM_DEPTH * depth, Math.min(CLEAR_PX, CLEAR_DEPTH * depth));
  const toY = Math.min(wish.tipY + toDepth * depth, wish.gulletY - Math.min(CLEAR_PX, CLEAR_DEPTH * depth));
  const count = Math.max(FEWEST_PLACES, Math.min(MOST_LOOKS, Math.floor((toY - fromY) * size)));
  const mean = MEAN.fill(0);
  const yAt = (n: number): number => fromY + ((n + 0.5) / count) * (toY - fromY);
  for (let n = 0; n < count; n++) {
    const y = yAt(n);
    const x = rough.atX + rough.lean * (y - rough.atY);
    const start = n * PROFILE_LENGTH;
    lookAcross(view, x - nx * REACH_PX, y - ny * REACH_PX, nx * STEP_PX, ny * STEP_PX, start);
    for (let k = 0; k < PROFILE_LENGTH; k++) mean[k] = (mean[k] as number) + (LOOKS[start + k] as number) / count;
    INSIDES[n] = endGrey(start);
    OUTSIDES[n] = endGrey(start + PROFILE_LENGTH - END_STEPS);
  }
  const inside = medianOf(INSIDES, count);
  const outside = medianOf(OUTSIDES, count);
  if (Math.abs(outside - inside) < LEAST_CONTRAST) return null;
  const blurPx = blurOf(mean, inside, outside);
  const { overNoise, underNoise } = wish.levels;
  const limits = {
    inside: spoiltBy(outside - inside, underNoise),
    outside: spoiltBy(outside - inside, overNoise),
    edgeSteps: Math.ceil((EDGE_BLURS * blurPx) / STEP_PX) + 1,
  };
  let seen = 0;
  let clean = 0;
  for (let n = 0; n < count; n++) {
    const start = n * PROFILE_LENGTH;
    const off = crossing(start, inside, outside);
    if (Number.isNaN(off)) continue;
    OFFS[seen] = off;
    YS[seen] = yAt(n);
    const ends =
      Math.abs((INSIDES[n] as number) - inside) < END_SHARE * limits.inside &&
      Math.abs((OUTSIDES[n] as number) - outside) < END_SHARE * limits.outside;
    CLEAN[seen] = ends && isClean(start, off, inside, outside, limits) ? 1 : 0;
    clean += CLEAN[seen++] as number;
  }
  const cleanShare = clean / count;
  if (cleanShare > ENOUGH_CLEAN && clean >= FEWEST_CLEAN) {
    let kept = 0;
    for (let n = 0; n < seen; n++) {
      if (!CLEAN[n]) continue;
      OFFS[kept] = OFFS[n] as number;
      YS[kept++] = YS[n] as number;
    }
    seen = kept;
  } else if (cleanShare < MOSTLY_CLEAN) {
    // A small blurred tooth: its gullet nowhere shows the space's own grey, which the line's over it does.
    const space = levelAt(wish.levels.over, view.widthPx, wish.tip.x);
    seen = 0;
    for (let n = 0; n < count; n++) {
      const off = crossing(n * PROFILE_LENGTH, inside, space, true);
      if (Number.isNaN(off)) continue;
      OFFS[seen] = off;
      YS[seen++] = yAt(n);
    }
  }
  return fitOffsets(rough, wish.way, seen, { inside, outside, blurPx, fromY, toY });
}

/** Nearer to the point or the bottom than this, px, looks meet the other flank; of small teeth no more than this share is left out. */
const CLEAR_PX = 3;
const CLEAR_DEPTH = 0.25;

/** The outermost samples of a look at either end say the grey there. */
const END_STEPS = 3;

const endGrey = (start: number): number =>
  ((LOOKS[start] as number) + (LOOKS[start + 1] as number) + (LOOKS[start + 2] as number)) / END_STEPS;

/** A share so small of clean looks, or so few, make no line: then all are taken. */
const ENOUGH_CLEAN = 0.3;
const FEWEST_CLEAN = 8;
const MOSTLY_CLEAN = 0.8;
/** A sample is another thing than the side it lies on when it is off by this share of the contrast and so many noises. */
const SPOILT_SHARE = 0.14;
const SPOILT_NOISES = 4;
/** Three samples' mean is held to this share of it. */
const END_SHARE = 0.4;
/** Samples nearer to the edge than so many blurs are of neither side. */
const EDGE_BLURS = 2.2;

const spoiltBy = (contrast: number, noise: number): number =>
  Math.max(SPOILT_SHARE * Math.abs(contrast), SPOILT_NOISES * noise);

/** Whether a look shows nothing but the two sides of its edge. */
function isClean(
  start: number,
  off: number,
  inside: number,
  outside: number,
  limits: { readonly inside: number; readonly outside: number; readonly edgeSteps: number },
): boolean {
  const edge = MIDDLE_STEP + off / STEP_PX;
  for (let k = 0; k < edge - limits.edgeSteps; k++)
    if (Math.abs((LOOKS[start + k] as number) - inside) > limits.inside) return false;
  for (let k = PROFILE_LENGTH - 1; k > edge + limits.edgeSteps; k--)
    if (Math.abs((LOOKS[start + k] as number) - outside) > limits.outside) return false;
  return true;
}

function medianOf(values: Float64Array, count: number): number {
  SORTED.set(values.subarray(0, count));
  return SORTED.subarray(0, count).sort()[count >> 1] as number;
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
 * a step at e in a window up to b leaves the area b - e. Where the window meets another flank it is `narrow`: then the
 * half-way grey is nearer to the truth.
 */
function crossing(start: number, inside: number, outside: number, narrow = false): number {
  const half = (inside + outside) / 2;
  const rising = outside > inside;
  let best = -1;
  let between = 0;
  for (let k = 0; k + 1 < PROFILE_LENGTH; k++) {
    const a = LOOKS[start + k] as number;
    const b = LOOKS[start + k + 1] as number;
    if (!(rising ? a <= half && b > half : a >= half && b < half)) continue;
    const nearer = Math.abs(half - a) < Math.abs(b - half) ? k : k + 1;
    if (best >= 0 && Math.abs(nearer - MIDDLE_STEP) >= Math.abs(best - MIDDLE_STEP)) continue;
    best = nearer;
    between = k + (half - a) / (b - a);
  }
  if (best < 0) return NaN;
  if (narrow) return -REACH_PX + between * STEP_PX;
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
    let neighbours = 0;
    let last = 0;
    for (let i = 0; i < count; i++) {
      const used = (residuals[i] as number) <= limit;
      const r = (offs[i] as number) - mo - slope * ((ys[i] as number) - my);
      residuals[i] = Math.abs(r);
      if (!used) continue;
      squares += r * r;
      neighbours += last * r;
      last = r;
    }
    const rough = Math.sqrt(squares / Math.max(1, n - 2));
    const variance = Math.max(rough, LEAST_ROUGH) ** 2 * alikeness(squares, neighbours);
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
      atXError: size * Math.hypot(Math.sqrt(variance / n), PIXEL_BIAS / 2),
      leanError:
        syy > 0 ? size * Math.hypot(Math.sqrt(variance / syy), PIXEL_BIAS / Math.sqrt((12 * syy) / n)) : Infinity,
      roughPx: rough,
      places: n,
    };
    if (round < 2) limit = Math.max(OUTLIER * 1.4826 * medianSize(residuals, count), LEAST_LIMIT_PX);
  }
  return result;
}

/**
 * How many places along an edge stand for one: offsets that follow one another with correlation r at one step, and
 * r to the n at n, make a mean's variance (1 + r) / (1 - r) times that of as many of their own (first-order
 * autoregression: Priestley, Spectral Analysis and Time Series, 1981, from memory).
 */
function alikeness(squares: number, neighbours: number): number {
  const r = squares > 0 ? Math.min(neighbours / squares, MOST_ALIKE) : 0;
  return Math.max(LEAST_ALIKE, (1 + r) / (1 - r));
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

/** What the pixels' grid may bend an edge by from one end of a flank to the other, px: no number of places takes it away. No source. */
const PIXEL_BIAS = 0.045;

/** No edge is known better than this at one place, px: eight bits and the lens allow no more. */
const LEAST_ROUGH = 0.03;
