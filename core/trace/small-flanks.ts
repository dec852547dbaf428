import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { FlankLine } from './flank-line';
import { flankX, PIXEL_BIAS } from './flank-line';
import type { PictureView } from './grey-picture';
import type { LineLevels } from './line-levels';
import { levelAt } from './line-levels';
import { tabledBell, tabledErf } from './normal-tables';

// Over 250 lines: one fit of flanks too short to be fitted apart; its model, its weights and its errors belong together.

/** One tooth's flanks as they were fitted, each by itself, and the rows of its tip and of the gullets beside it. px of the view. */
export interface SmallTooth {
  readonly left: FlankLine | null;
  readonly right: FlankLine | null;
  readonly tipY: number;
  readonly leftGulletY: number;
  readonly rightGulletY: number;
}

type Flanks = Pick<SmallTooth, 'left' | 'right'>;
interface Pair {
  readonly left: FlankLine;
  readonly right: FlankLine;
}

/** Rows nearer than so many blurs to a tip or to a gullet's bottom: work and the file's corner round them. */
const TIP_BLURS = 0.8;
const GULLET_BLURS = 1.2;
/** Pixels further from an edge than so many blurs show nothing of it. */
const EDGE_BLURS = 3;
/** The blur's integral over the rows: so many to either side, so many blurs apart. */
const ROWS = 4;
const STEP_BLURS = 0.7;
const ROW_WEIGHTS = Float64Array.from({ length: 2 * ROWS + 1 }, (_, n) => tabledBell((n - ROWS) * STEP_BLURS));
/** Rounds in which the teeth are fitted one after the other, each beside its neighbours as they are then. */
const ROUNDS = 3;
/** Teeth that the blur is fitted to. */
const SAMPLED = 24;
/** Plate beside the points is as grey as that under them to this share of the contrast. No source. */
const PLATE_SPREAD = 0.06;
/** A fit whose grey is off by more than so many noises, and by this share of the contrast, is of something else: the flanks stay as they were. */
const MOST_NOISES = 1.8;
const MOST_SHARE = 0.06;
/** Pixels of a picture that was drawn anew share their noise: so many stand for one. */
const ALIKE = 2;
const FEWEST_PIXELS = 24;
/** A pixel so many noises off shows another thing; where fewer than this share of them is the tooth's own its flanks stay as they were. */
const CLEAN_NOISES = 7;
const LEAST_CLEAN = 0.6;

/**
 * Teeth so small that a look square to one flank meets the next: all flanks of a tooth at once, by least squares of
 * the grey itself. On a row y' a sharp picture is plate between the flanks of every tooth that has a point over it,
 * and where the next tooth's flank crosses this one's, under a gullet's bottom. Blurred by a normal curve of deviation
 * s a pixel (x, y) shows of plate the rows' mean, with the weights f((y' - y) / s), of the sum over those stretches
 * from a to b of F((x - a) / s) - F((x - b) / s); F and f are the normal distribution and its density.
 */
export function fitSmallFlanks(
  view: PictureView,
  teeth: readonly SmallTooth[],
  levels: LineLevels,
  usualBlurPx: number,
): { readonly flanks: Flanks[]; readonly blurPx: number } {
  const now: Flanks[] = teeth.map(({ left, right }) => ({ left, right }));
  const pairAt = (k: number): Pair | null => {
    const { left = null, right = null } = now[k] ?? {};
    return left && right ? { left, right } : null;
  };
  const sceneOf = (k: number, own: Pair): Scene => ({
    view,
    tooth: teeth[k] as SmallTooth,
    pairs: [pairAt(k - 1), own, pairAt(k + 1)],
    levels,
  });
  let blurPx = usualBlurPx;
  for (let round = 0; round < ROUNDS; round++) {
    teeth.forEach((_, k) => {
      const own = pairAt(k);
      if (own) now[k] = fitTooth(sceneOf(k, own), blurPx, round === ROUNDS - 1) ?? own;
    });
    blurPx = fitBlur(
      teeth.flatMap((_, k) => {
        const own = k % Math.ceil(teeth.length / SAMPLED) === 0 ? pairAt(k) : null;
        return own ? [sceneOf(k, own)] : [];
      }),
      blurPx,
    );
  }
  return { flanks: now, blurPx };
}

/** A tooth between its neighbours. */
interface Scene {
  readonly view: PictureView;
  readonly tooth: SmallTooth;
  readonly pairs: readonly [Pair | null, Pair, Pair | null];
  readonly levels: LineLevels;
}

/** What a pixel is foretold to show of plate, and how that changes as the own flanks move along the row and lean; all in one room. */
const SHOWN = new Float64Array(5);
/** Where the flanks of up to three teeth cross a row, from left to right of each. */
const CROSSINGS = new Float64Array(6);
const PASSED = new Float64Array(6);
/** Stretches of a row between two crossings: the teeth, and, taken off again, what two teeth share under a gullet's bottom. */
const STRETCHES = [
  [0, 1, 1],
  [2, 3, 1],
  [4, 5, 1],
  [2, 1, -1],
  [4, 3, -1],
] as const;
/** Crossings that are the own tooth's. */
const OWN_LEFT = 2;
const OWN_RIGHT = 3;

function foretell(pairs: Scene['pairs'], x: number, y: number, blurPx: number): void {
  const own = pairs[1];
  let [share, left, leftLean, right, rightLean, weights] = [0, 0, 0, 0, 0, 0];
  const scaled = 1 / (blurPx * Math.SQRT2);
  for (let n = -ROWS; n <= ROWS; n++) {
    const row = y + n * STEP_BLURS * blurPx;
    const weight = ROW_WEIGHTS[n + ROWS] as number;
    weights += weight;
    for (let t = 0; t < 3; t++) {
      const pair = pairs[t];
      CROSSINGS[2 * t] = pair ? flankX(pair.left, row) : NaN;
      CROSSINGS[2 * t + 1] = pair ? flankX(pair.right, row) : NaN;
    }
    for (let e = 0; e < 6; e++) PASSED[e] = tabledErf((x - (CROSSINGS[e] as number)) * scaled) / 2;
    let [leftSign, rightSign] = [0, 0];
    for (const [from, to, sign] of STRETCHES) {
      if (!((CROSSINGS[from] as number) < (CROSSINGS[to] as number))) continue;
      share += sign * weight * ((PASSED[from] as number) - (PASSED[to] as number));
      if (from === OWN_LEFT) leftSign -= sign;
      if (to === OWN_RIGHT) rightSign += sign;
    }
    if (leftSign !== 0) {
      const slope = leftSign * weight * tabledBell((x - (CROSSINGS[OWN_LEFT] as number)) / blurPx);
      left += slope;
      leftLean += slope * (row - own.left.atY);
    }
    if (rightSign !== 0) {
      const slope = rightSign * weight * tabledBell((x - (CROSSINGS[OWN_RIGHT] as number)) / blurPx);
      right += slope;
      rightLean += slope * (row - own.right.atY);
    }
  }
  const density = 1 / (weights * blurPx * Math.sqrt(2 * Math.PI));
  SHOWN[0] = share / weights;
  SHOWN[1] = left * density;
  SHOWN[2] = leftLean * density;
  SHOWN[3] = right * density;
  SHOWN[4] = rightLean * density;
}

/** Calls with every pixel that a tooth's flanks are fitted to. */
function overPixels(
  { view, tooth, pairs }: Scene,
  blurPx: number,
  use: (i: number, j: number, grey: number) => void,
): void {
  const { left, right } = pairs[1];
  const fromY = tooth.tipY + TIP_BLURS * blurPx;
  for (const [flank, way, gulletY] of [
    [left, -1, tooth.leftGulletY],
    [right, 1, tooth.rightGulletY],
  ] as const) {
    const toY = gulletY - GULLET_BLURS * blurPx;
    const reach = EDGE_BLURS * blurPx * Math.hypot(1, flank.lean);
    for (let j = Math.max(0, Math.ceil(fromY - 0.5)); j + 0.5 <= toY && j < view.heightPx; j++) {
      const edge = flankX(flank, j + 0.5);
      const middle = (flankX(left, j + 0.5) + flankX(right, j + 0.5)) / 2;
      const to = Math.min(view.widthPx - 1, edge + reach - 0.5);
      for (let i = Math.max(0, Math.ceil(edge - reach - 0.5)); i <= to; i++)
        // Each pixel is one flank's.
        if ((i + 0.5 - middle) * way >= 0)
          use(i, j, view.grey[view.origin + i * view.acrossStep + j * view.downStep] as number);
    }
  }
}

function greysOf({ view, pairs, levels, tooth }: Scene): { space: number; contrast: number; noise: number } {
  const x = (flankX(pairs[1].left, tooth.tipY) + flankX(pairs[1].right, tooth.tipY)) / 2;
  const space = levelAt(levels.over, view.widthPx, x);
  return {
    space,
    contrast: levelAt(levels.under, view.widthPx, x) - space,
    noise: Math.max(0.7, levels.overNoise, levels.underNoise),
  };
}

/** The blur that explains sampled teeth best, one step of least squares. */
function fitBlur(scenes: readonly Scene[], blurPx: number): number {
  let [sizes, sums] = [0, 0];
  const more = 1.03 * blurPx;
  for (const scene of scenes) {
    const { space, contrast } = greysOf(scene);
    overPixels(scene, blurPx, (i, j, grey) => {
      foretell(scene.pairs, i + 0.5, j + 0.5, blurPx);
      const share = SHOWN[0] as number;
      foretell(scene.pairs, i + 0.5, j + 0.5, more);
      const slope = (contrast * ((SHOWN[0] as number) - share)) / (more - blurPx);
      sizes += slope ** 2;
      sums += slope * (grey - space - contrast * share);
    });
  }
  return sizes > 0 ? Math.min(1.3 * blurPx, Math.max(0.75 * blurPx, blurPx + sums / sizes)) : blurPx;
}

/** Rooms for one pixel's slopes and the sums of their products. */
const SLOPES = new Float64Array(5);
const PRODUCTS = new Float64Array(25);

/** One step of least squares of a tooth's two flanks and its plate's grey; null where the grey is not a tooth's. */
function fitTooth(scene: Scene, blurPx: number, last: boolean): Flanks | null {
  const { tooth, pairs } = scene;
  const below = GULLET_BLURS * blurPx;
  const { space, contrast, noise } = greysOf(scene);
  PRODUCTS.fill(0);
  const sums = [0, 0, 0, 0, 0];
  let [squares, clean, pixels] = [0, 0, 0];
  overPixels(scene, blurPx, (i, j, grey) => {
    foretell(scene.pairs, i + 0.5, j + 0.5, blurPx);
    const share = SHOWN[0] as number;
    const off = grey - space - contrast * share;
    // Huber's weights at first, dust has little; at last Tukey's, it has none.
    const weight = last
      ? Math.max(0, 1 - (off / (CLEAN_NOISES * noise)) ** 2) ** 2
      : Math.min(1, (3 * noise) / Math.max(1e-9, Math.abs(off)));
    for (let a = 0; a < 4; a++) SLOPES[a] = contrast * (SHOWN[a + 1] as number);
    SLOPES[4] = contrast * share;
    for (let a = 0; a < 5; a++) {
      const slope = weight * (SLOPES[a] as number);
      sums[a] = (sums[a] as number) + slope * off;
      for (let b = 0; b <= a; b++)
        PRODUCTS[5 * a + b] = (PRODUCTS[5 * a + b] as number) + slope * (SLOPES[b] as number);
    }
    squares += weight * off * off;
    clean += weight;
    pixels++;
  });
  if (pixels < FEWEST_PIXELS || (last && clean < LEAST_CLEAN * pixels)) return null;
  const rms = Math.sqrt(squares / clean);
  if (rms > MOST_NOISES * noise + MOST_SHARE * Math.abs(contrast)) return null;
  const squaresOf = new Matrix(5, 5);
  for (let a = 0; a < 5; a++)
    for (let b = 0; b <= a; b++) {
      squaresOf.set(a, b, PRODUCTS[5 * a + b] as number);
      squaresOf.set(b, a, PRODUCTS[5 * a + b] as number);
    }
  squaresOf.set(4, 4, squaresOf.get(4, 4) + (noise / PLATE_SPREAD) ** 2);
  const solved = new CholeskyDecomposition(squaresOf);
  if (!solved.isPositiveDefinite()) return null;
  const inverse = solved.solve(Matrix.eye(5));
  const moves = inverse.mmul(Matrix.columnVector(sums));
  const variance = Math.max(noise, rms) ** 2 * ALIKE;
  const fromY = tooth.tipY + TIP_BLURS * blurPx;
  const moved = (flank: FlankLine, a: number, toY: number): FlankLine => ({
    ...flank,
    inside: space + contrast * (1 + moves.get(4, 0)),
    outside: space,
    blurPx,
    atX: flank.atX + moves.get(a, 0),
    lean: flank.lean + moves.get(a + 1, 0),
    fromY,
    toY,
    atXError: Math.hypot(Math.sqrt(variance * inverse.get(a, a)), PIXEL_BIAS / 2),
    leanError: Math.hypot(Math.sqrt(variance * inverse.get(a + 1, a + 1)), PIXEL_BIAS / (toY - fromY)),
    places: pixels,
    roughPx: rms / Math.abs(contrast),
  });
  return {
    left: moved(pairs[1].left, 0, tooth.leftGulletY - below),
    right: moved(pairs[1].right, 2, tooth.rightGulletY - below),
  };
}
