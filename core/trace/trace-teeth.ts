import type { GreyPicture, PictureView } from './grey-picture';
import { toPicture, toView } from './grey-picture';
import type { LineCorners } from './line-corners';
import { lineCorners } from './line-corners';
import { middle } from '../saw/middle';
import type { MeasuredCorner } from './measure-corners';
import { measureCorners } from './measure-corners';
import { summarise } from './summarise';
import { COARSE_COLUMNS, onCurve } from './tooth-band';
import { toothProfile } from './tooth-profile';
import type { LieWish } from './upright-line';
import { uprightLine } from './upright-line';
import type { PicturePlace, ScanFrame, ToothDoubt, TracedTooth, TraceNote, TraceResult } from './traced-line';

export interface TraceWish extends LieWish {
  readonly mmPerPx: number;
  readonly scaleError?: number;
  /** Which way the saw cuts; a pull saw's faces look to the handle. */
  readonly cuts?: 'push' | 'pull';
  /** Where the heel lies with the teeth up; unsaid, the faces tell. */
  readonly heel?: 'left' | 'right';
  /** Heard now and then with the share of the work that is done. */
  readonly report?: (share: number) => void;
}

/** Fewest pixels from tip to tip that still show two flanks. */
const LEAST_PITCH_PX = 7;
const COARSE_PITCH_PX = 12;
const FEWEST_TEETH = 4;
/** Teeth are evenly spaced and equally deep, but for so many of them: what is not is no saw. */
const REGULAR_SHARE = 0.6;
const REGULAR_OFF = 0.3;
/** Flanks differ by this much before they say which is the face, degrees. */
const TELLING_DEG = 6;
/** A tip this far under the line, in tooth depths, is broken. */
const BROKEN_DEPTH = 0.22;
const SPACING_OFF = 0.25;
const ROUGH_PX = 0.45;
const DUST_ERRORS = 4;

/**
 * A picture of a tooth line into teeth (docs/formats.md describes what comes out).
 * mm and degrees. Method of our own in five looks: where flanks crowd is the line;
 * its two sides' greys are followed along it; the outline seen from over it gives
 * tips and gullets to a pixel; each flank's edge is found square to itself, half
 * way between the greys beside it, and a line fitted with its errors; what is gone
 * of each point comes from the area that is missing under it. Reads a few hundredths
 * of the pixels, writes none. Throws RangeError for a scale that is none.
 */
export function traceTeeth(picture: GreyPicture, wish: TraceWish): TraceResult {
  let first: TraceResult | null = null;
  for (const columns of COARSE_COLUMNS) {
    const result = traceAt(picture, wish, columns);
    if (result.ok) return result;
    first ??= result;
    // Nothing was left out of that look: a finer one sees no more.
    if (Math.max(picture.widthPx, picture.heightPx) <= columns) break;
  }
  return first as TraceResult;
}

function traceAt(picture: GreyPicture, wish: TraceWish, columns: number): TraceResult {
  if (!(wish.mmPerPx > 0) || !Number.isFinite(wish.mmPerPx)) throw new RangeError('The scale must be above zero.');
  const report = wish.report ?? ((): void => undefined);
  if (picture.widthPx < 40 || picture.heightPx < 12) return { ok: false, code: 'too-small' };
  report(0);
  const found = uprightLine(picture, wish, columns);
  if (!('view' in found)) return found;
  report(0.25);
  const { view, band, levels, notes } = found;
  const profile = toothProfile(view, band, levels);
  report(0.4);
  const corners = lineCorners(profile);
  if (!corners) return { ok: false, code: 'no-tooth-line' };
  if (corners.pitchPx < LEAST_PITCH_PX)
    return { ok: false, code: 'teeth-too-fine', facts: { pitchPx: corners.pitchPx } };
  if (corners.pitchPx < COARSE_PITCH_PX) notes.push('coarse-scan');
  const whole = wholeTeeth(profile, corners);
  if (!isRegular(whole.corners)) return { ok: false, code: 'no-tooth-line' };
  const rows = whole.corners.tips.map((tip) => onCurve(band, view.widthPx, tip.x) - tip.rise);
  if (rows.filter((row) => row < 1.5).length > 0.05 * rows.length) return { ok: false, code: 'cut-off' };
  const measured = measureCorners(view, band, levels, whole.corners, (share) => report(0.4 + 0.55 * share));
  const line = inMillimetres(view, whole, measured, wish, notes);
  report(1);
  return line;
}

interface WholeTeeth {
  readonly corners: LineCorners;
  readonly runsOutLeft: boolean;
  readonly runsOutRight: boolean;
}

/** Teeth that the picture's edge cuts through are left out, and that is said. */
function wholeTeeth(profile: Float32Array, corners: LineCorners): WholeTeeth {
  const { pitchPx, depthPx } = corners;
  const reaches = (x: number): boolean => !Number.isNaN(profile[x]);
  const last = profile.length - 1;
  const [left, right] = [reaches(1), reaches(last - 1)];
  const inside = (x: number): boolean => (!left || x > 0.3 * pitchPx) && (!right || x < last - 0.3 * pitchPx);
  const keep = corners.tips.map((tip) => inside(tip.x));
  const from = Math.max(0, keep.indexOf(true));
  const to = keep.lastIndexOf(true) + 1;
  const tips = corners.tips.slice(from, to);
  const gullets = corners.gullets.slice(from, to + 1);
  // The line goes on beyond the edge where there is no low, level plate before it.
  const low = (x: number): boolean => {
    const first = tips[0];
    return first !== undefined && first.rise - (profile[x] as number) > 0.5 * depthPx;
  };
  const clear = (tip: { x: number } | undefined, edge: number): boolean =>
    tip !== undefined && Math.abs(edge - tip.x) > 1.3 * pitchPx && low(edge === 0 ? 1 : last - 1);
  return {
    corners: { ...corners, tips, gullets },
    runsOutLeft: left && !clear(tips[0], 0),
    runsOutRight: right && !clear(tips[tips.length - 1], last),
  };
}

/** Most steps are near one pitch, or two or three where teeth are lost, and most teeth are about as deep. */
function isRegular({ tips, gullets, pitchPx, depthPx }: LineCorners): boolean {
  if (tips.length < FEWEST_TEETH) return false;
  const near = (value: number, usual: number): boolean => Math.abs(value / usual - 1) < REGULAR_OFF;
  const steps = tips.slice(1).map((tip, i) => tip.x - (tips[i]?.x ?? 0));
  const even = steps.filter((step) => near(step, pitchPx)).length;
  const deep = tips.filter((tip, i) =>
    near(tip.rise - ((gullets[i]?.rise ?? 0) + (gullets[i + 1]?.rise ?? 0)) / 2, depthPx),
  ).length;
  return even >= REGULAR_SHARE * steps.length && deep >= REGULAR_SHARE * tips.length && depthPx > 0.12 * pitchPx;
}

const deg = (tangent: number): number => (Math.atan(tangent) * 180) / Math.PI;
/** Error of an angle from that of its tangent, degrees. */
const degError = (tangent: number, error: number): number => ((error / (1 + tangent * tangent)) * 180) / Math.PI;

/** Pixels of the view into teeth, heel first, in mm over their own line. */
function inMillimetres(
  view: PictureView,
  whole: WholeTeeth,
  measured: readonly MeasuredCorner[],
  wish: TraceWish,
  notes: TraceNote[],
): TraceResult {
  const { mmPerPx } = wish;
  const { pitchPx, depthPx } = whole.corners;
  const line = tipLine(measured, depthPx);
  const slopeDeg = deg(line.slope);
  const leanOf = (side: 'left' | 'right'): number[] =>
    measured.flatMap((m) => {
      const flank = m[side];
      return flank ? [(side === 'right' ? 1 : -1) * (deg(flank.lean) + slopeDeg)] : [];
    });
  const [leftDeg, rightDeg] = [middle(leanOf('left')), middle(leanOf('right'))];
  const telling = Math.abs(leftDeg - rightDeg) > TELLING_DEG;
  const pull = wish.cuts === 'pull';
  const facesRight = rightDeg < leftDeg;
  const toldHeelLeft = wish.heel === undefined ? (telling ? facesRight !== pull : true) : wish.heel === 'left';
  if (wish.heel === undefined && !telling) notes.push('heel-guessed');
  if (wish.heel !== undefined && telling && (facesRight !== pull) !== toldHeelLeft) notes.push('faces-look-back');
  if (toldHeelLeft ? whole.runsOutLeft : whole.runsOutRight) notes.push('runs-out-at-heel');
  if (toldHeelLeft ? whole.runsOutRight : whole.runsOutLeft) notes.push('runs-out-at-toe');
  // Faces look to the toe on a push saw, to the heel on a pull saw.
  const faceSide = toldHeelLeft !== pull ? 'right' : 'left';
  const size = Math.hypot(1, line.slope);
  const along = (x: number, y: number): number => (x + line.slope * (y - line.at0)) / size;
  const over = (x: number, y: number): number => -(y - line.at0 - line.slope * x) / size;
  const place = (x: number, y: number): PicturePlace => toPicture(view, x, y);
  const order = toldHeelLeft ? measured : [...measured].reverse();
  const heel = order[0] as MeasuredCorner;
  const heelAt = along(heel.tip.x, heel.tip.y);
  const sign = toldHeelLeft ? 1 : -1;
  const teeth: TracedTooth[] = [];
  order.forEach((m, k) => {
    const next = order[k + 1];
    const face = faceSide === 'right' ? m.right : m.left;
    const back = faceSide === 'right' ? m.left : m.right;
    const localDeg = deg(line.slopeAt(m.tip.x));
    const angle = (flank: MeasuredCorner['left'], side: 'left' | 'right'): number | null =>
      flank ? (side === 'right' ? 1 : -1) * (deg(flank.lean) + localDeg) : null;
    const faceDeg = angle(face, faceSide);
    const backDeg = angle(back, faceSide === 'right' ? 'left' : 'right');
    const yMm = over(m.tip.x, m.tip.y) * mmPerPx;
    const xMm = sign * (along(m.tip.x, m.tip.y) - heelAt) * mmPerPx;
    const breasted = line.fromCurve(m.tip.x, m.tip.y);
    const kind = -breasted > BROKEN_DEPTH * depthPx || (!m.left && !m.right) ? 'broken' : 'tooth';
    const before = teeth[teeth.length - 1];
    if (before) fillGap(teeth, before, xMm, m, pitchPx * mmPerPx, place);
    // The gullet on the toe side is this corner's own where the heel is on the left.
    const gullet = next ? (toldHeelLeft ? m.gullet : next.gullet) : null;
    const chord = next ? (over(m.tip.x, m.tip.y) + over(next.tip.x, next.tip.y)) / 2 : 0;
    const doubts: ToothDoubt[] = [];
    if (kind === 'broken') doubts.push('broken');
    else if (!face || !back) doubts.push('one-flank');
    if (m.excess > DUST_ERRORS) doubts.push('dust-at-tip');
    if (Math.max(face?.roughPx ?? 0, back?.roughPx ?? 0) > ROUGH_PX) doubts.push('rough-flank');
    teeth.push({
      tooth: teeth.length + 1,
      scan: 0,
      kind,
      xMm,
      yMm,
      flatMm: m.flatPx * mmPerPx,
      rakeDeg: faceDeg === null ? null : -faceDeg,
      backDeg,
      gulletMm: gullet && next ? (chord - over(gullet.x, gullet.y)) * mmPerPx : null,
      errors: {
        xMm: m.tip.xError * mmPerPx,
        yMm: m.tip.yError * mmPerPx,
        flatMm: m.flatError * mmPerPx,
        rakeDeg: face ? degError(face.lean, face.leanError) : null,
        backDeg: back ? degError(back.lean, back.leanError) : null,
        gulletMm: gullet ? Math.hypot(gullet.yError, m.tip.yError) * mmPerPx : null,
      },
      doubts,
      tipPx: place(m.tip.x, m.tip.y),
      gulletPx: gullet ? place(gullet.x, gullet.y) : null,
    });
  });
  const scaleError = wish.scaleError ?? 0;
  const marked = markSpacing(teeth);
  if (marked.filter((t) => t.kind === 'tooth').length < FEWEST_TEETH) return { ok: false, code: 'no-tooth-line' };
  const lineAt = (px: number, py: number): [number, number] => {
    const { x, y } = toView(view, px, py);
    return [sign * (along(x, y) - heelAt) * mmPerPx, over(x, y) * mmPerPx];
  };
  return {
    ok: true,
    frames: [frameOf(lineAt)],
    mmPerPx,
    scaleError,
    teeth: marked,
    summary: summarise(marked, scaleError),
    notes,
    skewDeg: slopeDeg,
  };
}

/** A turn and a scale from where they take three places. */
function frameOf(lineAt: (px: number, py: number) => [number, number]): ScanFrame {
  const [from, right, down] = [lineAt(0, 0), lineAt(1, 0), lineAt(0, 1)];
  return {
    x: [right[0] - from[0], down[0] - from[0], from[0]],
    y: [right[1] - from[1], down[1] - from[1], from[1]],
  };
}

/** Teeth lost without a stub between two tips are put in at even steps, named missing. */
function fillGap(
  teeth: TracedTooth[],
  before: TracedTooth,
  xMm: number,
  m: MeasuredCorner,
  pitchMm: number,
  place: (x: number, y: number) => PicturePlace,
): void {
  const lost = Math.round((xMm - before.xMm) / pitchMm) - 1;
  const here = place(m.tip.x, m.tip.y);
  for (let k = 1; k <= lost; k++) {
    const share = k / (lost + 1);
    teeth.push({
      tooth: teeth.length + 1,
      scan: 0,
      kind: 'missing',
      xMm: before.xMm + share * (xMm - before.xMm),
      yMm: 0,
      flatMm: 0,
      rakeDeg: null,
      backDeg: null,
      gulletMm: null,
      errors: { xMm: pitchMm / 4, yMm: 0, flatMm: 0, rakeDeg: null, backDeg: null, gulletMm: null },
      doubts: ['missing'],
      tipPx: {
        x: before.tipPx.x + share * (here.x - before.tipPx.x),
        y: before.tipPx.y + share * (here.y - before.tipPx.y),
      },
      gulletPx: null,
    });
  }
}

/** Teeth that stand off the usual step to both sides want a look. */
function markSpacing(teeth: readonly TracedTooth[]): TracedTooth[] {
  const steps = teeth.slice(1).map((t, i) => t.xMm - (teeth[i] as TracedTooth).xMm);
  const usual = middle(steps);
  const off = (i: number): boolean =>
    i >= 0 && i < steps.length && Math.abs((steps[i] as number) / usual - 1) > SPACING_OFF;
  return teeth.map((t, i) =>
    t.kind === 'tooth' && off(i - 1) && off(i) ? { ...t, doubts: [...t.doubts, 'off-spacing'] } : t,
  );
}

interface TipLine {
  /** Row at x = 0, and rows a column, of the straight line through the tips. */
  readonly at0: number;
  readonly slope: number;
  /** Slope of the breasted line at a place. */
  readonly slopeAt: (x: number) => number;
  /** Rise of a place over the breasted line, px. */
  readonly fromCurve: (x: number, y: number) => number;
}

/** Straight line and parabola through the tips by least squares, short ones left out round by round. */
function tipLine(measured: readonly MeasuredCorner[], depthPx: number): TipLine {
  let used = [...measured];
  let fit = parabola(used);
  for (let round = 0; round < 4; round++) {
    const residual = measured.map((m) => m.tip.y - fit.at(m.tip.x));
    const scatter = 1.4826 * middle(residual.map(Math.abs));
    const limit = Math.max(4 * scatter, 0.05 * depthPx, 0.5);
    const kept = measured.filter((_, i) => Math.abs(residual[i] as number) <= limit);
    if (kept.length < Math.max(FEWEST_TEETH, 0.5 * measured.length)) break;
    used = kept;
    fit = parabola(used);
  }
  const n = used.length;
  const mx = used.reduce((s, m) => s + m.tip.x, 0) / n;
  const my = used.reduce((s, m) => s + m.tip.y, 0) / n;
  const sxx = used.reduce((s, m) => s + (m.tip.x - mx) ** 2, 0);
  const slope = used.reduce((s, m) => s + (m.tip.x - mx) * (m.tip.y - my), 0) / sxx;
  return { at0: my - slope * mx, slope, slopeAt: fit.slopeAt, fromCurve: (x, y) => fit.at(x) - y };
}

function parabola(used: readonly MeasuredCorner[]): { at: (x: number) => number; slopeAt: (x: number) => number } {
  const n = used.length;
  const mean = used.reduce((s, m) => s + m.tip.x, 0) / n;
  const half = Math.max(1, ...used.map((m) => Math.abs(m.tip.x - mean)));
  const us = used.map((m) => (m.tip.x - mean) / half);
  const s = (power: number): number => us.reduce((sum, u) => sum + u ** power, 0);
  const [s1, s2, s3, s4] = [s(1), s(2), s(3), s(4)];
  // Orthogonal: 1, u (s1 is 0 by centring), u^2 - (s3 / s2) u - s2 / n.
  const basis = us.map((u) => u * u - (s3 / s2) * u - s2 / n);
  const norm = basis.reduce((sum, b) => sum + b * b, 0);
  const q = norm > 1e-9 * s4 ? used.reduce((sum, m, i) => sum + (basis[i] as number) * m.tip.y, 0) / norm : 0;
  const p = used.reduce((sum, m, i) => sum + (us[i] as number) * m.tip.y, 0) / s2;
  const c = used.reduce((sum, m) => sum + m.tip.y, 0) / n - (p * s1) / n;
  const at = (x: number): number => {
    const u = (x - mean) / half;
    return c + p * u + q * (u * u - (s3 / s2) * u - s2 / n);
  };
  return { at, slopeAt: (x) => (p + q * ((2 * (x - mean)) / half - s3 / s2)) / half };
}
