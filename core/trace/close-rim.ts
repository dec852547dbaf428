import { Matrix, solve } from 'ml-matrix';
import type { ToothKind } from '../evidence/tooth-reading';
import { summedUp } from './summarise';
import type { TracedLine, TracedTooth } from './traced-line';
import { bareTooth } from './traced-line';

/** One tooth's own part of a rim laid out as a line. */
export interface RimSector {
  /** Columns of the grid it was drawn in. */
  readonly fromPx: number;
  readonly toPx: number;
  /** Column of its radius, and that radius' turn on the bench, radians. */
  readonly tipPx: number;
  readonly turn: number;
  /** Which tooth of the round it is, from 0; null for one that is drawn again beyond the ends. */
  readonly own: number | null;
  readonly kind: ToothKind;
  /** Depth of its gullet, square to the rim, and its error. mm. */
  readonly gulletMm: number | null;
  readonly gulletErrorMm: number | null;
  /** How far the plate's lower side is seen out from under its upper one here, along the rim and outwards; mm. */
  readonly underMm: readonly [along: number, out: number];
}

/** How a rim was laid out: its radius as told, what is shown outside it, and what its middle was found by. */
export interface RimGrid {
  readonly radiusMm: number;
  readonly outsideMm: number;
  readonly about: 'bore' | 'rim';
  readonly centreErrorMm: number;
  /** Turns grow with the columns, or fall. */
  readonly way: 1 | -1;
  /** The turn at which the count begins. */
  readonly startTurn: number;
  readonly sectors: readonly RimSector[];
}

/** What is reckoned of walls is as good as this share of it; a tip whose flat is under that share of them is a meeting. No source. */
const WALLS_SURE = 0.3;

/**
 * How far a tooth's tip is seen off its upper face's own, because a wall that faces the lens shows its lower edge:
 * each flank's line moves out by as much as the lower side stands out from under it, square to it, and the lines'
 * meeting with them; and how much of its flat is theirs. mm along the rim and out.
 */
function wallsMove(
  tooth: TracedTooth,
  [along, out]: RimSector['underMm'],
): { readonly along: number; readonly out: number; readonly flat: number } {
  if (tooth.rakeDeg === null || tooth.backDeg === null) return { along: 0, out: 0, flat: 0 };
  const [rake, back] = [tooth.rakeDeg, tooth.backDeg].map((d) => (d * Math.PI) / 180) as [number, number];
  // Normals out of the face and of the back.
  const [fx, fy, bx, by] = [Math.cos(rake), -Math.sin(rake), -Math.cos(back), Math.sin(back)];
  const face = Math.max(0, fx * along + fy * out);
  const behind = Math.max(0, bx * along + by * out);
  const size = fx * by - fy * bx;
  const [x, y] = [(face * by - behind * fy) / size, (fx * behind - bx * face) / size];
  if (tooth.flatMm === 0) return { along: x, out: y, flat: 0 };
  // A blunt tip is told by the area missing under the meeting: here that of the meeting and the two corners.
  const [tanRake, tanBack] = [Math.tan(rake), Math.tan(back)];
  const area = Math.abs(x * out - y * along) / 2;
  const gone = Math.sqrt((2 * area) / (tanBack - tanRake));
  return { along: x - (gone * (tanRake + tanBack)) / 2, out: y - gone, flat: gone * (tanBack - tanRake) };
}

/**
 * The trace of a rim laid out, closed to a round: teeth once round, numbered the way their faces look from where the
 * count begins, places along the rim, heights over the mean circle about the middle found, angles off each tooth's own
 * radius.
 */
export function closeRim(line: TracedLine, rim: RimGrid): TracedLine {
  const { mmPerPx } = line;
  const found = rim.sectors.flatMap((sector) => {
    if (sector.own === null) return [];
    if (sector.kind === 'missing') {
      // A tooth that is gone stands where the ones beside it leave its place.
      const tipPx = { x: sector.tipPx, y: rim.outsideMm / mmPerPx };
      return [{ sector, tooth: bareTooth('missing', tipPx, ['missing']) }];
    }
    const inside = line.teeth.filter((t) => t.tipPx.x >= sector.fromPx && t.tipPx.x < sector.toPx);
    // A gullet's bottom may look like a stub: the tooth stands where it was seen to stand.
    const tooth = inside.reduce<TracedTooth | null>(
      (a, b) => (a && Math.abs(a.tipPx.x - sector.tipPx) <= Math.abs(b.tipPx.x - sector.tipPx) ? a : b),
      null,
    );
    return tooth ? [{ sector, tooth }] : [];
  });
  const placed = found.map(({ sector, tooth }) => {
    const moved = wallsMove(tooth, sector.underMm);
    const along = (tooth.tipPx.x - sector.tipPx) * mmPerPx - moved.along;
    const up = rim.radiusMm + rim.outsideMm - tooth.tipPx.y * mmPerPx - moved.out;
    const off = Math.atan2(along, up);
    return { tooth, sector, moved, radiusMm: Math.hypot(along, up), off, turn: sector.turn + rim.way * off };
  });
  const whole = placed.filter(({ tooth }) => tooth.kind === 'tooth');
  const circle = circleOfTips(whole);
  const heightOf = ({ radiusMm, turn }: { radiusMm: number; turn: number }): number =>
    radiusMm - circle.meanMm - (rim.about === 'rim' ? circle.x * Math.cos(turn) + circle.y * Math.sin(turn) : 0);
  const around = 2 * Math.PI;
  const onward = (turn: number): number => (((rim.way * (turn - rim.startTurn)) % around) + around) % around;
  // The tooth nearest to where the count begins is the first, be it a little before it.
  const half = Math.PI / Math.max(1, placed.length);
  const order = placed.map((one) => ({ ...one, on: (onward(one.turn) + half) % around })).sort((a, b) => a.on - b.on);
  const from = order[0]?.on ?? 0;
  const deg = (radians: number): number => (radians * 180) / Math.PI;
  const teeth = order.map((one, i): TracedTooth => ({
    ...one.tooth,
    tooth: i + 1,
    xMm: (one.on - from) * circle.meanMm,
    yMm: heightOf(one),
    flatMm: Math.max(0, one.tooth.flatMm - one.moved.flat),
    // A corner of the lower side beside the tip is no dust.
    doubts: one.tooth.doubts.filter((d) => d !== 'dust-at-tip' || one.moved.flat < WALLS_SURE * one.tooth.flatMm),
    rakeDeg: one.tooth.rakeDeg === null ? null : one.tooth.rakeDeg - deg(one.off),
    backDeg: one.tooth.backDeg === null ? null : one.tooth.backDeg - deg(one.off),
    gulletMm: one.sector.gulletMm,
    errors: {
      ...one.tooth.errors,
      xMm: Math.hypot(one.tooth.errors.xMm, WALLS_SURE * one.moved.along),
      yMm: Math.hypot(one.tooth.errors.yMm, rim.centreErrorMm, WALLS_SURE * one.moved.out),
      gulletMm: one.sector.gulletErrorMm,
    },
  }));
  const summed = summedUp(teeth, line.scaleError);
  const count = teeth.length;
  const aroundMm = around * circle.meanMm;
  const pitchMm = { value: aroundMm / count, error: (aroundMm / count) * line.scaleError };
  return {
    ...line,
    ...summed,
    summary: { ...summed.summary, lengthMm: aroundMm, pitchMm },
    notes: line.notes.filter((note) => note === 'coarse-scan'),
    frames: [
      {
        x: [mmPerPx, 0, -mmPerPx * (order[0]?.tooth.tipPx.x ?? 0)],
        y: [0, -mmPerPx, rim.radiusMm + rim.outsideMm - circle.meanMm],
      },
    ],
    rim: { meanRadiusMm: circle.meanMm, about: rim.about, centreErrorMm: rim.centreErrorMm },
    skewDeg: 0,
  };
}

/** Radii as a mean and a shift of the middle, least squares: r = mean + x cos + y sin. */
function circleOfTips(tips: readonly { readonly radiusMm: number; readonly turn: number }[]): {
  readonly meanMm: number;
  readonly x: number;
  readonly y: number;
} {
  if (tips.length < 5) {
    const meanMm = tips.reduce((s, t) => s + t.radiusMm, 0) / Math.max(1, tips.length);
    return { meanMm, x: 0, y: 0 };
  }
  const rows = tips.map(({ turn }) => [1, Math.cos(turn), Math.sin(turn)]);
  const [meanMm, x, y] = solve(new Matrix(rows), new Matrix(tips.map((t) => [t.radiusMm])), true).to1DArray() as [
    number,
    number,
    number,
  ];
  return { meanMm, x, y };
}
