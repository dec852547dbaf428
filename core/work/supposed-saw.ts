import { BELOW_SCORERS_MM } from '../circular/equalise';
import type { LengthQuantity } from '../evidence/quantities';
import type { Reading } from '../evidence/reading';
import type { Evidence } from '../evidence/session';
import { sidesOf } from '../evidence/sides';
import type { ToothKind } from '../evidence/tooth-reading';
import { lineSawAt, softEdgesOf } from '../saw/edges';
import type { Filing, Wood } from '../saw/families';
import type { Saw, SawOf } from '../saw/saw';
import { rolesOn, teethOf } from '../saw/saw';
import { woodFacts } from '../saw/woods';
import { familySet } from '../set/family-set';

/** How a saw is supposed to stand before anybody has measured it. */
export interface SupposedWear {
  /** Hollow of the middle, and how far single tips stray under their line: shares of the pitch, and mm at the least. */
  readonly hollow: Depth;
  readonly stray: Depth;
  /** How far single teeth stand off their place: share of the pitch. */
  readonly spacingShare: number;
  /** Share of the set that is wanted. */
  readonly setShare: number;
  /** Of a blade's rim and a set's parts, highest to lowest: mm. */
  readonly dialMm: number;
}
interface Depth {
  readonly share: number;
  readonly leastMm: number;
}
const NONE: Depth = { share: 0, leastMm: 0 };

/**
 * The ends of what a look cannot tell apart: a line that is even, its set standing or gone; a line that wants the tune,
 * and one long neglected. A straight edge shows hollows of 3 to 10 % of the pitch on saws that were sharpened without
 * being jointed. Judgement, no source.
 */
export const SUPPOSED = {
  keen: { hollow: NONE, stray: NONE, spacingShare: 0, setShare: 0.9, dialMm: 0.02 },
  dull: { hollow: NONE, stray: NONE, spacingShare: 0, setShare: 0, dialMm: 0.06 },
  worn: {
    ...{ hollow: { share: 0.03, leastMm: 0.1 }, stray: { share: 0.01, leastMm: 0.03 } },
    ...{ spacingShare: 0.01, setShare: 0.5, dialMm: 0.15 },
  },
  neglected: {
    ...{ hollow: { share: 0.12, leastMm: 0.25 }, stray: { share: 0.06, leastMm: 0.1 } },
    ...{ spacingShare: 0.03, setShare: 0, dialMm: 0.35 },
  },
} as const satisfies Record<string, SupposedWear>;
export type Supposed = keyof typeof SUPPOSED;

/** A tooth so far under the others stands for a broken one. mm. */
const BROKEN_MM = 1.3;

/**
 * Readings as they would be of such a saw, `lost` of its teeth gone: enough for its family's order to be worked out.
 * The same saw gives the same readings. Lengths mm. O(teeth).
 */
export function supposedSessions(saw: Saw, wood: Wood, wear: SupposedWear, lost: number): Evidence {
  return [{ key: 'supposed', kind: 'before', readings: readingsOf({ saw, wood, wear, lost }) }];
}

interface Supposing {
  readonly saw: Saw;
  readonly wood: Wood;
  readonly wear: SupposedWear;
  readonly lost: number;
}

function readingsOf(of: Supposing): Reading[] {
  const { saw } = of;
  switch (saw.family) {
    case 'band':
      return bandReadings(of, saw);
    case 'circular':
      return saw.tipped === 'carbide' ? [] : bladeReadings(of, saw);
    case 'dado':
      return partReadings(of, saw);
    case 'pull': {
      const edges: readonly (Filing | null)[] = saw.edges === 2 ? softEdgesOf(saw) : [null];
      return edges.flatMap((edge, i) => lineReadings({ ...of, lost: i === 0 ? of.lost : 0 }, edge));
    }
    default:
      return lineReadings(of, null);
  }
}

/**
 * The i-th of a row that fills 0 to 1 evenly and never repeats (multiples of an irrational number, less their whole
 * part; from memory): what stands for single teeth's differences.
 */
const evenly = (i: number): number => (i * 0.6180339887498949) % 1;
const eitherWay = (i: number): number => 2 * ((i * 0.7548776662466927) % 1) - 1;

const depthMm = ({ share, leastMm }: Depth, pitchMm: number): number => Math.max(leastMm, share * pitchMm);
const setMm = ({ saw, wood, wear }: Supposing): number =>
  wear.setShare * familySet(saw.family, woodFacts(wood), 'ordinary', saw.plateThicknessMm).perSideMm;
const toTeeth = (count: number): number[] => Array.from({ length: count }, (_, i) => i + 1);

/** Which teeth are gone, spread over the line, its ends left. */
function lostOf(count: number, teeth: number): ReadonlySet<number> {
  const most = Math.max(0, Math.min(count, Math.floor((teeth - 2) / 4)));
  return new Set(Array.from({ length: most }, (_, i) => 1 + Math.round(((i + 1) * teeth) / (most + 1))));
}

const taken = (place: number, part: string | null) => ({
  ...{ place, part, setAside: false, corrects: null, simulated: false },
  ...{ gauge: 'indicator' as const },
});
const length = (quantity: LengthQuantity, place: number, value: number, part: string | null = null): Reading => ({
  ...taken(place, part),
  ...{ key: `${part ?? ''}${quantity}${place}`, quantity, value },
});
const gone = (place: number, part: string | null): Reading => ({
  ...taken(place, part),
  ...{ key: `${part ?? ''}kind${place}`, quantity: 'kind', value: 'missing' satisfies ToothKind },
});

/** Rakers a little shallow, as they are where their cutters have come down. Judgement, no source. mm. */
const RAKER_MM = 0.2;
const RAKER_STRAY_MM = 0.1;

/** Places, heights and set of a line of teeth from heel to toe; its rakers under their cutters. */
function lineReadings(of: Supposing, part: Filing | null): Reading[] {
  const { wear } = of;
  const saw = lineSawAt(of.saw, part);
  const teeth = teethOf(saw);
  const [roles, lost, set] = [rolesOn(saw, teeth), lostOf(of.lost, teeth), setMm(of)];
  const [hollow, stray] = [depthMm(wear.hollow, saw.pitchMm), depthMm(wear.stray, saw.pitchMm)];
  return toTeeth(teeth).flatMap((tooth) => {
    const x = saw.pitchMm * (tooth - 1 + (tooth === 1 ? 0 : wear.spacingShare * eitherWay(tooth)));
    const place = length('place', tooth, x, part);
    if (roles?.[tooth - 1] === 'raker')
      return [place, length('raker-depth', tooth, RAKER_MM + RAKER_STRAY_MM * evenly(tooth), part)];
    if (lost.has(tooth)) return [place, gone(tooth, part)];
    const along = (tooth - 1) / Math.max(1, teeth - 1);
    const y = -hollow * Math.sin(Math.PI * along) ** 2 - stray * evenly(tooth);
    return [place, length('height', tooth, y, part), length('set', tooth, set, part)];
  });
}

/** Of a loop two teeth in so many are sampled. */
const SAMPLE_EVERY = 7;

function bandReadings(of: Supposing, saw: SawOf<'band'>): Reading[] {
  const teeth = teethOf(saw);
  const [sides, set, stray] = [sidesOf(saw), setMm(of), depthMm(of.wear.stray, saw.pitchMm)];
  const lost = lostOf(of.lost, teeth);
  // Next to the weld nothing is read.
  const sampled = toTeeth(teeth).filter((tooth) => tooth > 2 && tooth < teeth - 1 && tooth % SAMPLE_EVERY < 2);
  return [
    ...sampled.filter((tooth) => sides(tooth) !== null).map((tooth) => length('set', tooth, set)),
    ...sampled.filter((tooth) => !lost.has(tooth)).map((tooth) => length('height', tooth, -stray * evenly(tooth))),
    ...[...lost].map((tooth) => length('height', tooth, -stray - BROKEN_MM)),
  ];
}

function bladeReadings(of: Supposing, saw: SawOf<'circular'>): Reading[] {
  const teeth = teethOf(saw);
  const [roles, sides, set, lost] = [rolesOn(saw, teeth), sidesOf(saw), setMm(of), lostOf(of.lost, teeth)];
  return toTeeth(teeth).flatMap((tooth) => {
    const raker = roles?.[tooth - 1] === 'raker';
    const own = lost.has(tooth) ? BROKEN_MM : of.wear.dialMm * evenly(tooth);
    const dial = length('runout', tooth, -own - (raker ? BELOW_SCORERS_MM : 0));
    return raker || sides(tooth) === null ? [dial] : [dial, length('set', tooth, set)];
  });
}

function partReadings({ wear }: Supposing, saw: SawOf<'dado'>): Reading[] {
  return saw.parts.flatMap(({ id, kind, teeth }, n) => {
    if (kind === 'shim') return [];
    const [quantity, under] =
      kind === 'outer' ? (['runout', 0] as const) : (['chipper-height', BELOW_SCORERS_MM] as const);
    return toTeeth(teeth).map((tooth) => length(quantity, tooth, -under - wear.dialMm * evenly(tooth + n), id));
  });
}
