import { median } from '../units/median';
import type { BevelStrip } from './bevel-strips';
import { fillGaps } from './fill-gaps';
import type { PictureView } from './grey-picture';
import { toPicture, toView } from './grey-picture';
import type { FlankLine } from './flank-line';
import { markAngles } from './mark-angles';
import { markSpacing } from './mark-spacing';
import type { MeasuredCorner } from './measure-corners';
import { withRakers } from './raker-pattern';
import { summedUp } from './summarise';
import { FEWEST_TEETH, tipLine } from './tip-line';
import type { TipLine } from './tip-line';
import type { TraceWish } from './trace-wish';
import type {
  ScanFrame,
  ToothDoubt,
  TracedBevel,
  TracedRaker,
  TracedTooth,
  TraceNote,
  TraceResult,
} from './traced-line';
import type { WholeTeeth } from './whole-teeth';

// Over 250 lines: one passage from corners in px to teeth in mm with their doubts; each step takes the one before whole.

/** Flanks differ by this much before they say which is the face, degrees. */
const TELLING_DEG = 6;
/** A tip this far under the line, in tooth depths, is broken; one as far over it has something on its stub. */
const BROKEN_DEPTH = 0.22;
const ROUGH_PX = 0.45;
const DUST_ERRORS = 4;
/** Grey about a point that is off by this share of the contrast from what any cut of it explains. Of clean made scans one in a hundred goes half as far. */
const MISFIT = 0.085;

/** Of a point between bevels of another grey it may be so much more. */
const MISFIT_OF_BEVELS = 0.25;

const isBevelled = ({ strips }: SeenCorner): boolean =>
  [strips?.left, strips?.right].some((strip) => strip && strip.widthPx > 0);

const deg = (tangent: number): number => (Math.atan(tangent) * 180) / Math.PI;
/** Error of an angle from that of its tangent, degrees. */
const degError = (tangent: number, error: number): number => ((error / (1 + tangent * tangent)) * 180) / Math.PI;

/** One tooth's tips, the heel's first: the same corner twice, but for a raker's two. */
interface Tips {
  readonly heel: SeenCorner;
  readonly toe: SeenCorner;
}

/** A corner with the bevels seen beside its flanks. */
interface SeenCorner extends MeasuredCorner {
  readonly strips?: { readonly left: BevelStrip | null; readonly right: BevelStrip | null };
}

/** How the view lies against the saw: which end the heel is, which side the faces look to, and places in mm. */
interface Lie {
  readonly view: PictureView;
  readonly line: TipLine;
  readonly heelLeft: boolean;
  readonly faceSide: 'left' | 'right';
  readonly depthPx: number;
  readonly mmPerPx: number;
  readonly placeErrorMm: number;
  /** Along the line and over it, px. */
  readonly along: (x: number, y: number) => number;
  readonly over: (x: number, y: number) => number;
}

/** Pixels of the view into teeth, heel first, in mm over their own line. */
export function lineInMm(
  view: PictureView,
  whole: WholeTeeth,
  measured: readonly SeenCorner[],
  wish: TraceWish,
  notes: TraceNote[],
): TraceResult {
  const { mmPerPx } = wish;
  const { pitchPx, depthPx, pairs } = whole.corners;
  const inRaker = (i: number): boolean => (pairs[i] ?? false) || (pairs[i - 1] ?? false);
  const cutters = measured.filter((_, i) => !inRaker(i));
  if (cutters.length < FEWEST_TEETH) return { ok: false, code: 'no-tooth-line' };
  const line = tipLine(cutters, depthPx);
  const size = Math.hypot(1, line.slope);
  const ends = endsOf(measured, deg(line.slope), whole, wish, notes);
  const lie: Lie = {
    ...ends,
    view,
    line,
    depthPx,
    mmPerPx,
    placeErrorMm: wish.placeErrorMm ?? 0,
    along: (x, y) => (x + line.slope * (y - line.at0)) / size,
    over: (x, y) => -(y - line.at0 - line.slope * x) / size,
  };
  const order = tipsInOrder(measured, pairs, lie.heelLeft);
  const first = (order[0] as Tips).heel.tip;
  const sign = lie.heelLeft ? 1 : -1;
  const heelAt = lie.along(first.x, first.y);
  const raw = order.map((tips, k) =>
    toothOf(tips, order[k + 1] ?? null, lie, (along) => sign * (along - heelAt) * mmPerPx),
  );
  const own = withoutStrays(raw, pitchPx * mmPerPx);
  // A raker at the heel has its middle further on than its first tip: the first tooth stands at 0.
  const start = own[0]?.xMm ?? 0;
  const teeth = fillGaps(
    own.map((t) => ({ ...t, xMm: t.xMm - start, ...(t.raker && { raker: shifted(t.raker, -start) }) })),
    pitchPx * mmPerPx,
  );
  const marked = markAngles(markSpacing(wish.pattern === undefined ? teeth : withRakers(teeth, wish.pattern)));
  if (marked.filter((t) => t.kind === 'tooth' && !t.raker).length < FEWEST_TEETH)
    return { ok: false, code: 'no-tooth-line' };
  const lineAt = (px: number, py: number): [number, number] => {
    const { x, y } = toView(view, px, py);
    return [sign * (lie.along(x, y) - heelAt) * mmPerPx - start, lie.over(x, y) * mmPerPx];
  };
  const scaleError = wish.scaleError ?? 0;
  return {
    ok: true,
    frames: [frameOf(lineAt)],
    mmPerPx,
    scaleError,
    ...summedUp(marked, scaleError),
    notes,
    // With the heel on the left and the teeth up one looks at the plate's right side.
    sideSeen: lie.heelLeft ? 'right' : 'left',
    skewDeg: deg(line.slope),
  };
}

/** A stub that stands alone beyond a lost tooth at either end is dust on the plate's edge, no tooth. */
function withoutStrays(teeth: readonly TracedTooth[], pitchMm: number): TracedTooth[] {
  const apart = (a: TracedTooth | undefined, b: TracedTooth | undefined): boolean =>
    !!a && !!b && b.xMm - a.xMm > STRAY_PITCHES * pitchMm;
  let [from, to] = [0, teeth.length];
  while (to - from > FEWEST_TEETH && teeth[from]?.kind === 'broken' && apart(teeth[from], teeth[from + 1])) from++;
  while (to - from > FEWEST_TEETH && teeth[to - 1]?.kind === 'broken' && apart(teeth[to - 2], teeth[to - 1])) to--;
  return teeth.slice(from, to);
}

const STRAY_PITCHES = 1.55;

/** Faces look to the toe on a push saw, to the heel on a pull saw: they tell the ends, unless somebody did. */
function endsOf(
  measured: readonly MeasuredCorner[],
  slopeDeg: number,
  whole: WholeTeeth,
  wish: TraceWish,
  notes: TraceNote[],
): Pick<Lie, 'heelLeft' | 'faceSide'> {
  const leanOf = (side: 'left' | 'right'): number[] =>
    measured.flatMap((m) => {
      const flank = m[side];
      return flank ? [(side === 'right' ? 1 : -1) * (deg(flank.lean) + slopeDeg)] : [];
    });
  const [leftDeg, rightDeg] = [median(leanOf('left')), median(leanOf('right'))];
  const telling = Math.abs(leftDeg - rightDeg) > TELLING_DEG;
  const pull = wish.cuts === 'pull';
  const facesRight = rightDeg < leftDeg;
  const heelLeft = wish.heel === undefined ? (telling ? facesRight !== pull : true) : wish.heel === 'left';
  if (wish.heel === undefined && !telling) notes.push('heel-guessed');
  if (wish.heel !== undefined && telling && (facesRight !== pull) !== heelLeft) notes.push('faces-look-back');
  if (heelLeft ? whole.runsOutLeft : whole.runsOutRight) notes.push('runs-out-at-heel');
  if (heelLeft ? whole.runsOutRight : whole.runsOutLeft) notes.push('runs-out-at-toe');
  return { heelLeft, faceSide: heelLeft !== pull ? 'right' : 'left' };
}

/** Corners into teeth from the heel, a raker's two tips together. */
function tipsInOrder(measured: readonly SeenCorner[], pairs: readonly boolean[], heelLeft: boolean): Tips[] {
  const fromLeft = measured.flatMap((m, i): Tips[] => {
    if (pairs[i - 1]) return [];
    const right = pairs[i] ? (measured[i + 1] as SeenCorner) : m;
    return [heelLeft ? { heel: m, toe: right } : { heel: right, toe: m }];
  });
  return heelLeft ? fromLeft : fromLeft.reverse();
}

function toothOf({ heel, toe }: Tips, next: Tips | null, lie: Lie, place: (along: number) => number): TracedTooth {
  const { line, over, mmPerPx, faceSide, heelLeft } = lie;
  const backSide = faceSide === 'right' ? 'left' : 'right';
  const pulled = faceSide === (heelLeft ? 'left' : 'right');
  // The face is on the toe's side of a push saw's tooth, on the heel's of a pull saw's.
  const [face, back] = [(pulled ? heel : toe)[faceSide], (pulled ? toe : heel)[backSide]];
  const [x, y] = [(heel.tip.x + toe.tip.x) / 2, (heel.tip.y + toe.tip.y) / 2];
  const two = heel !== toe;
  const share = two ? 0.5 : 1;
  const angle = (flank: FlankLine | null, side: 'left' | 'right'): number | null =>
    flank ? (side === 'right' ? 1 : -1) * (deg(flank.lean) + deg(line.slopeAt(x))) : null;
  const slopeError = degError(line.slopeAt(x), line.slopeErrorAt(x));
  const angleError = (flank: FlankLine | null): number | null =>
    flank && Math.hypot(degError(flank.lean, flank.leanError), slopeError);
  const faceDeg = angle(face, faceSide);
  const high = line.fromCurve(x, y) / lie.depthPx;
  const kind = Math.abs(high) > BROKEN_DEPTH || (!heel.left && !heel.right) ? 'broken' : 'tooth';
  // The gullet on the toe side is this corner's own where the heel is on the left.
  const gullet = next ? (heelLeft ? toe.gullet : next.heel.gullet) : null;
  const chord = next ? (over(toe.tip.x, toe.tip.y) + over(next.heel.tip.x, next.heel.tip.y)) / 2 : 0;
  const doubts: ToothDoubt[] = [];
  if (kind === 'broken') doubts.push('broken');
  else if (!face || !back) doubts.push('one-flank');
  if (
    Math.max(heel.excess, toe.excess) > DUST_ERRORS ||
    Math.max(heel.misfit, toe.misfit) > (isBevelled(heel) ? MISFIT_OF_BEVELS : MISFIT) ||
    high > BROKEN_DEPTH
  )
    doubts.push('dust-at-tip');
  if (Math.max(face?.roughPx ?? 0, back?.roughPx ?? 0) > ROUGH_PX) doubts.push('rough-flank');
  return {
    tooth: 0,
    scan: 0,
    kind,
    xMm: place(lie.along(x, y)),
    yMm: over(x, y) * mmPerPx,
    flatMm: two ? 0 : heel.flatPx * mmPerPx,
    rakeDeg: faceDeg === null ? null : -faceDeg,
    backDeg: angle(back, backSide),
    gulletMm: gullet && next ? (chord - over(gullet.x, gullet.y)) * mmPerPx : null,
    errors: {
      xMm: Math.hypot(heel.tip.xError * share * mmPerPx, two ? toe.tip.xError * share * mmPerPx : 0, lie.placeErrorMm),
      yMm: Math.hypot(heel.tip.yError * share * mmPerPx, two ? toe.tip.yError * share * mmPerPx : 0, lie.placeErrorMm),
      flatMm: heel.flatError * mmPerPx,
      rakeDeg: angleError(face),
      backDeg: angleError(back),
      gulletMm: gullet ? Math.hypot(gullet.yError, toe.tip.yError) * mmPerPx : null,
    },
    doubts,
    ...(two && { raker: rakerOf({ heel, toe }, lie, place) }),
    ...(heel.strips && !two && { bevels: bevelsOf(heel.strips, faceSide, backSide, mmPerPx) }),
    tipPx: toPicture(lie.view, x, y),
    gulletPx: gullet ? toPicture(lie.view, gullet.x, gullet.y) : null,
  };
}

function bevelsOf(
  strips: NonNullable<SeenCorner['strips']>,
  faceSide: 'left' | 'right',
  backSide: 'left' | 'right',
  mmPerPx: number,
): TracedTooth['bevels'] {
  const inMm = (strip: BevelStrip | null): TracedBevel | null =>
    strip && { widthMm: strip.widthPx * mmPerPx, errorMm: strip.errorPx * mmPerPx };
  return { face: inMm(strips[faceSide]), back: inMm(strips[backSide]) };
}

function rakerOf({ heel, toe }: Tips, lie: Lie, place: (along: number) => number): TracedRaker {
  const tipMm = ({ tip }: MeasuredCorner): [number, number] => [
    place(lie.along(tip.x, tip.y)),
    lie.over(tip.x, tip.y) * lie.mmPerPx,
  ];
  const tipsMm = [tipMm(heel), tipMm(toe)] as const;
  const notch = (lie.heelLeft ? heel : toe).gullet;
  return {
    widthMm: tipsMm[1][0] - tipsMm[0][0],
    notchMm: notch && (tipsMm[0][1] + tipsMm[1][1]) / 2 - lie.over(notch.x, notch.y) * lie.mmPerPx,
    tipsMm,
    depthMm: null,
    depthErrorMm: null,
  };
}

const shifted = (raker: TracedRaker, byX: number): TracedRaker => ({
  ...raker,
  tipsMm: raker.tipsMm.map(([x, y]) => [x + byX, y] as const),
});

/** A turn and a scale from where they take three places. */
function frameOf(lineAt: (px: number, py: number) => [number, number]): ScanFrame {
  const [from, right, down] = [lineAt(0, 0), lineAt(1, 0), lineAt(0, 1)];
  return {
    x: [right[0] - from[0], down[0] - from[0], from[0]],
    y: [right[1] - from[1], down[1] - from[1], from[1]],
  };
}
