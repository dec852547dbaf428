import type { Dossier } from '@odontis/contract/dossier';
import type { FiledTooth } from '@odontis/core/file/flank-angles';
import { toothFor, toothHeightMm } from '@odontis/core/file/flank-angles';
import type { ShopHabits } from '@odontis/core/work/habits';
import { anglesFor } from '@odontis/core/work/habits';
import { overOwnLine } from '@odontis/core/evidence/over-own-line';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { leanOf, standingTeeth } from '@odontis/core/evidence/tooth-reading';
import type { Lane, SawDrawing } from './drawing';

/** The tooth the saw is drawn with: its plan's angles, else the shop's table. */
export function drawnTooth(dossier: Dossier, habits: ShopHabits): FiledTooth {
  const { saw, plan } = dossier;
  const ofShop =
    saw.family === 'hand' || saw.family === 'back'
      ? anglesFor(habits.angles, saw.family, saw.filing)
      : habits.angles.rip;
  const { rakeDeg, fleamDeg } = plan?.order.inputs?.angles ?? ofShop;
  return toothFor(rakeDeg, fleamDeg);
}

/** A saw's drawing from readings, before any stage puts its own on it. */
export function baseDrawing(dossier: Dossier, readings: readonly ToothReading[], tooth: FiledTooth): SawDrawing {
  const { saw } = dossier;
  const standing = standingTeeth(readings);
  const last = standing[standing.length - 1];
  return {
    title: saw.name,
    backed: saw.family === 'back',
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

type Say = (mm: number) => string;

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
