import type { FlankLine } from './flank-line';
import { fitFlank } from './fit-flank';
import { flankX } from './flank-line';
import type { PictureView } from './grey-picture';
import type { Corner } from './corner';
import type { LineCorners } from './line-corners';
import type { LineLevels } from './line-levels';
import { median } from '../units/median';
import { fitSmallFlanks } from './small-flanks';
import type { ToothBand } from './tooth-band';
import { onCurve } from './tooth-band';
import type { UsualCorner } from './truncated-corner';
import { meetingOf, onPixels, truncatedCorner, usualCorner } from './truncated-corner';

/** A tooth measured in pixels of the view: its tip, its two flanks, and the gullet on its right. */
export interface MeasuredCorner {
  readonly tip: { readonly x: number; readonly y: number; readonly xError: number; readonly yError: number };
  readonly flatPx: number;
  readonly flatError: number;
  readonly left: FlankLine | null;
  readonly right: FlankLine | null;
  /** Too much metal at the point, in errors. */
  readonly excess: number;
  /** How badly a tooth's point explains the grey there, as a share of the contrast. */
  readonly misfit: number;
  readonly gullet: { readonly x: number; readonly y: number; readonly yError: number } | null;
  /** Row of the tip in whole pixels, and how far it stands over the gullets beside it. */
  readonly roughDepthPx: number;
}

/** Teeth less deep than this are looked at as a whole, px. */
const SMALL_PX = 18;
/** Teeth that say how blunt a line is. */
const SAMPLED = 48;
/** Without flanks a place is known to about a pixel. */
const ROUGH_PLACE_PX = 0.6;
/** Grey unexplained about a point moves it by so many pixels for the whole contrast: seen on made scans. */
const MISFIT_PX = 4;

export function measureCorners(
  view: PictureView,
  band: ToothBand,
  levels: LineLevels,
  corners: LineCorners,
  backsEnd: boolean,
  report: (share: number) => void,
): MeasuredCorner[] {
  const brighter = (levels.under[0] as number) > (levels.over[0] as number);
  const noise = Math.max(0.5, levels.overNoise, levels.underNoise);
  const rowOf = (corner: Corner): number => onCurve(band, view.widthPx, corner.x) - corner.rise;
  const { tips, gullets, pitchPx, depthPx } = corners;
  const flank = (tip: Corner, gullet: Corner, way: 1 | -1): FlankLine | null => {
    // Beside a gap the gullet is looked at near this tooth.
    const near = Math.abs(gullet.x - tip.x) > pitchPx ? tip.x - way * 0.6 * pitchPx : gullet.x;
    const depth = rowOf(gullet) - rowOf(tip);
    if (depth < 0.15 * depthPx) return null;
    return fitFlank(view, {
      tip,
      tipY: rowOf(tip),
      gulletY: rowOf(gullet),
      gulletX: near,
      way,
      mostPx: 1.3 * pitchPx,
      levels,
      brighter,
      backsEnd,
    });
  };
  const alone = tips.map((tip, i) => {
    if (i % 16 === 0) report(i / tips.length);
    // A tooth's left flank is met going right from the gullet on its left.
    return { left: flank(tip, gullets[i] as Corner, 1), right: flank(tip, gullets[i + 1] as Corner, -1) };
  });
  const usualBlurPx = median(alone.flatMap((f) => [f.left, f.right]).flatMap((f) => (f ? [f.blurPx] : []))) || 0.6;
  const small = depthPx < SMALL_PX && !backsEnd;
  const { flanks, blurPx } = small
    ? fitSmallFlanks(
        view,
        tips.map((tip, i) => ({
          ...(alone[i] as { left: FlankLine | null; right: FlankLine | null }),
          tipY: rowOf(tip),
          leftGulletY: rowOf(gullets[i] as Corner),
          rightGulletY: rowOf(gullets[i + 1] as Corner),
        })),
        levels,
        usualBlurPx,
      )
    : { flanks: alone, blurPx: usualBlurPx };
  const looks = small ? onPixels : undefined;
  // What the others are, a tooth is likely to be.
  const step = Math.max(1, Math.floor(tips.length / SAMPLED));
  const usual = usualCorner(
    tips.flatMap((tip, i) => {
      const { left, right } = flanks[i] ?? { left: null, right: null };
      const corner =
        i % step === 0 &&
        left &&
        right &&
        truncatedCorner(view, left, right, 1, rowOf(tip), blurPx, noise, null, looks);
      return corner ? [corner] : [];
    }),
  );
  const measured = tips.map((tip, i): MeasuredCorner => {
    const { left, right } = flanks[i] as { left: FlankLine | null; right: FlankLine | null };
    const tipY = rowOf(tip);
    const below = gullets[i + 1] as Corner;
    const next = flanks[i + 1]?.left ?? null;
    const roughDepthPx = (rowOf(gullets[i] as Corner) + rowOf(below)) / 2 - tipY;
    const gap = (tips[i + 1]?.x ?? Infinity) - tip.x > 1.5 * pitchPx;
    return {
      ...tipOf(view, tip, tipY, left, right, blurPx, noise, usual, looks),
      left,
      right,
      roughDepthPx,
      gullet: tips[i + 1]
        ? gulletOf(view, below, rowOf(below), gap ? null : right, gap ? null : next, blurPx, noise)
        : null,
    };
  });
  return withoutGulletSpecks(measured);
}

/** A gullet's bottom this much nearer to its flanks' meeting than the line's usual one, px, is hidden by a speck. */
const SPECK_PX = 2;
const SPECK_SCATTERS = 3;
const FEWEST_GULLETS = 5;

/** A speck in a gullet fills it: where its flanks are whole its bottom is then taken as far over their meeting as the other gullets'. */
function withoutGulletSpecks(measured: readonly MeasuredCorner[]): MeasuredCorner[] {
  const meetings = measured.map(({ right }, i) => {
    const left = measured[i + 1]?.left ?? null;
    return right && left && meetingOf(right, left);
  });
  const filled = measured.map(({ gullet }, i) => {
    const meeting = meetings[i];
    return gullet && meeting ? meeting.y - gullet.y : NaN;
  });
  const known = filled.filter((px) => !Number.isNaN(px));
  if (known.length < FEWEST_GULLETS) return [...measured];
  const usual = median(known);
  const scatter = 1.4826 * median(known.map((px) => Math.abs(px - usual)));
  return measured.map((m, i) => {
    const meeting = meetings[i];
    const over = (filled[i] as number) - usual;
    if (!m.gullet || !meeting || !m.right || !(over > SPECK_PX + SPECK_SCATTERS * scatter)) return m;
    const left = measured[i + 1]?.left as FlankLine;
    const y = meeting.y - usual;
    const yError = Math.hypot(meeting.yError, scatter, ROUGH_PLACE_PX);
    return { ...m, gullet: { x: (flankX(m.right, y) + flankX(left, y)) / 2, y, yError } };
  });
}

function tipOf(
  view: PictureView,
  tip: Corner,
  tipY: number,
  left: FlankLine | null,
  right: FlankLine | null,
  blurPx: number,
  noise: number,
  usual: UsualCorner | null,
  looks: typeof onPixels | undefined,
): Pick<MeasuredCorner, 'tip' | 'flatPx' | 'flatError' | 'excess' | 'misfit'> {
  const rough = {
    tip: { x: tip.x, y: tipY, xError: ROUGH_PLACE_PX, yError: ROUGH_PLACE_PX },
    flatPx: 0,
    flatError: ROUGH_PLACE_PX,
    excess: 0,
    misfit: 0,
  };
  const meeting = left && right && meetingOf(left, right);
  if (!meeting) return rough;
  const corner = truncatedCorner(view, left, right, 1, tipY, blurPx, noise, usual, looks);
  const gone = corner?.gonePx ?? Math.max(0, tipY - meeting.y);
  const goneError = corner ? Math.hypot(corner.goneError, MISFIT_PX * corner.misfit) : ROUGH_PLACE_PX;
  const y = meeting.y + gone;
  const [a, b] = [flankX(left, y), flankX(right, y)];
  return {
    tip: {
      x: (a + b) / 2,
      y,
      xError: Math.hypot(meeting.xError, (goneError * Math.abs(left.lean + right.lean)) / 2),
      yError: Math.hypot(meeting.yError, goneError),
    },
    flatPx: b - a,
    flatError: goneError * Math.abs(right.lean - left.lean),
    excess: corner?.excess ?? 0,
    misfit: corner?.misfit ?? 0,
  };
}

function gulletOf(
  view: PictureView,
  gullet: Corner,
  gulletY: number,
  face: FlankLine | null,
  back: FlankLine | null,
  blurPx: number,
  noise: number,
): MeasuredCorner['gullet'] {
  const rough = { x: gullet.x, y: gulletY, yError: ROUGH_PLACE_PX };
  const meeting = face && back && meetingOf(face, back);
  if (!meeting) return rough;
  const corner = truncatedCorner(view, face, back, -1, gulletY, blurPx, noise);
  if (!corner) return rough;
  const y = meeting.y - corner.gonePx;
  // A wide bottom is no filled V: there the outline itself says its depth.
  if (Math.abs(y - gulletY) > 2 + 2 * blurPx) return rough;
  return { x: (flankX(face, y) + flankX(back, y)) / 2, y, yError: Math.hypot(meeting.yError, corner.goneError) };
}
