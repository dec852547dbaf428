import type { PictureView } from './grey-picture';
import type { FlankLine } from './flank-line';
import { flankX } from './flank-line';

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

/** Rows looked at under a corner, in blurs and at the least. */
const BLURS = 6;
const LEAST_ROWS = 4;

/**
 * A wedge of lines x = l(y), x = r(y) meeting at the top has the area T H^2 / 2
 * down to H under the meeting point, T the spread of their leans. With its top
 * gone by d, whatever is left is the less by T d^2 / 2 (a flat; a round tip of 60
 * degrees comes out 1.09 times its drop, as the segment under a circle is nearly
 * such a triangle). So d = sqrt(2 missing / T), and the area is counted in grey:
 * blur moves no area but over the lower edge of the count, where the wedge widens
 * evenly and the surplus is T blur^2 / 2.
 * `up` is 1 for a tip (metal under the meeting point), -1 for a gullet.
 */
export function truncatedCorner(
  view: PictureView,
  left: FlankLine,
  right: FlankLine,
  up: 1 | -1,
  seenY: number,
  blurPx: number,
  noise: number,
): TruncatedCorner | null {
  const meeting = meetingOf(left, right);
  if (!meeting) return null;
  const { x: meetX, y: meetY } = meeting;
  const spread = Math.abs(right.lean - left.lean);
  const seenGone = Math.max(0, up * (seenY - meetY));
  const wanted = Math.max(LEAST_ROWS, BLURS * blurPx, seenGone + 4 * blurPx);
  // Whole rows only: the count ends on a pixel's edge.
  const endY = up === 1 ? Math.ceil(meetY + wanted) : Math.floor(meetY - wanted);
  const height = up * (endY - meetY);
  const startY = up === 1 ? Math.floor(meetY - 4 * blurPx - 2) : Math.ceil(meetY + 4 * blurPx + 2);
  const side = 4 * blurPx + 1;
  // The body's grey is the metal's for a tip and the open gullet's for a gullet.
  const metal = (left.inside + right.inside) / 2;
  const space = (left.outside + right.outside) / 2;
  const [body, rest] = up === 1 ? [metal, space] : [space, metal];
  let area = 0;
  let pixels = 0;
  const [firstRow, lastRow] = up === 1 ? [startY, endY] : [endY, startY];
  for (let j = firstRow; j < lastRow; j++) {
    const y = j + 0.5;
    const inWedge = up * (y - meetY) > 0;
    const [a, b] = inWedge ? [flankX(left, y), flankX(right, y)] : [meetX, meetX];
    const from = Math.floor(Math.min(a, b, meetX) - side);
    const to = Math.ceil(Math.max(a, b, meetX) + side);
    if (j < 0 || j >= view.heightPx || from < 0 || to > view.widthPx) return null;
    let sum = 0;
    const row = view.origin + j * view.downStep;
    for (let i = from; i < to; i++) sum += view.grey[row + i * view.acrossStep] as number;
    area += (sum - (to - from) * rest) / (body - rest);
    pixels += to - from;
  }
  const full = (spread * (height * height + blurPx * blurPx)) / 2;
  const missing = full - area;
  // Error of the count, and of the full wedge through where its lines meet.
  const areaError = Math.hypot(
    (Math.sqrt(pixels) * noise) / Math.abs(body - rest),
    spread * height * meeting.yError,
    LEVEL_ERROR * full,
  );
  const gone = missing > SURE * areaError ? Math.sqrt((2 * missing) / spread) : 0;
  return {
    meetX,
    meetY,
    gonePx: gone,
    goneError: gone > 0 ? areaError / (spread * gone) : meeting.yError,
    excess: missing < 0 ? -missing / areaError : 0,
  };
}

/** Missing area counts once it stands clear of its error by so many of them. */
const SURE = 2;
/** The two greys are known to about this share of their contrast. */
const LEVEL_ERROR = 0.01;
