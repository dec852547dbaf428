import type { GreyPicture } from '../trace/grey-picture';
import type { RimGrid, RimSector } from '../trace/close-rim';
import { traceTeeth } from '../trace/trace-teeth';
import type { PicturePlace, TracedTooth, TraceRefusal } from '../trace/traced-line';
import type { BladeCentre } from './blade-centre';
import { bladeCentre } from './blade-centre';
import { lensAt } from './camera';
import type { SeenCode } from './find-strips';
import type { StripLie } from './fit-camera';
import type { Place } from './homography';
import { median } from '../units/median';
import type { LaidGrid } from './read-photograph';
import type { PhotographRefused, PhotographWish, SeenMarks } from './see-marks';
import { placeErrorOf, scaleErrorOf, seeMarks, USUAL_PLATE_MM } from './see-marks';
import { drawGrid, mmPerPixel } from './true-grid';

/** A blade as the ticket has it. */
export interface RoundWish {
  readonly diameterMm: number;
  readonly boreMm: number;
  readonly teeth: number;
}

export type ReadRim =
  | ({ readonly ok: true; readonly rim: RimGrid } & LaidGrid)
  | PhotographRefused
  | { readonly ok: false; readonly code: TraceRefusal };

/** Plain margin seen outside the rim; the grid goes on beyond with its last ring's grey, so that a trace sees paper enough. mm. */
const MARGIN_MM = 6;
/** The grid shows so much outside the rim and under it at the least, mm; teeth so deep that this shows too little beside them are laid out on the larger one. */
const ROOMS = [
  { outsideMm: 6, leastDeepMm: 10 },
  { outsideMm: 12, leastDeepMm: 18 },
] as const;
/** Teeth before and after the round are drawn twice, so that none ends it. */
const WRAPPED = 3;

/**
 * A photograph of a round blade among its round strips: the camera's tilt and lens taken out, the middle found, and
 * the rim laid out tooth after tooth as a line. Each tooth stands on a grid of its own, square to its own radius, so
 * that straight flanks stay straight; the grids meet in the gullets.
 */
export function readRim(
  picture: GreyPicture,
  codes: readonly SeenCode[],
  wish: PhotographWish & { readonly round: RoundWish },
  report: (share: number) => void = () => undefined,
): ReadRim {
  const { diameterMm, boreMm } = wish.round;
  const plateMm = wish.plateMm ?? USUAL_PLATE_MM;
  const seen = seeMarks(picture, codes, wish, report);
  if (!seen.ok) return seen;
  const { camera, strips, lies, facts } = seen;
  const rounds = strips.flatMap(({ strip }, s) => (strip.name.place === 'rim' ? [{ strip, lie: lies[s] }] : []));
  const first = rounds.toSorted((a, b) => a.strip.name.number - b.strip.name.number)[0]?.lie;
  if (!first) return { ok: false, code: 'no-round-strips', facts };
  const middle = (of: (lie: { x: number; y: number }) => number): number =>
    rounds.reduce((sum, { lie }) => sum + (lie ? of(lie) : 0), 0) / rounds.length;
  const centre = bladeCentre(picture, camera, {
    diameterMm,
    boreMm,
    plateMm,
    about: [middle((l) => l.x), middle((l) => l.y)],
    paperGrey: median(strips.flatMap((one) => one.dots.map((dot) => dot.paper))),
  });
  if (!centre) return { ok: false, code: 'no-rim', facts };
  report(0.7);
  let last: ReadRim = { ok: false, code: 'cut-off' };
  for (const room of ROOMS) {
    last = layRim(picture, seen, { centre, first, round: wish.round, plateMm }, room, report);
    if (last.ok || last.code !== 'cut-off') return last;
  }
  return last;
}

/** The rim laid out tooth by tooth, so much of it seen. */
function layRim(
  picture: GreyPicture,
  seen: SeenMarks,
  blade: {
    readonly centre: BladeCentre;
    readonly first: StripLie;
    readonly round: RoundWish;
    readonly plateMm: number;
  },
  { outsideMm, leastDeepMm }: (typeof ROOMS)[number],
  report: (share: number) => void,
): ReadRim {
  const { camera, facts } = seen;
  const { centre, first, plateMm } = blade;
  const { diameterMm, boreMm, teeth } = blade.round;
  const radiusMm = diameterMm / 2;
  const at = (turn: number, up: number, along = 0): Place => {
    // Beyond the margin its last ring is seen again.
    const share = Math.min(1, (radiusMm + MARGIN_MM) / Math.hypot(up, along));
    return [
      centre.at[0] + share * (up * Math.cos(turn) - along * Math.sin(turn)),
      centre.at[1] + share * (up * Math.sin(turn) + along * Math.cos(turn)),
    ];
  };
  const around = Array.from({ length: 16 }, (_, k) => (k * Math.PI) / 8);
  const mmPerPx = mmPerPixel(
    camera,
    around.map((turn) => [at(turn, radiusMm, -0.5), at(turn, radiusMm, 0.5)] as const),
    -plateMm,
  );
  const pitchMm = (Math.PI * diameterMm) / teeth;
  const deepMm = Math.min(radiusMm - boreMm / 2 - 4, Math.max(leastDeepMm, 0.9 * pitchMm));
  const heightPx = Math.round((outsideMm + deepMm) / mmPerPx);
  const aroundPx = (2 * Math.PI * radiusMm) / mmPerPx;
  const rowMm = (j: number): number => radiusMm + outsideMm - j * mmPerPx;
  // Strip 1's own middle, up on its drawing, is where the count begins.
  const startTurn = first.turn - Math.PI / 2;
  const beforePx = (2.5 * pitchMm) / mmPerPx;

  /** The rim by its turns alone: it tells which teeth stand where, and how deep their gullets are. */
  const unrolled = (way: 1 | -1) => {
    const widthPx = Math.ceil(aroundPx + (6 * pitchMm) / mmPerPx);
    const turnAt = (i: number): number => startTurn + (way * (i - beforePx) * mmPerPx) / radiusMm;
    const benchAt = (i: number, j: number): Place => at(turnAt(i), rowMm(j));
    const grid = drawGrid(picture, camera, { widthPx, heightPx }, benchAt, -plateMm);
    return { grid, trace: traceTeeth(grid, { mmPerPx, teethPoint: 'up', rim: true }), turnAt };
  };
  let way: 1 | -1 = 1;
  let rough = unrolled(way);
  const backward = rough.trace.ok && tipOf(rough.trace.teeth, 0) > tipOf(rough.trace.teeth, 1);
  if (backward) rough = unrolled((way = -1));
  report(0.85);
  if (!rough.trace.ok) return { ok: false, code: rough.trace.code };
  const pitchPx = rough.trace.summary.pitchMm.value / mmPerPx;
  // Laid out by turns a back is bent, and its meeting with the face is not the point: that is where the rim is highest.
  const all = rough.trace.teeth.map((t): TracedTooth =>
    t.kind === 'missing' ? t : { ...t, tipPx: { ...t.tipPx, x: highestColumn(rough.grid, t.tipPx, 0.35 * pitchPx) } },
  );
  // Once round, from the tooth nearest to where the count begins.
  const offs = all.map((t) => Math.abs(t.tipPx.x - beforePx));
  const start = offs.indexOf(Math.min(...offs));
  const own = all.filter((t, i) => i >= start && t.tipPx.x < tipOf(all, start) + aroundPx - 0.4 * pitchPx);
  if (own.length < 4) return { ok: false, code: 'no-tooth-line' };
  const [lensX, lensY, lensZ] = lensAt(camera);
  const stepPx = (i: number): number => (own[i + 1]?.tipPx.x ?? tipOf(own, 0) + aroundPx) - tipOf(own, i);
  // The grids meet where most gullets have their bottom: one by itself may be hidden, or lie beside a gap.
  const bottoms = own.flatMap((t, i) => (t.gulletPx ? [(t.gulletPx.x - t.tipPx.x) / stepPx(i)] : []));
  const share = bottoms.length > 0 ? Math.min(0.5, Math.max(0.05, median(bottoms))) : 0.25;
  const gulletX = (i: number): number => tipOf(own, i) + share * stepPx(i);
  const count = own.length;
  const sectors: RimSector[] = [];
  const wrapped = Math.min(WRAPPED, count);
  const left = gulletX(count - 1) - aroundPx;
  const shift = gulletX((((count - wrapped - 1) % count) + count) % count) - (wrapped < count ? 1 : 2) * aroundPx;
  let columns = 0;
  for (let k = -wrapped; k < count + wrapped; k++) {
    const i = (k + count) % count;
    const turns = Math.floor(k / count) * aroundPx;
    const before = k === 0 ? left : gulletX((i - 1 + count) % count) + (i === 0 ? turns - aroundPx : turns);
    const [fromPx, toPx] = [Math.round(before - shift), Math.round(gulletX(i) + turns - shift)];
    const tooth = own[i] as TracedTooth;
    const turn = rough.turnAt(tooth.tipPx.x);
    const [x, y] = at(turn, radiusMm);
    // On the upper side's grid the lower one is seen nearer to the place under the lens.
    const [towardsX, towardsY] = [lensX - x, lensY - y].map((d) => (d * plateMm) / Math.abs(lensZ)) as [number, number];
    const along = way * (towardsY * Math.cos(turn) - towardsX * Math.sin(turn));
    sectors.push({
      fromPx,
      toPx,
      tipPx: tooth.tipPx.x + turns - shift,
      turn,
      own: k >= 0 && k < count ? k : null,
      kind: tooth.kind,
      gulletMm: tooth.gulletMm,
      gulletErrorMm: tooth.errors.gulletMm,
      underMm: [along, towardsX * Math.cos(turn) + towardsY * Math.sin(turn)],
    });
    columns = toPx;
  }
  const widthPx = columns;
  const grey = new Uint8Array(widthPx * heightPx);
  for (const sector of sectors) {
    const size = { widthPx: sector.toPx - sector.fromPx, heightPx };
    if (size.widthPx <= 0) continue;
    const benchAt = (i: number, j: number): Place =>
      at(sector.turn, rowMm(j), way * (sector.fromPx + i - sector.tipPx) * mmPerPx);
    const part = drawGrid(picture, camera, size, benchAt, -plateMm);
    for (let j = 0; j < heightPx; j++)
      grey.set(part.grey.subarray(j * size.widthPx, (j + 1) * size.widthPx), j * widthPx + sector.fromPx);
  }
  const laid = { widthPx, heightPx, grey };
  // What its own trace will find too little of is laid out anew.
  const again = traceTeeth(laid, { mmPerPx, teethPoint: 'up', heel: 'left', rim: true });
  if (!again.ok) return { ok: false, code: again.code };
  report(1);
  return {
    ok: true,
    picture: laid,
    mmPerPx,
    scaleError: scaleErrorOf(seen, diameterMm, mmPerPx),
    placeErrorMm: placeErrorOf(seen, mmPerPx),
    facts,
    rim: {
      radiusMm,
      outsideMm,
      about: centre.by,
      centreErrorMm: centre.errorMm,
      way,
      startTurn,
      sectors,
    },
  };
}

/** The column near a place in which the plate reaches highest. */
function highestColumn({ widthPx, heightPx, grey }: GreyPicture, near: PicturePlace, reachPx: number): number {
  const from = Math.max(0, Math.round(near.x - reachPx));
  const to = Math.min(widthPx - 1, Math.round(near.x + reachPx));
  const at = (i: number, j: number): number => grey[j * widthPx + i] as number;
  let best = { x: near.x, row: Infinity };
  for (let i = from; i <= to; i++) {
    const half = (at(i, 1) + at(i, heightPx - 2)) / 2;
    const bright = at(i, 1) > half;
    let row = 1;
    while (row < heightPx - 1 && (at(i, row) > half === bright || at(i, row + 1) > half === bright)) row++;
    // Of columns that reach as high the last is at the face.
    if (row <= best.row) best = { x: i + 0.5, row };
  }
  return best.x;
}

const tipOf = (teeth: readonly TracedTooth[], i: number): number => (teeth[i] as TracedTooth).tipPx.x;
