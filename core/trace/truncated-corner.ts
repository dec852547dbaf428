import type { PictureView } from './grey-picture';
import type { FlankLine } from './flank-line';
import { flankX } from './flank-line';
import { greyAt } from './grey-picture';
import { median } from '../units/median';
import { tabledBell, tabledErf } from './normal-tables';

// Over 250 lines: one fit, from pixels to how much of a point is gone and its error; its steps share one view of the corner.

/**
 * What is left of a corner where two flanks would meet: how much of its point is
 * gone, whether jointed flat, rounded by work or filled by the file's corner.
 */
export interface TruncatedCorner {
  /** Where the two lines meet. */
  readonly meetX: number;
  readonly meetY: number;
  /** Rows between the meeting point and what is there; 0 for a sharp corner. px. */
  readonly gonePx: number;
  readonly goneError: number;
  /** More is there than a sharp corner has, by so many errors: dust, a burr, or a wrong flank. */
  readonly excess: number;
  /** How badly a wedge cut off level explains the grey about the point, as a share of the contrast: rust, dust, a nick. */
  readonly misfit: number;
  /** How much less is there than a sharp corner has, as the sum of its looks' shares, and its standard error. */
  readonly deficit: number;
  readonly deficitError: number;
}

/** Where two flanks meet, with the errors of the place; null for lines nearly parallel. */
export function meetingOf(
  left: FlankLine,
  right: FlankLine,
): { x: number; y: number; xError: number; yError: number } | null {
  const spread = right.lean - left.lean;
  if (Math.abs(spread) < 0.05) return null;
  const y = (left.atX - left.lean * left.atY - right.atX + right.lean * right.atY) / spread;
  const x = flankX(left, y);
  const errorAt = (flank: FlankLine): number => Math.hypot(flank.atXError, flank.leanError * (y - flank.atY));
  const [l, r] = [errorAt(left), errorAt(right)];
  return {
    x,
    y,
    yError: Math.hypot(l, r) / Math.abs(spread),
    // x = (xl lean_r - xr lean_l) / spread in the errors of both lines at the meeting row.
    xError: Math.hypot(l * right.lean, r * left.lean) / Math.abs(spread),
  };
}

/** Where a corner is looked at, px from the meeting point, rows counted into the body; and of how many pixels' noise their sum is. */
interface Looks {
  readonly at: readonly (readonly [x: number, y: number])[];
  readonly pixels: number;
  /** The blur there is known to this share. No source. */
  readonly blurSpread: number;
}
type LooksOf = (x: number, y: number, meetX: number, meetY: number, up: 1 | -1) => Looks;

/** Nine looks about a place, so far apart, px. */
const LOOKS = [-0.6, 0, 0.6];
const betweenPixels: LooksOf = (x, y, meetX, meetY, up) => ({
  at: LOOKS.flatMap((along) => LOOKS.map((across) => [x - meetX + across, up * (y - meetY) + along] as const)),
  pixels: 5,
  blurSpread: 0.05,
});
/** The nine pixels about a place, at their middles: no blur is added between them. */
export const onPixels: LooksOf = (x, y, meetX, meetY, up) => ({
  at: [-0.5, 0.5, 1.5].flatMap((i) =>
    [-0.5, 0.5, 1.5].map((j) => [Math.floor(x) + i - meetX, up * (Math.floor(y) + j - meetY)] as const),
  ),
  pixels: 9,
  blurSpread: 0.05,
});
/** Steps of the blur's integral, in blurs. */
const STEP_BLURS = 0.5;
const REACH_BLURS = 3.2;

interface Wedge {
  /** Leans of the two lines, right less left above zero, rows counted down from the meeting point into the body. */
  readonly left: number;
  readonly right: number;
  readonly blurPx: number;
}

/**
 * Share of the body's grey at (x, y) from the meeting point of a wedge cut off level
 * at depth `gone` and blurred by a normal curve: over the rows the curve's density
 * times what lies between the two lines on that row.
 */
function shareAt(wedge: Wedge, x: number, y: number, gone: number): number {
  const { left, right, blurPx: s } = wedge;
  const step = STEP_BLURS * s;
  const from = Math.max(gone, y - REACH_BLURS * s);
  const to = y + REACH_BLURS * s;
  if (to <= from) return 0;
  const count = Math.max(1, Math.ceil((to - from) / step));
  const width = (to - from) / count;
  const scaled = 1 / (s * Math.SQRT2);
  let sum = 0;
  for (let n = 0; n < count; n++) {
    const row = from + (n + 0.5) * width;
    const across = tabledErf((right * row - x) * scaled) - tabledErf((left * row - x) * scaled);
    sum += tabledBell((row - y) / s) * across;
  }
  return (sum * width) / (2 * s * Math.sqrt(2 * Math.PI));
}

/**
 * How much of a corner's point is gone, from the grey where its axis leaves the
 * body: nine looks there are compared with those of a wedge cut off level, and the
 * cut that explains their sum is found by bisection. A corner within its errors of a
 * sharp one is called sharp. A round tip comes out at its own top to a few
 * hundredths of its radius, as the looks lie about its top.
 * `up` is 1 for a tip (metal under the meeting point), -1 for a gullet (space over
 * it); `seenY` is the row of the outline there in whole pixels.
 */
export function truncatedCorner(
  view: PictureView,
  left: FlankLine,
  right: FlankLine,
  up: 1 | -1,
  seenY: number,
  blurPx: number,
  noise: number,
  usual: UsualCorner | null = null,
  looksOf: LooksOf = betweenPixels,
): TruncatedCorner | null {
  const meeting = meetingOf(left, right);
  if (!meeting) return null;
  const { x: meetX, y: meetY } = meeting;
  const sides: [number, number] = up === 1 ? [left.inside, right.inside] : [left.outside, right.outside];
  const rest = up === 1 ? (left.outside + right.outside) / 2 : (left.inside + right.inside) / 2;
  // Rows counted from the meeting point into the body, so a gullet is a tip seen from under.
  const [l, r] = [left.lean * up, right.lean * up];
  const wedge: Wedge = { left: Math.min(l, r), right: Math.max(l, r), blurPx };
  const near = Math.max(0, up * (seenY - meetY));
  // A bevel shows as a strip of its own grey along one flank: whichever grey explains the point is the point's.
  const mean = (sides[0] + sides[1]) / 2;
  const greys = Math.abs(sides[0] - sides[1]) > STRIP_SHARE * Math.abs(mean - rest) ? [mean, ...sides] : [mean];
  let best: { corner: TruncatedCorner; off: number } | null = null;
  for (const body of greys) {
    const look = (x: number, y: number): number => (greyAt(view, meetX + x, meetY + up * y) - rest) / (body - rest);
    const shares = [body, ...greys].map((grey) => (grey - rest) / (body - rest));
    const between = { least: Math.min(...shares), most: Math.max(...shares) };
    // Which grey is a point's, and whether a cut explains a tip: of a plain gullet nobody asks.
    const asked = up === 1 || greys.length > 1;
    const looks = (x: number, y: number): Looks => looksOf(meetX + x, meetY + up * y, meetX, meetY, up);
    const found = cutOf(look, looks, wedge, near, noise / Math.abs(body - rest), meeting.yError, between, usual, asked);
    if (!found) continue;
    const corner = {
      meetX,
      meetY,
      gonePx: found.gone,
      goneError: found.error,
      excess: found.excess,
      misfit: found.misfit,
      deficit: found.deficit,
      deficitError: found.deficitError,
    };
    if (best === null || found.off < best.off) best = { corner, off: found.off };
  }
  return best?.corner ?? null;
}

/** Two insides that differ by this share of the contrast are a bevel's strip and the plate. */
const STRIP_SHARE = 0.1;

/** Where the grey about a point is held against what its cut foretells: in blurs and a pixel from where the axis leaves the body. */
const MISFIT_ALONG = [-1.5, 0, 1.5, 3, 4.5];
const MISFIT_ACROSS = [-1, 0, 1];

interface Cut {
  readonly gone: number;
  readonly error: number;
  readonly excess: number;
  /** How far the grey further in is from what this cut foretells. */
  readonly off: number;
  /** The same, but for what lies between the plate's grey and a bevel's. */
  readonly misfit: number;
  readonly deficit: number;
  readonly deficitError: number;
}

function cutOf(
  look: (x: number, y: number) => number,
  looksOf: (x: number, y: number) => Looks,
  wedge: Wedge,
  near: number,
  noise: number,
  lineError: number,
  between: { readonly least: number; readonly most: number },
  usual: UsualCorner | null,
  asked: boolean,
): Cut | null {
  const { blurPx } = wedge;
  const axis = axisLean(wedge);
  const start = axisCrossing(look, axis, near, blurPx);
  if (start === null) return null;
  const looks = looksOf(axis * start, start);
  const overLooks = (of: (x: number, y: number) => number): number => {
    let sum = 0;
    for (const [x, y] of looks.at) sum += of(x, y);
    return sum;
  };
  const seen = overLooks(look);
  const modelled = (gone: number): number => overLooks((x, y) => shareAt(wedge, x, y, gone));
  const sharp = modelled(0);
  const blurred = overLooks((x, y) => shareAt({ ...wedge, blurPx: blurPx * (1 + looks.blurSpread) }, x, y, 0));
  // Noise of the nine, the lines' own errors (a row more or less of wedge), and the greys'.
  const shifted = overLooks((x, y) => shareAt(wedge, x, y + lineError, 0));
  const own = Math.hypot((noise * looks.at.length) / Math.sqrt(looks.pixels), shifted - sharp);
  // What the greys and the blur are off they are off at every corner of the line.
  const shared = Math.hypot(LEVEL_ERROR * seen, blurred - sharp);
  const error = Math.hypot(own, shared);
  const explained = (gone: number): Pick<Cut, 'off' | 'misfit'> => {
    let [off, misfit] = [0, 0];
    if (!asked) return { off, misfit };
    for (const along of MISFIT_ALONG)
      for (const across of MISFIT_ACROSS) {
        const y = start + along * blurPx + Math.sign(along);
        const x = axis * y + across * (1.5 * blurPx + 1);
        const [seen, share] = [look(x, y), shareAt(wedge, x, y, gone)];
        off += (seen - share) ** 2;
        misfit += Math.max(0, share * between.least - seen, seen - share * between.most) ** 2;
      }
    const count = MISFIT_ALONG.length * MISFIT_ACROSS.length;
    return { off: Math.sqrt(off / count), misfit: Math.sqrt(misfit / count) };
  };
  const most = start + 3 * blurPx + 1;
  const deficit = sharp - seen;
  const weighed = usual ? likelyDeficit({ deficit, error: own }, usual) : { deficit, error: own, like: false };
  const likely = { deficit: weighed.deficit, error: Math.hypot(weighed.error, shared) };
  const found = { excess: Math.max(0, -deficit / error), deficit, deficitError: own };
  // What a small cut takes off the looks' sum grows with its square: the triangle that is missing.
  const ofOneBlur = sharp - modelled(blurPx);
  const cutBy = (less: number): number => Math.min(most, blurPx * Math.sqrt(Math.max(0, less) / ofOneBlur));
  const cutError = (cutBy(likely.deficit + likely.error) - cutBy(likely.deficit - likely.error)) / 2;
  if (likely.deficit < (usual ? 0 : SURE * error))
    return { ...found, gone: 0, error: Math.hypot(lineError, cutError), ...explained(0) };
  const { gone, slope } = solveCut(modelled, sharp - likely.deficit, sharp, most);
  return {
    ...found,
    gone,
    error: Math.hypot(lineError, weighed.like ? Math.min(likely.error / slope, cutError) : likely.error / slope),
    excess: 0,
    ...explained(gone),
  };
}

/** How blunt the corners of a line are: the middle of their deficits and how far those go from it. */
export interface UsualCorner {
  readonly deficit: number;
  readonly spread: number;
}

/** A corner whose deficit is so many errors off the line's is another's: broken, nicked, dusty. */
const OTHER_ERRORS = 4;

/**
 * Corners of one line were worked alike: each one's deficit, weighed against the others' (a normal mean of normal
 * means: Gelman and others, Bayesian Data Analysis, 2013, section 5.4, from memory).
 */
function likelyDeficit(
  own: { readonly deficit: number; readonly error: number },
  usual: UsualCorner,
): { readonly deficit: number; readonly error: number; readonly like: boolean } {
  if (Math.abs(own.deficit - usual.deficit) > OTHER_ERRORS * Math.hypot(own.error, usual.spread))
    return { ...own, like: false };
  const [w, v] = [1 / own.error ** 2, 1 / usual.spread ** 2];
  return {
    deficit: (w * own.deficit + v * usual.deficit) / (w + v),
    error: 1 / Math.sqrt(w + v),
    like: true,
  };
}

/** What corners seen one by one say of all of them: the middle, and the scatter that their errors do not explain. */
export function usualCorner(corners: readonly TruncatedCorner[]): UsualCorner | null {
  if (corners.length < FEWEST_CORNERS) return null;
  const deficit = median(corners.map((c) => c.deficit));
  const error = median(corners.map((c) => c.deficitError));
  const scatter = 1.4826 * median(corners.map((c) => Math.abs(c.deficit - deficit)));
  const spread = Math.sqrt(Math.max(0, scatter ** 2 - error ** 2));
  return { deficit: Math.max(0, deficit), spread: Math.max(spread, LEAST_SPREAD * error) };
}
const FEWEST_CORNERS = 5;
const LEAST_SPREAD = 0.1;

/**
 * The cut at which a falling function takes a value, and its steepness there:
 * regula falsi with the halved end of the Illinois rule (Dowell and Jarratt, BIT 11, 1971, from memory).
 */
function solveCut(
  modelled: (gone: number) => number,
  wanted: number,
  sharp: number,
  most: number,
): { gone: number; slope: number } {
  // With `most` gone nothing of the corner is in the looks any more.
  let [low, high] = [0, most];
  let [atLow, atHigh] = [sharp - wanted, -wanted];
  if (atHigh >= 0) return { gone: most, slope: 1 };
  let [gone, side] = [0, 0];
  for (let n = 0; n < 12; n++) {
    gone = (low * atHigh - high * atLow) / (atHigh - atLow);
    const value = modelled(gone) - wanted;
    if (Math.abs(value) < SOLVED) break;
    if (value > 0) {
      [low, atLow] = [gone, value];
      if (side === 1) atHigh /= 2;
      side = 1;
    } else {
      [high, atHigh] = [gone, value];
      if (side === -1) atLow /= 2;
      side = -1;
    }
  }
  const step = 0.1;
  return { gone, slope: Math.max(0.05, (wanted - modelled(gone + step)) / step) };
}

/** The looks' sum is matched to this share of one look. */
const SOLVED = 0.004;

/** Tangent of the bisector of two lines that leave a point downwards. */
function axisLean({ left, right }: Wedge): number {
  const [a, b] = [Math.hypot(1, left), Math.hypot(1, right)];
  return (left / a + right / b) / (1 / a + 1 / b);
}

/** Rows along the axis from the meeting point to where half the body's grey is reached, nearest to the row seen. */
function axisCrossing(
  look: (x: number, y: number) => number,
  axis: number,
  near: number,
  blurPx: number,
): number | null {
  const from = -2 * blurPx - 1;
  const to = near + 6 * blurPx + 4;
  let best: number | null = null;
  let last = look(axis * from, from);
  for (let y = from + 0.25; y <= to; y += 0.25) {
    const here = look(axis * y, y);
    if (last <= 0.5 && here > 0.5) {
      const at = y - 0.25 + (0.25 * (0.5 - last)) / (here - last);
      if (best === null || Math.abs(at - near) < Math.abs(best - near)) best = at;
    }
    last = here;
  }
  return best;
}

/** A corner of which no others are known is blunt once it stands clear of a sharp one by so many errors. */
const SURE = 0.35;
/** The two greys are known to about this share of their contrast. */
const LEVEL_ERROR = 0.006;
