import { plainFacts } from '../../plain-facts';
import fc from 'fast-check';
import type { LengthReading } from '../../../evidence/reading';
import { sidesOf } from '../../../evidence/sides';
import { exampleRecord } from '../../../reference/examples';
import { BAND_SETS } from '../../../saw/saw';
import type { SawOf } from '../../../saw/saw';
import { ordinarySaw } from '../../../saw/ordinary-saws';
import type { WorkFacts } from '../../family-work';
import { DEFAULT_HABITS } from '../../habits';
import type { ShopHabits } from '../../habits';
import type { WorkOrder } from '../../order';
import { workOrder } from '../../order';
import type { BandRecord } from '../../saw-record';
import type { BandOrdered, BandWish } from './inputs';
import { bandWork } from './work';

const saw = ordinarySaw('band-narrow') as SawOf<'band'>;
const PLAIN: BandWish = { family: 'band', set: null, joint: null, strokes: null };
const reading = (quantity: LengthReading['quantity'], place: number, value: number): LengthReading => ({
  ...{ key: `${quantity}-${place}`, quantity, place, value, gauge: 'indicator', part: null },
  ...{ setAside: false, corrects: null, simulated: false },
});
const facts = (of: SawOf<'band'>, readings: LengthReading[] = [], habits: Partial<ShopHabits> = {}): WorkFacts => ({
  ...plainFacts(of, [{ key: 'a', kind: 'before', readings }]),
  habits: { ...DEFAULT_HABITS, ...habits },
});
const orderOf = (known: WorkFacts, wish: Partial<BandWish> = {}): WorkOrder => {
  const studied = bandWork.study(known, { ...PLAIN, ...wish });
  if (!studied.ok) throw new Error(studied.says);
  return bandWork.order(studied.study, null);
};
/** A band's own part of its order. */
const bandOf = ({ round }: WorkOrder): BandOrdered => {
  if (round?.family !== 'band') throw new Error('This is no band’s order.');
  return round;
};
const kinds = (order: WorkOrder): string[] => order.steps.map((s) => (s.side ? `${s.kind} ${s.side}` : s.kind));
/** Set of so many teeth a side, all round. */
const set = (left: number, right: number): LengthReading[] => {
  const sides = sidesOf(saw);
  return [20, 21, 50, 51, 90, 91, 140, 141, 200, 201].map((tooth) =>
    reading('set', tooth, sides(tooth) === 'left' ? left : right),
  );
};

describe('the order of a band', () => {
  it('walks every tooth once on every circuit, whatever the band and the jaws', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 1500 }),
        fc.double({ min: 1, max: 25, noNaN: true }),
        fc.integer({ min: 30, max: 600 }),
        fc.constantFrom(...BAND_SETS),
        (teeth, pitchMm, jawMm, pattern) => {
          const of = { ...saw, set: pattern, pitchMm, toothLineMm: teeth * pitchMm };
          const order = orderOf(facts(of, [], { jawMm }));
          for (const step of order.steps.filter((s) => s.unit === 'window')) {
            const walked = step.stops.flatMap(({ at, to = 0 }) =>
              Array.from({ length: to - at + 1 }, (_, i) => at + i),
            );
            expect(walked).toEqual(Array.from({ length: teeth }, (_, i) => i + 1));
          }
          expect(order.strokes).toBe(2 * teeth);
          expect(workOrder.parse(order)).toEqual(order);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('by hand: 400 teeth of 6 mm in jaws of 150 go in 16 windows of 25, twice two circuits of set and one of filing', () => {
    const of = { ...saw, pitchMm: 6, toothLineMm: 2400 };
    const order = orderOf(facts(of));
    expect(bandOf(order).forecast).toEqual(jasmine.objectContaining({ teeth: 400, windows: 16, each: 25, atWeld: '' }));
    expect(kinds(order)).toEqual(['uncoil', 'set left', 'set right', 'sharpen', 'coil', 'test', 'finish']);
    expect(kinds(orderOf(facts(of, [], { setOrder: 'after-filing' })))[1]).toBe('sharpen');
    expect(order.steps.find((s) => s.kind === 'sharpen')?.stops[15]).toEqual(
      jasmine.objectContaining({ at: 376, to: 400, strokes: 2 }),
    );
  });

  it('set that was sampled and is enough is left; worn it is renewed; nobody having read any, too; a person may say otherwise', () => {
    const wanted = bandOf(orderOf(facts(saw))).forecast.set.perSideMm;
    expect(bandOf(orderOf(facts(saw))).forecast.set.reset).toBeTrue();
    const full = facts(saw, set(wanted, wanted));
    expect([orderOf(full).work, bandOf(orderOf(full)).forecast.set.reset]).toEqual(['sharpen', false]);
    expect(orderOf(facts(saw, set(0.4 * wanted, 0.4 * wanted))).work).toBe('tune');
    expect(bandOf(orderOf(full, { set: 'renew' })).forecast.set.reset).toBeTrue();
    expect(bandOf(orderOf(facts(saw), { set: 'leave' })).forecast.set.reset).toBeFalse();
  });

  it('the weld’s own place is no sample of the others', () => {
    const wanted = bandOf(orderOf(facts(saw))).forecast.set.perSideMm;
    const ground = [...set(wanted, wanted), reading('set', 1, 0)];
    expect(bandOf(orderOf(facts(saw, ground))).inputs.set?.left.meanMm).toBeCloseTo(wanted, 12);
    expect(bandOf(orderOf(facts(saw, ground))).inputs.keys).not.toContain('set-1');
  });

  it('it is jointed where a sample of heights says the line has gone, or where the shop always does; a short tooth is named and left', () => {
    const heights = (spread: number, short = 0) =>
      [30, 70, 110, 150, 190, 230].map((tooth, i) =>
        reading('height', tooth, (-spread * i) / 5 - (i === 2 ? short : 0)),
      );
    const level = orderOf(facts(saw, heights(0.05)));
    expect([bandOf(level).forecast.jointed, kinds(level).includes('joint-round')]).toEqual([false, false]);
    const gone = orderOf(facts(saw, heights(0.2)));
    expect([bandOf(gone).forecast.jointed, kinds(gone)[1]]).toEqual([true, 'joint-round']);
    expect(bandOf(orderOf(facts(saw, heights(0.2)), { joint: false })).forecast.jointed).toBeFalse();
    expect(bandOf(orderOf(facts(saw, [], { bandJoint: 'lightly' }))).forecast.jointed).toBeTrue();
    const broken = orderOf(facts(saw, heights(0.05, 1.2)));
    expect(broken.steps.find((s) => s.kind === 'blend')?.stops.map((stop) => stop.at)).toEqual([110]);
    expect(kinds(level)).not.toContain('blend');
    expect(bandOf(broken).forecast.jointed).toBeFalse();
    expect(bandOf(broken).inputs.heights?.short).toEqual([{ tooth: 110, byMm: jasmine.any(Number) as never }]);
  });

  it('a count is known by its whole pitch; an odd one is put right at the weld', () => {
    const counted = orderOf(facts({ ...saw, pitchMm: saw.toothLineMm / 379 }));
    expect([bandOf(counted).inputs.counted, bandOf(counted).forecast.teeth]).toEqual([true, 379]);
    expect(bandOf(counted).forecast.atWeld).toContain('the last tooth is left straight');
    expect(bandOf(orderOf(facts({ ...saw, pitchMm: 6.351 }))).inputs.counted).toBeFalse();
  });

  it('its jaws shorter than a tooth are said, not thrown', () => {
    const studied = bandWork.study(facts({ ...saw, pitchMm: 25, toothLineMm: 2500 }, [], { jawMm: 20 }), PLAIN);
    expect(studied).toEqual({ ok: false, code: 'readings-unfit', says: 'The jaws are shorter than one tooth.' });
  });

  it('of a record: counted teeth outrank those reckoned', () => {
    const { order } = bandWork.ofRecord(exampleRecord<BandRecord>('band')) as { order: WorkOrder };
    expect([bandOf(order).forecast.teeth, bandOf(order).forecast.set.reset]).toEqual([379, true]);
    expect(kinds(order).filter((kind) => kind.startsWith('set'))).toEqual(['set left', 'set right']);
  });
});
