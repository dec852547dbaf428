import fc from 'fast-check';
import { ordinarySaw } from '../saw/ordinary-saws';
import { lineOf } from './line-of';
import type { LengthReading, Reading } from './reading';
import { reading } from './reading';
import { readingFault } from './reading-fault';
import type { SessionReadings } from './session';
import { setOf } from './set-of';
import { takeAt, takeLine, undone, withdrawn } from './take';
import { standing } from './estimates';
import type { ToothReading } from './tooth-reading';
import { alternateLean } from './tooth-reading';

const SAW = { ...ordinarySaw('tenon'), pitchMm: 2, toothLineMm: 80 };
let minted = 0;
const mint = (): string => `00000000-0000-4000-8000-${(++minted).toString(16).padStart(12, '0')}`;
const how = { gauge: 'straight-edge', simulated: false, mint } as const;
const length = (
  quantity: LengthReading['quantity'],
  place: number,
  value: number,
  more: Partial<LengthReading> = {},
): LengthReading => ({
  key: mint(),
  quantity,
  part: null,
  place,
  value,
  gauge: 'straight-edge',
  setAside: false,
  corrects: null,
  simulated: false,
  ...more,
});
const session = (readings: readonly Reading[], more: Partial<SessionReadings> = {}): SessionReadings => ({
  key: mint(),
  kind: 'before',
  readings,
  ...more,
});
const line = (...sessions: SessionReadings[]) => lineOf(sessions, SAW, 'before');

/** A line as a filer might measure it: some places, some sets, a broken and a missing tooth here and there. */
const madeLine: fc.Arbitrary<ToothReading[]> = fc
  .array(
    fc.record({
      // No gauge reads a zero with a sign: it is the same height as the other, and no correction of it.
      y: fc.double({ min: -0.4, max: 0.4, noNaN: true }).map((y) => y + 0),
      off: fc.double({ min: -0.3, max: 0.3, noNaN: true }),
      set: fc.option(fc.double({ min: 0.02, max: 0.3, noNaN: true })),
      kind: fc.constantFrom<ToothReading['kind']>('tooth', 'tooth', 'tooth', 'tooth', 'broken', 'missing'),
    }),
    { minLength: 3, maxLength: 40 },
  )
  .map((teeth) =>
    teeth.map((t, i): ToothReading => ({
      tooth: i + 1,
      xMm: 2 * i + t.off,
      yMm: t.kind === 'missing' ? 0 : t.y,
      lean: i % 2 === 0 ? 'left' : 'right',
      setMm: t.kind === 'missing' ? null : t.set,
      kind: t.kind,
      note: null,
    })),
  );
const shuffled = <T>(all: readonly T[], seed: readonly number[]): T[] =>
  all
    .map((one, i) => ({ one, at: seed[i % seed.length] as number, i }))
    .sort((a, b) => a.at - b.at || b.i - a.i)
    .map(({ one }) => one);
const seeds = fc.array(fc.integer(), { minLength: 1, maxLength: 50 });

const keptSet = (t: ToothReading | undefined): number | null => (t && t.kind !== 'missing' ? (t.setMm ?? null) : null);

describe('views of the evidence', () => {
  it('a line taken is the line that is seen, to the last digit', () => {
    fc.assert(
      fc.property(madeLine, (teeth) => {
        const view = line(session(takeLine([], { teeth, places: true }, how)));
        expect(view?.teeth).toEqual(teeth);
        expect(view?.placesRead).toBe(teeth.length);
      }),
    );
  });
  it('the order in which readings arrive does not matter', () => {
    fc.assert(
      fc.property(madeLine, madeLine, seeds, (first, then, seed) => {
        const taken = takeLine([], { teeth: first, places: true }, how);
        const all = [...taken, ...takeLine(taken, { teeth: then, places: true }, how)];
        const one = session(all);
        const other = { ...one, readings: shuffled(all, seed) };
        // Leans are the one thing of which the last seen speaks; here both lines say the same.
        expect(line(other)?.teeth).toEqual(line(one)?.teeth ?? []);
        // Where no set was read there is none, in whichever order.
        expect(setOf([other], 'before', alternateLean)?.left.count ?? 0).toBe(
          setOf([one], 'before', alternateLean)?.left.count ?? 0,
        );
      }),
    );
  });
  it('a replayed sending adds nothing', () => {
    fc.assert(
      fc.property(madeLine, (teeth) => {
        const taken = takeLine([], { teeth, places: true }, how);
        // Taken into a session that holds it already, a line is nothing new.
        expect(takeLine(taken, { teeth, places: true }, how)).toEqual([]);
      }),
    );
  });
  it('a line corrected to another is that other, and the old values stay in the record', () => {
    fc.assert(
      fc.property(madeLine, madeLine, (first, then) => {
        const taken = takeLine([], { teeth: first, places: true }, how);
        const fixed = [...taken, ...takeLine(taken, { teeth: then, places: true }, how)];
        // What the second line does not tell of a tooth is left as it was.
        const want = then.map((t, i) => ({
          ...t,
          setMm: t.kind === 'missing' ? null : (t.setMm ?? keptSet(first[i])),
        }));
        expect(line(session(fixed))?.teeth).toEqual(want);
        expect(fixed.slice(0, taken.length)).toEqual(taken);
      }),
    );
  });
  it('undone it is as before, done again as after, however often', () => {
    fc.assert(
      fc.property(madeLine, madeLine, fc.integer({ min: 1, max: 4 }), (first, then, times) => {
        let all: Reading[] = takeLine([], { teeth: first, places: true }, how);
        let batch = takeLine(all, { teeth: then, places: true }, how);
        const before = line(session(all))?.teeth;
        all = [...all, ...batch];
        const after = line(session(all))?.teeth;
        for (let k = 0; k < 2 * times; k++) {
          batch = undone(batch, all, mint);
          all = [...all, ...batch];
          expect(line(session(all))?.teeth).toEqual(k % 2 === 0 ? before : after);
        }
      }),
      { numRuns: 40 },
    );
  });
  it('a correction of a correction: the last one stands, and one taken back leaves none', () => {
    const first = length('height', 1, -0.1);
    const [second] = takeAt([first], 1, { quantity: 'height', value: -0.2 }, how);
    const [third] = takeAt(standing([first, second as Reading]), 1, { quantity: 'height', value: -0.3 }, how);
    const all = [first, second as Reading, third as Reading];
    expect(third?.corrects).toBe(second?.key ?? '');
    expect(line(session(all))?.teeth[0]?.yMm).toBe(-0.3);
    const gone = [...all, withdrawn(third as Reading, mint), length('height', 2, 0)];
    expect(line(session(gone))?.heightsRead).toBe(1);
  });
  it('repeats at one place are averaged by their gauges’ errors; a single reading is itself', () => {
    const twice = line(
      session([length('height', 1, -0.1, { gauge: 'indicator' }), length('height', 1, -0.12, { gauge: 'indicator' })]),
    );
    expect(twice?.teeth[0]?.yMm).toBeCloseTo(-0.11, 12);
    expect(line(session([length('height', 1, -0.1)]))?.teeth[0]?.yMm).toBe(-0.1);
  });
  it('the latest session with a line speaks, whatever was gauged since; after the work is another line', () => {
    const old = session([length('height', 1, -0.5), length('height', 2, -0.5)]);
    const anew = session([length('height', 1, -0.02)]);
    const plate = session([length('thickness', 30, 0.7)]);
    const after = session([length('height', 1, 0)], { kind: 'after' });
    expect(line(old, anew, plate, after)?.session).toBe(anew.key);
    expect(line(old, anew, plate, after)?.teeth.length).toBe(1);
    expect(lineOf([old, anew, plate, after], SAW, 'after')?.session).toBe(after.key);
    expect(line(plate)).toBeNull();
  });
  it('what nobody read lies between what was; a broken tooth never on the line', () => {
    const view = line(
      session([
        length('height', 1, 0),
        length('height', 5, -0.4),
        length('place', 1, 0),
        length('place', 3, 4.4),
        { ...length('height', 3, 0), quantity: 'kind', value: 'broken' } as Reading,
      ]),
    );
    expect(view?.teeth.map((t) => Number(t.xMm.toFixed(9)))).toEqual([0, 2.2, 4.4, 6.4, 8.4]);
    expect(view?.teeth[1]?.yMm).toBeCloseTo(-0.1, 12);
    expect(view?.teeth[2]?.yMm).toBeLessThan(-0.5);
    expect([view?.heightsRead, view?.placesRead]).toEqual([2, 2]);
    expect([...(view?.heightErrorMm ?? [])].map(Number.isFinite)).toEqual([true, false, false, false, true]);
  });
  it('a side whose set is read anew stands in for all of that side read before, and for no other', () => {
    const all = session([1, 2, 3, 4].map((t) => length('set', t, 0.05)));
    const left = session([length('set', 3, 0.2)]);
    expect(setOf([all, left], 'before', alternateLean)).toEqual({
      left: { count: 1, meanMm: 0.2, spreadMm: null },
      right: { count: 2, meanMm: 0.05, spreadMm: 0 },
    });
  });
  it('a tooth that stands straight is on no side, alone or beside others', () => {
    const raker = session([length('set', 3, 0.2)]);
    const straight = (tooth: number) => (tooth === 3 ? null : alternateLean(tooth));
    expect(setOf([raker], 'before', straight)).toBeNull();
    const sides = setOf([session([1, 2, 3, 4].map((t) => length('set', t, 0.05))), raker], 'before', straight);
    expect([sides?.left.count, sides?.right.count, sides?.left.meanMm]).toEqual([1, 2, 0.05]);
  });
  it('a simulated reading marks the line it is in', () => {
    const real = [length('height', 1, 0), length('height', 2, 0)];
    expect(line(session(real))?.simulated).toBeFalse();
    expect(line(session([...real, length('set', 1, 0.05, { simulated: true })]))?.simulated).toBeTrue();
  });
  it('every reading a line is taken as is one that the schema and this saw take', () => {
    fc.assert(
      fc.property(madeLine, (teeth) => {
        for (const r of takeLine([], { teeth, places: true }, how)) {
          expect(reading.safeParse(r).success).toBeTrue();
          expect(readingFault(SAW, r, new Map())).toBeNull();
        }
      }),
      { numRuns: 20 },
    );
  });
});
