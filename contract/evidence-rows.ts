import * as z from 'zod';
import { angleFinding } from '@odontis/core/evidence/angle-finding';
import { GAUGES } from '@odontis/core/evidence/gauges';
import { LENGTH_QUANTITIES, QUANTITIES } from '@odontis/core/evidence/quantities';
import type { KeptReading } from '@odontis/core/evidence/reading';
import { LEANS, TOOTH_KINDS } from '@odontis/core/evidence/tooth-reading';

/**
 * Readings alike in all but what stands in their rows, as the server answers them. A long line is
 * tens of thousands of readings which say few things over and over: like this they are a third
 * of the bytes they are one by one, and go from the database to the screen without being read between.
 */
export const alikeReadings = z.object({
  quantity: z.enum(QUANTITIES),
  part: z.string().nullable(),
  gauge: z.enum(GAUGES),
  by: z.string(),
  at: z.iso.datetime(),
  setAside: z.boolean(),
  simulated: z.boolean(),
  /**
   * A line a reading, its cells between spaces: the order it was taken in, its key, its place, the key of
   * what it corrects or nothing, and to the end of the line its value as JSON (which writes line ends otherwise).
   */
  rows: z.string(),
});
export type AlikeReadings = z.infer<typeof alikeReadings>;

const LENGTHS: ReadonlySet<string> = new Set(LENGTH_QUANTITIES);
const WORDS: Readonly<Record<string, ReadonlySet<unknown>>> = { kind: new Set(TOOTH_KINDS), lean: new Set(LEANS) };

function lengthOf(written: string): number | undefined {
  const length = written === '' ? NaN : Number(written);
  return Number.isFinite(length) ? length : undefined;
}

/** A word or a finding as written, where it is of its quantity's kind; undefined where it is not. */
function valueOf(quantity: string, written: string): unknown {
  const value = parsed(written);
  if (quantity === 'angles') return angleFinding.safeParse(value).data;
  return (WORDS[quantity]?.has(value) ?? typeof value === 'string') ? value : undefined;
}

function parsed(json: string): unknown {
  try {
    return JSON.parse(json);
  } catch {
    return undefined;
  }
}

/** A function that is asked the same few things again and again. */
function remembering<T>(work: (of: string) => T): (of: string) => T {
  const known = new Map<string, T>();
  return (of) => {
    const found = known.get(of);
    if (found !== undefined) return found;
    const made = work(of);
    known.set(of, made);
    return made;
  };
}

/** Readings in the order they were taken; null where a row is none. O(n). */
export function readingsOf(all: readonly AlikeReadings[]): KeptReading[] | null {
  const taken: { readonly order: number; readonly reading: KeptReading }[] = [];
  for (const { rows, quantity, part, gauge, setAside, simulated, by, at } of all) {
    const read = LENGTHS.has(quantity) ? lengthOf : remembering((written) => valueOf(quantity, written));
    let from = 0;
    // Cut where their cells end: split cell by cell they take twice as long.
    const cell = (end: string): string => {
      const to = rows.indexOf(end, from);
      const text = rows.slice(from, to < 0 ? rows.length : to);
      from += text.length + 1;
      return text;
    };
    while (from < rows.length) {
      const order = Number(cell(' '));
      const key = cell(' ');
      const place = Number(cell(' '));
      const corrects = cell(' ') || null;
      const value = read(cell('\n'));
      if (value === undefined || key === '' || !Number.isFinite(place) || !Number.isInteger(order)) return null;
      const reading = {
        key,
        quantity,
        part,
        place,
        value,
        gauge,
        setAside,
        corrects,
        simulated,
        by,
        at,
      } as KeptReading;
      taken.push({ order, reading });
    }
  }
  return taken.sort((a, b) => a.order - b.order).map((one) => one.reading);
}

/** A session's readings as they are answered, read back into readings. */
export const sentReadings = z.array(alikeReadings).transform((all, context): KeptReading[] => {
  const readings = readingsOf(all);
  if (readings) return readings;
  context.addIssue({ code: 'custom', message: 'A reading is not as it must be.' });
  return z.NEVER;
});
