import type { PictureView } from './grey-picture';
import { greyAt } from './grey-picture';
import type { LineLevels } from './line-levels';

/** Reach of the look across an edge, px, and its step. */
const REACH_PX = 4;
const STEP_PX = 0.5;
/** Looks across the edge that the line is fitted to. */
export const MOST_LOOKS = 80;

const PROFILE_LENGTH = 2 * Math.round(REACH_PX / STEP_PX) + 1;
const MIDDLE_STEP = (PROFILE_LENGTH - 1) / 2;

/** Rooms for one flank's looks, used anew for each: they are never kept. */
const LOOKS = new Float64Array(MOST_LOOKS * PROFILE_LENGTH);
const MEAN = new Float64Array(PROFILE_LENGTH);
const INSIDES = new Float64Array(MOST_LOOKS);
const OUTSIDES = new Float64Array(MOST_LOOKS);
const SORTED = new Float64Array(MOST_LOOKS);

/** The outermost samples of a look at either end say the grey there. */
const END_STEPS = 3;

const endGrey = (start: number): number =>
  ((LOOKS[start] as number) + (LOOKS[start + 1] as number) + (LOOKS[start + 2] as number)) / END_STEPS;

type XY = readonly [x: number, y: number];

/**
 * The look number `n` into its room, its middle at a place of the view, along a unit normal out of the tooth:
 * {@link greyAt} at equal steps, without its care for the picture's edge where that is far.
 */
export function lookAcross(view: PictureView, [midX, midY]: XY, [nx, ny]: XY, n: number): void {
  const { widthPx, heightPx, grey, origin, acrossStep, downStep } = view;
  const start = n * PROFILE_LENGTH;
  const [x, y, dx, dy] = [midX - nx * REACH_PX, midY - ny * REACH_PX, nx * STEP_PX, ny * STEP_PX];
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

/** What the looks across one edge show on its two sides: greys, the blur between them (px), and how far a clean sample may be off. */
export interface EdgeSides {
  readonly inside: number;
  readonly outside: number;
  readonly blurPx: number;
  readonly limits: { readonly inside: number; readonly outside: number; readonly edgeSteps: number };
}

/** The sides of the first `count` looks; null where they are no two. */
export function sidesOf(count: number, { underNoise, overNoise }: LineLevels): EdgeSides | null {
  const mean = MEAN.fill(0);
  for (let n = 0; n < count; n++) {
    const start = n * PROFILE_LENGTH;
    for (let k = 0; k < PROFILE_LENGTH; k++) mean[k] = (mean[k] as number) + (LOOKS[start + k] as number) / count;
    INSIDES[n] = endGrey(start);
    OUTSIDES[n] = endGrey(start + PROFILE_LENGTH - END_STEPS);
  }
  const [inside, outside] = [medianOf(INSIDES, count), medianOf(OUTSIDES, count)];
  if (Math.abs(outside - inside) < LEAST_CONTRAST) return null;
  const blurPx = blurOf(mean, inside, outside);
  const limits = {
    inside: spoiltBy(outside - inside, underNoise),
    outside: spoiltBy(outside - inside, overNoise),
    edgeSteps: Math.ceil((EDGE_BLURS * blurPx) / STEP_PX) + 1,
  };
  return { inside, outside, blurPx, limits };
}

/** Less than this between the two sides of an edge is no edge, grey levels. */
const LEAST_CONTRAST = 8;

/** A sample is another thing than the side it lies on when it is off by this share of the contrast and so many noises. */
const SPOILT_SHARE = 0.14;
const SPOILT_NOISES = 4;
/** Three samples' mean is held to this share of it. */
const END_SHARE = 0.4;
/** Samples nearer to the edge than so many blurs are of neither side. */
const EDGE_BLURS = 2.2;

const spoiltBy = (contrast: number, noise: number): number =>
  Math.max(SPOILT_SHARE * Math.abs(contrast), SPOILT_NOISES * noise);

/** Whether the look number `n`, its edge `off` px out of its middle, shows nothing but the two sides of it. */
export function isClean(n: number, off: number, { inside, outside, limits }: EdgeSides): boolean {
  if (Math.abs((INSIDES[n] as number) - inside) >= END_SHARE * limits.inside) return false;
  if (Math.abs((OUTSIDES[n] as number) - outside) >= END_SHARE * limits.outside) return false;
  const start = n * PROFILE_LENGTH;
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

/** Looks on either side of the crossing that its place is drawn from. */
const MOMENT_STEPS = 4;

/**
 * Where the look number `n` passes from the tooth to the space, nearest to where the edge was
 * expected; px outwards, NaN where it does not pass. The crossing of the half-way grey leans towards the middles
 * of pixels; the area under the step does not, whatever its blur, so that decides:
 * a step at e in a window up to b leaves the area b - e.
 */
export function crossing(n: number, inside: number, outside: number): number {
  const start = n * PROFILE_LENGTH;
  const half = (inside + outside) / 2;
  const rising = outside > inside;
  let best = -1;
  for (let k = 0; k + 1 < PROFILE_LENGTH; k++) {
    const a = LOOKS[start + k] as number;
    const b = LOOKS[start + k + 1] as number;
    if (!(rising ? a <= half && b > half : a >= half && b < half)) continue;
    const nearer = Math.abs(half - a) < Math.abs(b - half) ? k : k + 1;
    if (best >= 0 && Math.abs(nearer - MIDDLE_STEP) >= Math.abs(best - MIDDLE_STEP)) continue;
    best = nearer;
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
