import type { Saw } from '../saw/saw';
import { lineSawAt } from '../saw/edges';
import { placesOn, rolesOn } from '../saw/saw';
import type { Estimate } from './estimate';
import { meanOf, standing } from './estimates';
import type { Gauge } from './gauges';
import { latestSession } from './latest';
import type { LengthReading } from './reading';
import type { Evidence, SessionKind, SessionReadings } from './session';
import { leansOf } from './leans-of';
import { rakersRead, underCutters } from './rakers-read';
import { sidesOf } from './sides';
import { LINE_QUANTITIES } from './quantities';
import { setAt } from './set-of';
import type { ToothReading } from './tooth-reading';

/** A tooth line as the evidence has it: one tooth after the other, and how it is known. */
export interface LineView {
  /** The session it was measured in. */
  readonly session: string;
  /** Teeth 1, 2, 3 … from the heel, as many as the last that was read. */
  readonly teeth: readonly ToothReading[];
  /** One standard error of each height, mm; infinite where nobody measured it. */
  readonly heightErrorMm: Float64Array;
  /** Teeth whose height was read. */
  readonly heightsRead: number;
  /** Teeth whose place was read; where none was, teeth stand at the pitch that was told. */
  readonly placesRead: number;
  /** Rakers whose depth under their cutters was read; none on a line of like teeth. */
  readonly rakersRead: readonly number[];
  /** What most heights were read with. */
  readonly gauge: Gauge;
  /** Some of it came from a stand-in. */
  readonly simulated: boolean;
  /** Keys of every reading it rests on. */
  readonly keys: readonly string[];
}

/** Half the height of a rip tooth, in pitches: p / tan 60 / 2. */
const HALF_A_TOOTH = 0.29;
const LINE: ReadonlySet<string> = new Set(LINE_QUANTITIES);

/**
 * The tooth line as last measured before or after the work, of a two-edged saw that of the edge `part`; null where it was not. Heights,
 * places, kinds and notes are those of one session, the last with any of them: another
 * session lays the straight edge anew. Set and lean are joined to it. A height nobody read
 * lies between its neighbours', a place between or a pitch on from those that were read. A raker
 * stands under its cutters by what was read of it; one nobody read as deep as those read. mm. O(n).
 */
export function lineOf(evidence: Evidence, whole: Saw, kind: SessionKind, part: string | null = null): LineView | null {
  const saw = lineSawAt(whole, part);
  const session = latestSession(evidence, kind, (r) => LINE.has(r.quantity) && r.part === part);
  if (!session) return null;
  const read = readingsByTooth(session, part);
  const rakers = rakersRead(evidence, kind);
  const count = Math.max(read.last, ...rakers.keys());
  const roles = rakers.size > 0 || saw.family === 'crosscut' ? rolesOn(saw, count) : null;
  const kinds = Array.from({ length: count }, (_, i) => read.kinds.get(i + 1) ?? ('tooth' as const));
  const heights = read.heights;
  const inPitches = placesOn(saw, count);
  const yMm = filled(count, (tooth) => (kinds[tooth - 1] === 'missing' ? null : (heights.get(tooth)?.value ?? null)), {
    from: inPitches,
    slope: 0,
  });
  for (const [i, kind] of kinds.entries()) {
    if (kind !== 'broken' || heights.has(i + 1)) continue;
    // Nobody read how low it is: well under its neighbours, never on the line.
    const beside = [i - 1, i + 1].filter((k) => heights.has(k + 1)).map((k) => yMm[k] as number);
    yMm[i] = Math.min(...(beside.length > 0 ? beside : [yMm[i] as number])) - HALF_A_TOOTH * saw.pitchMm;
  }
  const xMm = filled(count, (tooth) => read.places.get(tooth)?.value ?? null, { from: inPitches, slope: saw.pitchMm });
  if (roles) underCutters({ xMm, yMm }, roles, rakers);
  const sides = sidesOf(saw);
  const set = setAt(evidence, kind, sides, part);
  const leans = leansOf(evidence, part);
  return {
    session: session.key,
    teeth: kinds.map((toothKind, i): ToothReading => {
      const tooth = i + 1;
      const missing = toothKind === 'missing';
      return {
        tooth,
        xMm: xMm[i] as number,
        yMm: missing ? 0 : (yMm[i] as number),
        lean: leans.get(tooth) ?? (roles ? sides(tooth) : null),
        setMm: missing ? null : (set.get(tooth)?.valueMm ?? null),
        kind: toothKind,
        note: read.notes.get(tooth) ?? null,
      };
    }),
    heightErrorMm: Float64Array.from(kinds, (_, i) => heights.get(i + 1)?.error ?? Infinity),
    heightsRead: heights.size,
    placesRead: read.places.size,
    rakersRead: [...rakers.keys()].sort((a, b) => a - b),
    gauge: read.gauge,
    simulated: read.simulated || [...set.values(), ...rakers.values()].some((s) => s.simulated),
    keys: [...read.keys, ...[...set.values()].flatMap((s) => s.keys), ...[...rakers.values()].flatMap((r) => r.keys)],
  };
}

interface ByTooth {
  readonly heights: Map<number, Estimate>;
  readonly places: Map<number, Estimate>;
  readonly kinds: Map<number, ToothReading['kind']>;
  readonly notes: Map<number, string>;
  readonly last: number;
  readonly gauge: Gauge;
  readonly simulated: boolean;
  readonly keys: string[];
}

function readingsByTooth(session: SessionReadings, part: string | null): ByTooth {
  const lengths = { height: new Map<number, LengthReading[]>(), place: new Map<number, LengthReading[]>() };
  const kinds = new Map<number, ToothReading['kind']>();
  const notes = new Map<number, string>();
  const gauges = new Map<Gauge, number>();
  const keys: string[] = [];
  let last = 0;
  let simulated = false;
  for (const r of standing(session.readings)) {
    if (r.part !== part) continue;
    if (r.quantity === 'kind') kinds.set(r.place, r.value);
    else if (r.quantity === 'note') notes.set(r.place, r.value);
    else if (r.quantity === 'height' || r.quantity === 'place') {
      const of = lengths[r.quantity];
      const here = of.get(r.place);
      if (here) here.push(r);
      else of.set(r.place, [r]);
      if (r.quantity === 'height') gauges.set(r.gauge, (gauges.get(r.gauge) ?? 0) + 1);
    } else continue;
    simulated ||= r.simulated;
    keys.push(r.key);
    last = Math.max(last, r.place);
  }
  const means = (of: ReadonlyMap<number, LengthReading[]>): ByTooth['heights'] => {
    const found = new Map<number, Estimate>();
    for (const [tooth, all] of of) {
      const mean = meanOf(all);
      if (mean) found.set(tooth, mean);
    }
    return found;
  };
  const gauge = [...gauges].reduce<[Gauge, number]>(
    (most, one) => (one[1] > most[1] ? one : most),
    ['straight-edge', 0],
  );
  return {
    heights: means(lengths.height),
    places: means(lengths.place),
    kinds,
    notes,
    last,
    gauge: gauge[0],
    simulated,
    keys,
  };
}

/**
 * Values of teeth 1 to n: those read as they are, between two read ones in proportion to where the
 * teeth stand, beyond the ends `slope` a pitch on from the nearest; from 0 where none was read. O(n).
 */
function filled(
  count: number,
  readAt: (tooth: number) => number | null,
  { from: placeOf, slope }: { readonly from: (tooth: number) => number; readonly slope: number },
): Float64Array {
  const values = new Float64Array(count);
  let before: { tooth: number; value: number } | null = null;
  for (let tooth = 1; tooth <= count; tooth++) {
    const value = readAt(tooth);
    if (value === null) continue;
    const from: { tooth: number; value: number } | null = before;
    for (let k = (from?.tooth ?? 0) + 1; k < tooth; k++) {
      values[k - 1] = from
        ? from.value +
          ((value - from.value) * (placeOf(k) - placeOf(from.tooth))) / (placeOf(tooth) - placeOf(from.tooth))
        : value - slope * (placeOf(tooth) - placeOf(k));
    }
    values[tooth - 1] = value;
    before = { tooth, value };
  }
  const last = before ?? { tooth: 1, value: 0 };
  if (!before && count > 0) values[0] = 0;
  for (let k = last.tooth + 1; k <= count; k++) values[k - 1] = last.value + slope * (placeOf(k) - placeOf(last.tooth));
  return values;
}
