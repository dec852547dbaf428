import type { LengthGauge } from './gauges';
import { standing } from './estimates';
import type { LengthQuantity } from './quantities';
import type { KindReading, LeanReading, LengthReading, NoteReading, Reading } from './reading';
import type { ToothReading } from './tooth-reading';

/** How readings are being taken: what with, whether out of a stand-in, and where their keys come from. */
export interface Taking {
  readonly gauge: LengthGauge;
  readonly simulated: boolean;
  readonly mint: () => string;
}

/** What is read of a tooth of the line. */
export type LineValue =
  | Pick<LengthReading, 'quantity' | 'value'>
  | Pick<KindReading, 'quantity' | 'value'>
  | Pick<LeanReading, 'quantity' | 'value'>
  | Pick<NoteReading, 'quantity' | 'value'>;

const at = (readings: readonly Reading[], quantity: Reading['quantity'], place: number): Reading[] =>
  readings.filter((r) => r.quantity === quantity && r.place === place);

/** A reading taken out of the count: another that corrects it and is set aside. It stays in the record. */
export const withdrawn = (reading: Reading, mint: () => string): Reading => ({
  ...reading,
  key: mint(),
  setAside: true,
  corrects: reading.key,
});

/**
 * A value for a tooth of the line: a first reading, or a correction of what this session has
 * there already. `counting` are the session's readings that count. Nothing where that is the
 * value already.
 */
export function takeAt(counting: readonly Reading[], tooth: number, one: LineValue, how: Taking): Reading[] {
  const here = at(counting, one.quantity, tooth);
  const last = here.at(-1);
  if (here.length === 1 && last?.value === one.value && last.gauge === how.gauge) return [];
  const head = {
    key: how.mint(),
    part: null,
    place: tooth,
    setAside: false,
    simulated: how.simulated,
    gauge: how.gauge,
  };
  return [
    ...here.slice(0, -1).map((r) => withdrawn(r, how.mint)),
    // Each of the union's members is a quantity with a value of its own kind.
    { ...head, ...one, corrects: last?.key ?? null } satisfies Reading,
  ];
}

/** What of a line a file, a scan or a filer tells. */
export interface LineTold {
  readonly teeth: readonly ToothReading[];
  /** Whether the places were measured, or only filled in by the pitch. */
  readonly places: boolean;
}

/** Readings that make one tooth of a line what was told of it. `here` are those at the tooth that count. */
export function takeTooth(here: readonly Reading[], tooth: ToothReading, places: boolean, how: Taking): Reading[] {
  const values: LineValue[] = [];
  if (places) values.push({ quantity: 'place', value: tooth.xMm });
  if (tooth.kind !== 'missing') values.push({ quantity: 'height', value: tooth.yMm });
  if (tooth.kind !== 'tooth' || here.some((r) => r.quantity === 'kind'))
    values.push({ quantity: 'kind', value: tooth.kind });
  if (tooth.lean) values.push({ quantity: 'lean', value: tooth.lean });
  if (tooth.setMm !== null && tooth.setMm !== undefined && tooth.kind !== 'missing')
    values.push({ quantity: 'set', value: tooth.setMm });
  if (tooth.note) values.push({ quantity: 'note', value: tooth.note });
  const gone = tooth.kind === 'missing' ? here.filter((r) => r.quantity === 'height' || r.quantity === 'set') : [];
  return [...values.flatMap((one) => takeAt(here, tooth.tooth, one, how)), ...gone.map((r) => withdrawn(r, how.mint))];
}

/**
 * Readings that make a whole line out of what a session has: every tooth's values taken or
 * corrected, teeth beyond the end taken back. What a tooth does not tell is left as it is. O(n).
 */
export function takeLine(readings: readonly Reading[], told: LineTold, how: Taking): Reading[] {
  const counting = standing(readings);
  const byTooth = new Map<number, Reading[]>();
  for (const r of counting) {
    const here = byTooth.get(r.place);
    if (here) here.push(r);
    else byTooth.set(r.place, [r]);
  }
  const beyond = counting.filter((r) => OF_A_LINE.has(r.quantity) && r.place > told.teeth.length);
  return [
    ...told.teeth.flatMap((tooth) => takeTooth(byTooth.get(tooth.tooth) ?? [], tooth, told.places, how)),
    ...beyond.map((r) => withdrawn(r, how.mint)),
  ];
}
const OF_A_LINE: ReadonlySet<string> = new Set(['place', 'height', 'kind', 'note', 'lean', 'set'] satisfies (
  LengthQuantity | 'kind' | 'note' | 'lean'
)[]);

/**
 * Readings that undo a batch: a first one is taken back, a correction gives way to what it
 * corrected. Undoing those does the batch again. `readings` are all of the session.
 */
export function undone(batch: readonly Reading[], readings: readonly Reading[], mint: () => string): Reading[] {
  const byKey = new Map(readings.map((r) => [r.key, r]));
  const standingNow = new Map<string, string>();
  for (const r of readings) if (r.corrects !== null) standingNow.set(r.corrects, r.key);
  return batch.flatMap((r): Reading[] => {
    // Whatever corrected it since stands in its place.
    let last = r.key;
    for (let next = standingNow.get(last); next !== undefined; next = standingNow.get(last)) last = next;
    const old = r.corrects === null ? undefined : byKey.get(r.corrects);
    if (!old) return [{ ...r, key: mint(), setAside: true, corrects: last }];
    return [{ ...old, key: mint(), corrects: last }];
  });
}
