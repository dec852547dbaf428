import { bandTeeth } from '../band/band-teeth';
import type { Saw } from '../saw/saw';
import { teethOf } from '../saw/saw';
import { teethFor } from '../saw/all-families';
import { parsePattern, rolesAlong } from '../saw/tooth-pattern';

/** What can be measured of a saw besides the places and heights of a straight line. */
export const QUANTITIES = [
  'height',
  'set',
  'raker-depth',
  'runout',
  'chipper-height',
  'thickness',
  'bow',
  'gullet-depth',
  'rust',
  'pitting',
] as const;
export type Quantity = (typeof QUANTITIES)[number];

/** Where a reading is taken: at a tooth, or at a station along the plate in mm from the heel (a band: from the weld). */
export type PlaceKind = 'tooth' | 'station';

export interface QuantityFacts {
  readonly name: string;
  /** What is asked at each place. */
  readonly asks: string;
  readonly place: PlaceKind;
  /** Beyond these a value is asked about, mm. */
  readonly least: number;
  readonly most: number;
}

export const QUANTITY_FACTS: Readonly<Record<Quantity, QuantityFacts>> = {
  height: { name: 'Height', asks: 'height over or under the straight edge', place: 'tooth', least: -3, most: 3 },
  set: { name: 'Set', asks: 'set to its own side', place: 'tooth', least: 0, most: 1.2 },
  'raker-depth': {
    name: 'Raker depth',
    asks: 'gap from the line of its cutters',
    place: 'tooth',
    least: -0.5,
    most: 1.5,
  },
  runout: { name: 'Dial round the rim', asks: 'dial reading against tooth 1', place: 'tooth', least: -2, most: 2 },
  'chipper-height': {
    name: 'Chipper height',
    asks: 'dial reading against the highest',
    place: 'tooth',
    least: -2.5,
    most: 2.5,
  },
  thickness: { name: 'Plate thickness', asks: 'thickness of the plate', place: 'station', least: 0.2, most: 5 },
  bow: {
    name: 'Plate bow',
    asks: 'gap to a straight edge along the plate, right positive',
    place: 'station',
    least: -25,
    most: 25,
  },
  'gullet-depth': {
    name: 'Gullet depth',
    asks: 'depth of the gullet on its toe side',
    place: 'tooth',
    least: 0.2,
    most: 40,
  },
  rust: { name: 'Rust', asks: 'how far rust reaches along the plate here', place: 'station', least: 0, most: 4000 },
  pitting: { name: 'Pitting', asks: 'how far pits reach along the plate here', place: 'station', least: 0, most: 4000 },
};

/** Measured of each family, in the order they are usually taken. */
export function quantitiesOf(saw: Saw): readonly Quantity[] {
  const plate = ['thickness', 'bow', 'rust', 'pitting'] as const;
  switch (saw.family) {
    case 'hand':
    case 'back':
    case 'pull':
      return ['height', 'set', 'gullet-depth', ...plate];
    case 'crosscut':
      return [
        ...(saw.pattern.includes('R') ? (['raker-depth'] as const) : []),
        'height',
        'set',
        'gullet-depth',
        ...plate,
      ];
    case 'band':
      return ['set', 'gullet-depth', 'thickness', 'rust', 'pitting'];
    case 'circular':
      return ['runout', 'set', 'gullet-depth', 'thickness', 'rust', 'pitting'];
    case 'dado':
      return ['runout', 'chipper-height', 'set', 'thickness', 'rust', 'pitting'];
  }
}

/** Stations along a plate where nobody said others: so many, the ends left out. */
export const USUAL_STATIONS = 7;

/**
 * Places a quantity is taken at, in order: the numbers of the teeth it concerns, or
 * stations in mm. Rakers alone have a depth; a dado's part has its own teeth.
 */
export function placesOf(saw: Saw, quantity: Quantity, part: string | null = null): number[] {
  if (QUANTITY_FACTS[quantity].place === 'station') {
    const step = saw.toothLineMm / (USUAL_STATIONS + 1);
    return Array.from({ length: USUAL_STATIONS }, (_, i) => Math.round((i + 1) * step));
  }
  const all = Array.from({ length: teethOfPart(saw, part) }, (_, i) => i + 1);
  if (saw.family !== 'crosscut') return all;
  const pattern = parsePattern(saw.pattern);
  const roles = rolesAlong(pattern.ok ? pattern.roles : ['cutter'], all.length);
  // Cutters have height and set; a raker is measured against them.
  const wanted = quantity === 'raker-depth' ? 'raker' : quantity === 'gullet-depth' ? null : 'cutter';
  return wanted === null ? all : all.filter((tooth) => roles[tooth - 1] === wanted);
}

/** Parts of a set that a quantity is taken on; the saw itself is the one part of any other. */
export function partsFor(saw: Saw, quantity: Quantity): readonly (string | null)[] {
  if (saw.family !== 'dado') return [null];
  const kind = quantity === 'chipper-height' ? 'chipper' : quantity === 'runout' ? 'outer' : null;
  return saw.parts.filter((p) => p.kind !== 'shim' && (kind === null || p.kind === kind)).map((p) => p.id);
}

/** Teeth of a saw by its length and pitch, or of one part of a set. */
export function teethOfPart(saw: Saw, part: string | null): number {
  if (saw.family === 'dado') return saw.parts.find((p) => p.id === part)?.teeth ?? 0;
  if (saw.family === 'band') return bandTeeth(saw.toothLineMm, saw.pitchMm);
  return saw.family === 'circular' ? teethFor('circular', saw.toothLineMm, saw.pitchMm) : teethOf(saw);
}

/** The side a tooth's set is taken on where teeth lean by turns, the first to the left. */
export const usualSide = (tooth: number): 'left' | 'right' => (tooth % 2 === 1 ? 'left' : 'right');
