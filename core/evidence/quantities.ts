import type { Saw } from '../saw/saw';
import { LINE_FAMILIES } from '../saw/families';
import { edgesOf, lineSawAt, softEdgesOf } from '../saw/edges';
import { rolesOn, teethOf } from '../saw/saw';
import { teethFor } from '../saw/all-families';
import type { LengthGauge } from './gauges';

// Over 250 lines: one table, an entry for everything that is read of a saw.

/** Lengths that are measured of a saw, each at a tooth or at a station along the plate; mm. */
export const LENGTH_QUANTITIES = [
  'place',
  'height',
  'set',
  'raker-depth',
  'raker-width',
  'breast',
  'runout',
  'runout-turned',
  'face-line',
  'bevel-fall',
  'chipper-height',
  'groove-step',
  'thickness',
  'bow',
  'gullet-depth',
  'rust',
  'pitting',
] as const;
export type LengthQuantity = (typeof LENGTH_QUANTITIES)[number];

/** Everything that is read of a saw. Kinds, leans and notes are words, angles a finding of several. */
export const QUANTITIES = [...LENGTH_QUANTITIES, 'kind', 'lean', 'note', 'angles'] as const;
export type Quantity = (typeof QUANTITIES)[number];

/** What says where a line's teeth stand: they are read together, against one straight edge. */
export const LINE_QUANTITIES = ['place', 'height', 'kind', 'note'] as const satisfies readonly Quantity[];

/** Where a reading is taken: at a tooth, or at a station along the plate in mm from the heel (a band: from the weld). */
export type PlaceKind = 'tooth' | 'station';

export interface QuantityFacts {
  readonly name: string;
  /** What is asked at each place. */
  readonly asks: string;
  readonly place: PlaceKind;
  /** What it is usually read with, until another is chosen. Common practice, no source. */
  readonly gauge: LengthGauge;
  /** Beyond these a value is asked about, mm. */
  readonly least: number;
  readonly most: number;
}

export const QUANTITY_FACTS: Readonly<Record<LengthQuantity, QuantityFacts>> = {
  place: { name: 'Place', asks: 'place from the heel', place: 'tooth', gauge: 'caliper', least: -100, most: 5000 },
  height: {
    name: 'Height',
    asks: 'height over or under the straight edge',
    place: 'tooth',
    gauge: 'straight-edge',
    least: -3,
    most: 3,
  },
  set: { name: 'Set', asks: 'set to its own side', place: 'tooth', gauge: 'straight-edge', least: 0, most: 1.2 },
  'raker-depth': {
    name: 'Raker depth',
    asks: 'gap from the line of its cutters',
    place: 'tooth',
    gauge: 'straight-edge',
    least: -0.5,
    most: 1.5,
  },
  'raker-width': {
    name: 'Raker width',
    asks: 'width of the raker from tip to tip',
    place: 'tooth',
    gauge: 'caliper',
    least: 1,
    most: 25,
  },
  breast: {
    name: 'Breast',
    asks: 'gap under a straight edge that rests on the crown',
    place: 'station',
    gauge: 'straight-edge',
    least: 0,
    most: 60,
  },
  runout: {
    name: 'Dial round the rim',
    asks: 'dial reading against tooth 1',
    place: 'tooth',
    gauge: 'indicator',
    least: -2,
    most: 2,
  },
  'runout-turned': {
    name: 'Dial, blade turned half round',
    asks: 'dial reading against tooth 1, the blade turned half round on its arbor',
    place: 'tooth',
    gauge: 'indicator',
    least: -2,
    most: 2,
  },
  'face-line': {
    name: 'Face from the centre',
    asks: 'how far from the centre a straight edge on this face passes',
    place: 'tooth',
    gauge: 'eye',
    least: -400,
    most: 400,
  },
  'bevel-fall': {
    name: 'Fall of the bevel',
    asks: 'how far the point stands over the low side of its edge',
    place: 'tooth',
    gauge: 'caliper',
    least: 0,
    most: 4,
  },
  'chipper-height': {
    name: 'Chipper height',
    asks: 'dial reading, the zero where the outer blades have theirs',
    place: 'tooth',
    gauge: 'indicator',
    least: -2.5,
    most: 2.5,
  },
  'groove-step': {
    name: 'Test groove',
    asks: 'how far the floor under this part stands over its deepest place',
    place: 'tooth',
    gauge: 'caliper',
    least: 0,
    most: 3,
  },
  thickness: {
    name: 'Plate thickness',
    asks: 'thickness of the plate',
    place: 'station',
    gauge: 'caliper',
    least: 0.2,
    most: 5,
  },
  bow: {
    name: 'Plate bow',
    asks: 'gap to a straight edge along the plate, right positive',
    place: 'station',
    gauge: 'straight-edge',
    least: -25,
    most: 25,
  },
  'gullet-depth': {
    name: 'Gullet depth',
    asks: 'depth of the gullet on its toe side',
    place: 'tooth',
    gauge: 'caliper',
    least: 0.2,
    most: 40,
  },
  rust: {
    name: 'Rust',
    asks: 'how far rust reaches along the plate here',
    place: 'station',
    gauge: 'eye',
    least: 0,
    most: 4000,
  },
  pitting: {
    name: 'Pitting',
    asks: 'how far pits reach along the plate here',
    place: 'station',
    gauge: 'eye',
    least: 0,
    most: 4000,
  },
};

/** Lengths gauged place by place of each family, in the order they are usually taken. A line's places come with its heights. */
export function quantitiesOf(saw: Saw): readonly LengthQuantity[] {
  const plate = ['thickness', 'bow', 'rust', 'pitting'] as const;
  switch (saw.family) {
    case 'hand':
    case 'back':
      return ['height', 'set', 'gullet-depth', ...plate];
    case 'pull':
      return ['height', ...(saw.edges === 2 ? (['place'] as const) : []), 'set', 'gullet-depth', ...plate];
    case 'crosscut':
      return [
        ...(saw.pattern.includes('R') ? (['raker-depth', 'raker-width'] as const) : []),
        'height',
        'breast',
        'place',
        'set',
        'gullet-depth',
        ...plate,
      ];
    case 'band':
      return ['set', 'height', 'gullet-depth', 'thickness', 'rust', 'pitting'];
    case 'circular':
      return [
        'runout',
        'runout-turned',
        'set',
        'gullet-depth',
        'face-line',
        'bevel-fall',
        'thickness',
        'rust',
        'pitting',
      ];
    case 'dado':
      return ['runout', 'chipper-height', 'groove-step', 'set', 'thickness', 'rust', 'pitting'];
  }
}

/** Stations along a plate where nobody said others: so many, the ends left out. */
export const USUAL_STATIONS = 7;

/**
 * Places a quantity is taken at, in order: the numbers of the teeth it concerns, or
 * stations in mm. Rakers alone have a depth; a dado's part has its own teeth.
 */
export function placesOf(saw: Saw, quantity: LengthQuantity, part: string | null = null): number[] {
  // An arc is told by its ends and its middle.
  if (quantity === 'breast') return [0, 0.5, 1].map((share) => Math.round(share * saw.toothLineMm));
  if (QUANTITY_FACTS[quantity].place === 'station') {
    const step = saw.toothLineMm / (USUAL_STATIONS + 1);
    return Array.from({ length: USUAL_STATIONS }, (_, i) => Math.round((i + 1) * step));
  }
  // The floor under a part is one place.
  if (quantity === 'groove-step') return [1];
  const all = Array.from({ length: teethOfPart(saw, part) }, (_, i) => i + 1);
  const roles = saw.family === 'crosscut' ? rolesOn(saw, all.length) : null;
  if (!roles) return all;
  // Cutters have height and set; a raker is measured against them.
  const wanted =
    quantity === 'raker-depth' || quantity === 'raker-width'
      ? 'raker'
      : quantity === 'gullet-depth' || quantity === 'place'
        ? null
        : 'cutter';
  return wanted === null ? all : all.filter((tooth) => roles[tooth - 1] === wanted);
}

/** Parts of a set that a quantity is taken on, or the soft edges of a two-edged saw; the saw itself is the one part of any other. */
export function partsFor(saw: Saw, quantity: LengthQuantity): readonly (string | null)[] {
  const edges = edgesOf(saw);
  if (edges.length > 0) return QUANTITY_FACTS[quantity].place === 'station' ? [null] : softEdgesOf(saw);
  if (saw.family !== 'dado') return [null];
  const kind =
    quantity === 'chipper-height' || quantity === 'groove-step' ? 'chipper' : quantity === 'runout' ? 'outer' : null;
  return saw.parts.filter((p) => p.kind !== 'shim' && (kind === null || p.kind === kind)).map((p) => p.id);
}

/** Teeth of a saw by its length and pitch, or of one part of a set. */
export function teethOfPart(saw: Saw, part: string | null): number {
  if (saw.family === 'dado') return saw.parts.find((p) => p.id === part)?.teeth ?? 0;
  if (part !== null) return teethOf(lineSawAt(saw, part));
  return saw.family === 'band' || saw.family === 'circular'
    ? teethFor(saw.family, saw.toothLineMm, saw.pitchMm)
    : teethOf(saw);
}

/** Lines that a person says nothing of but length and pitch may have more teeth than that foretells. */
const MORE_THAN_TOLD = 2;

/**
 * The last tooth that can be read: a blade and a set have their own count; of a line only
 * pitch and length were told, and measuring may find more.
 */
export function mostTeethOf(saw: Saw, part: string | null): number {
  const told = teethOfPart(saw, part);
  if (saw.family === 'circular' || saw.family === 'dado') return told;
  return saw.family === 'band' ? told * MORE_THAN_TOLD : MOST_ON_A_LINE;
}
const MOST_ON_A_LINE = 5000;

/** Whether a straight tooth line of heights and places is measured of it: a plan on the drawn line begins there. */
export const hasToothLine = (saw: Saw): boolean => (LINE_FAMILIES as readonly string[]).includes(saw.family);
