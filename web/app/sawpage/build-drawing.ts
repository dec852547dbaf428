import type { Dossier } from '@odontis/contract/dossier';
import type { FiledTooth } from '@odontis/core/file/flank-angles';
import { pointedTooth, toothFor, toothHeightMm } from '@odontis/core/file/flank-angles';
import type { Evidence } from '@odontis/core/evidence/session';
import { estimatesOf } from '@odontis/core/evidence/estimates';
import { heightOn } from '@odontis/core/line/joint-line';
import { arcUnder, overOwnArc } from '@odontis/core/line/own-arc';
import { rakerDepths } from '@odontis/core/raker/raker-depth';
import { RAKER_OFF_MM, rakerSawOf, rakerTarget } from '@odontis/core/raker/raker-target';
import { endsOf } from '@odontis/core/saw/ends';
import { pullTooth } from '@odontis/core/pull/pull-tooth';
import { lineSawAt } from '@odontis/core/saw/edges';
import type { Filing, Wood } from '@odontis/core/saw/families';
import type { Saw, SawOf } from '@odontis/core/saw/saw';
import { isPointed, rolesOn } from '@odontis/core/saw/saw';
import type { ToothRole } from '@odontis/core/saw/tooth-pattern';
import type { ShopHabits } from '@odontis/core/work/habits';
import { anglesFor, USUAL_PULL_BACK_DEG } from '@odontis/core/work/habits';
import { overOwnLine } from '@odontis/core/evidence/over-own-line';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { leanOf, standingTeeth } from '@odontis/core/evidence/tooth-reading';
import { heldBy } from '../shared/plate/handle-shape';
import type { Lane, SawDrawing } from './drawing';

/** The tooth the saw is drawn with: its plan's angles, else the shop's table. */
export function drawnTooth(dossier: Dossier, habits: ShopHabits, edge: Filing | null = null): FiledTooth {
  const { plan } = dossier;
  const saw = lineSawAt(dossier.saw, edge);
  if (saw.family === 'pull') {
    const order = plan?.order.beside?.inputs.pull?.edge === edge && edge ? plan.order.beside : plan?.order;
    const rakeDeg = order?.inputs?.angles.rakeDeg ?? anglesFor(habits.angles, 'pull', saw.filing).rakeDeg;
    return pullTooth(rakeDeg, order?.inputs?.pull?.backDeg ?? habits.pullBackDeg ?? USUAL_PULL_BACK_DEG);
  }
  const pointed = isPointed(saw);
  const ofShop =
    saw.family === 'hand' || saw.family === 'back' || saw.family === 'crosscut'
      ? anglesFor(habits.angles, saw.family, saw.filing, pointed)
      : habits.angles.rip;
  const { rakeDeg, fleamDeg } = plan?.order.inputs?.angles ?? ofShop;
  return (pointed ? pointedTooth : toothFor)(rakeDeg, fleamDeg);
}

/** A saw and what was read of it, sent or not yet. */
export interface MeasuredSaw {
  readonly saw: Saw;
  readonly sessions: Evidence;
}

/** A saw's drawing from readings, before any stage puts its own on it. */
export function baseDrawing(
  dossier: MeasuredSaw,
  readings: readonly ToothReading[],
  tooth: FiledTooth,
  edge: Filing | null = null,
): SawDrawing {
  const saw = lineSawAt(dossier.saw, edge);
  const standing = standingTeeth(readings);
  const last = standing[standing.length - 1];
  const roles = isPointed(saw) ? rolesOn(saw, last?.tooth ?? 0) : null;
  const own = roles && standing.map((r) => roles[r.tooth - 1] ?? 'cutter');
  return {
    title: edge ? `${saw.name}, ${edge} edge` : saw.name,
    backed: saw.family === 'back',
    held: heldBy(saw),
    ends: endsOf(saw),
    roles: own,
    rakerWidthMm: rakerWidthMm(dossier),
    ...crownOf(own ? standing.filter((_, i) => own[i] === 'cutter') : []),
    lengthMm: Math.max(saw.toothLineMm, last?.xMm ?? 0),
    plateDepthHeelMm: saw.plateDepthHeelMm,
    plateDepthToeMm: saw.plateDepthToeMm,
    pitchMm: saw.pitchMm,
    toothHeightMm: toothHeightMm(saw.pitchMm, tooth),
    tanFace: tooth.tanFace,
    tanBack: tooth.tanBack,
    teeth: Int32Array.from(standing, (r) => r.tooth),
    xMm: Float64Array.from(standing, (r) => r.xMm),
    yMm: Float64Array.from(standing, (r) => r.yMm),
    leans: standing.map(leanOf),
    broken: new Set(standing.filter((r) => r.kind === 'broken').map((r) => r.tooth)),
    joint: null,
    flats: null,
    targetXMm: null,
    work: null,
    current: null,
    lanes: [],
  };
}

/** How a breasted line is laid on the sheet: its lower end at the plate, its middle as far over it as it is. */
function crownOf(cutters: readonly ToothReading[]): Pick<SawDrawing, 'levelMm' | 'crownMm'> {
  const [first, last] = [cutters[0], cutters.at(-1)];
  if (!first || !last) return { levelMm: 0, crownMm: 0 };
  const levelMm = Math.min(first.yMm, last.yMm);
  return { levelMm, crownMm: cutters.reduce((most, r) => Math.max(most, r.yMm - levelMm), 0) };
}

/** A raker drawn as wide as it was gauged, else as usual between its cutters. */
const USUAL_RAKER_SHARE = 0.6;
function rakerWidthMm({ saw, sessions }: MeasuredSaw): number {
  const widths = estimatesOf(
    sessions.filter((s) => s.kind === 'before').flatMap((s) => s.readings),
    'raker-width',
    null,
  ).map((e) => e.valueMm);
  return widths.length > 0 ? widths.reduce((a, b) => a + b, 0) / widths.length : USUAL_RAKER_SHARE * saw.pitchMm;
}

type Say = (mm: number) => string;

/**
 * What was measured of a line, lane by lane: heights over the line its teeth lie on, spacing where
 * places were read, rakers under their cutters, set.
 */
export function measuredLanes(
  saw: Saw,
  readings: readonly ToothReading[],
  {
    say,
    wood,
    before = null,
  }: { readonly say: Say; readonly wood: Wood; readonly before?: readonly ToothReading[] | null },
): Lane[] {
  if (!isPointed(saw)) return [heightLane(readings, say, before), setLane(readings, say, before)];
  const roles =
    rolesOn(
      saw,
      readings.reduce((most, r) => Math.max(most, r.tooth), 0),
    ) ?? [];
  const over = (all: readonly ToothReading[]): Float64Array => overOwnArc(standingTeeth(all), roles);
  const off = (all: readonly ToothReading[]): Float64Array => offWanted(saw, all, roles, wood);
  const lane = (id: string, name: string, of: (all: readonly ToothReading[]) => Float64Array, limit: number): Lane => ({
    id,
    name,
    values: of(readings),
    before: before && matched(readings, before, of(before)),
    kind: 'bars',
    limit,
    say,
  });
  return [
    lane('height', 'Over their line', over, NaN),
    ...(roles.includes('raker') ? [lane('rakers', 'Rakers too high', off, RAKER_OFF_MM)] : []),
    setLane(readings, say, before),
  ];
}

/** How far each raker stands over the depth wanted under its cutters; below it negative. */
function offWanted(
  saw: SawOf<'crosscut'>,
  readings: readonly ToothReading[],
  roles: readonly ToothRole[],
  wood: Wood,
): Float64Array {
  const standing = standingTeeth(readings);
  const off = new Float64Array(standing.length).fill(NaN);
  const own = standing.map((r) => roles[r.tooth - 1] ?? 'cutter');
  const wantedMm = rakerTarget(rakerSawOf(saw.kind), wood).depthMm;
  const cutters = standing.filter((_, i) => own[i] === 'cutter');
  const line = arcUnder(cutters);
  if (line)
    for (const raker of rakerDepths(standing, own, (x) => heightOn(line, x)))
      off[raker.index] = wantedMm - raker.depthMm;
  return off;
}

/** Height over the least-squares line through the tips. */
export function heightLane(
  readings: readonly ToothReading[],
  say: Say,
  before: readonly ToothReading[] | null = null,
): Lane {
  const values = overOwnLine(standingTeeth(readings));
  return {
    id: 'height',
    name: 'Height',
    values,
    before: before && matched(readings, before, overOwnLine(standingTeeth(before))),
    kind: 'bars',
    limit: NaN,
    say,
  };
}

/** Spacing to the tooth before, less the pitches between; `placeOf` where these change along the line. */
export function spacingLane(
  readings: readonly ToothReading[],
  pitchMm: number,
  limit: number,
  say: Say,
  before: readonly ToothReading[] | null = null,
  placeOf: (tooth: number) => number = (tooth) => tooth,
): Lane {
  const off = (all: readonly ToothReading[]): Float64Array => {
    const standing = standingTeeth(all);
    return Float64Array.from(standing, (r, i) => {
      const previous = standing[i - 1];
      return previous ? r.xMm - previous.xMm - (placeOf(r.tooth) - placeOf(previous.tooth)) * pitchMm : NaN;
    });
  };
  return {
    id: 'spacing',
    name: 'Spacing',
    values: off(readings),
    before: before && matched(readings, before, off(before)),
    kind: 'bars',
    limit,
    say,
  };
}

/** Set per side, left above, right below. */
export function setLane(
  readings: readonly ToothReading[],
  say: Say,
  before: readonly ToothReading[] | null = null,
): Lane {
  const sets = (all: readonly ToothReading[]): Float64Array =>
    Float64Array.from(standingTeeth(all), (r) => r.setMm ?? NaN);
  return {
    id: 'set',
    name: 'Set',
    values: sets(readings),
    before: before && matched(readings, before, sets(before)),
    kind: 'sides',
    limit: NaN,
    say,
  };
}

/** Values of one measuring in the order of another's teeth. */
function matched(order: readonly ToothReading[], from: readonly ToothReading[], values: Float64Array): Float64Array {
  const byTooth = new Map(standingTeeth(from).map((r, i) => [r.tooth, values[i] as number]));
  return Float64Array.from(standingTeeth(order), (r) => byTooth.get(r.tooth) ?? NaN);
}
