import { plainFacts } from '../../plain-facts';
import fc from 'fast-check';
import { linearRegression } from 'simple-statistics';
import { BELOW_SCORERS_MM } from '../../../circular/equalise';
import type { LengthReading } from '../../../evidence/reading';
import { exampleRecord } from '../../../reference/examples';
import { ordinarySaw } from '../../../saw/ordinary-saws';
import type { PlateMark } from '../../../saw/plate-marks';
import type { SawOf } from '../../../saw/saw';
import { teethOf } from '../../../saw/saw';
import type { WorkFacts } from '../../family-work';
import { DEFAULT_HABITS } from '../../habits';
import type { WorkOrder } from '../../order';
import { workOrder } from '../../order';
import type { CircularRecord } from '../../saw-record';
import type { BladeOrdered, BladeWish } from './inputs';
import { circularWork } from './work';

const PLAIN: BladeWish = { family: 'circular', depthMm: null, set: null, burnt: null, asked: '' };
const blade = ordinarySaw('blade-crosscut') as SawOf<'circular'>;
const combination = ordinarySaw('blade-combination') as SawOf<'circular'>;
const carbide = ordinarySaw('blade-carbide') as SawOf<'circular'>;
const reading = (quantity: LengthReading['quantity'], place: number, value: number): LengthReading => ({
  ...{ key: `${quantity}-${place}`, quantity, place, value, gauge: 'indicator', part: null },
  ...{ setAside: false, corrects: null, simulated: false },
});
const round = (of: SawOf<'circular'>, quantity: 'runout' | 'runout-turned', at: (angle: number, i: number) => number) =>
  Array.from({ length: teethOf(of) }, (_, i) => reading(quantity, i + 1, at((2 * Math.PI * i) / teethOf(of), i)));
const burn = { kind: 'burn', along: 0.1, down: 0.9 } as PlateMark;
const facts = (of: SawOf<'circular'>, readings: LengthReading[] = [], marks: PlateMark[] = []): WorkFacts =>
  plainFacts(of, [{ key: 'a', kind: 'before', readings }], { marks });
const orderOf = (known: WorkFacts, wish: Partial<BladeWish> = {}): WorkOrder => {
  const studied = circularWork.study(known, { ...PLAIN, ...wish });
  if (!studied.ok) throw new Error(studied.says);
  return circularWork.order(studied.study, null);
};
const ownOf = ({ round: own }: WorkOrder): BladeOrdered => {
  if (own?.family !== 'circular') throw new Error('This is no blade’s order.');
  return own;
};
const kinds = (order: WorkOrder): string[] => order.steps.map((s) => s.kind);
const strokesOf = (order: WorkOrder): number[] =>
  order.steps.filter((s) => s.kind === 'round').flatMap((s) => s.stops.map((stop) => stop.strokes));

describe('the order of a circular blade', () => {
  it('a perfect blade on an arbor out of true is given its sharpening and no stroke more, once it was read turned', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.3, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        (throwMm, towards) => {
          const arbor = (angle: number) => throwMm * Math.cos(angle - towards);
          const read = [
            ...round(blade, 'runout', arbor),
            // Turned half round, each of its teeth stands where its opposite did.
            ...round(blade, 'runout-turned', (angle) => arbor(angle + Math.PI)),
          ];
          const order = orderOf(facts(blade, read));
          const { forecast } = ownOf(order);
          expect(forecast.arborMm).toBeCloseTo(throwMm, 9);
          expect(forecast.jointMm).toBeLessThan(1e-9);
          expect(new Set(strokesOf(order))).toEqual(new Set([DEFAULT_HABITS.strokesPerGullet]));
          expect(workOrder.parse(order)).toEqual(order);
        },
      ),
      { numRuns: 25 },
    );
    // Read once, nobody can tell: it is jointed as the dial shows it, and the two are said together.
    const once = ownOf(
      orderOf(
        facts(
          blade,
          round(blade, 'runout', (angle) => 0.15 * Math.cos(angle)),
        ),
      ),
    );
    expect([once.forecast.arborMm, once.forecast.jointMm > 0.25]).toEqual([null, true]);
  });

  it('blade and teeth are told apart as a statistics library tells them: what is left of the dial regresses on neither cosine nor sine', () => {
    const wild = (angle: number, i: number) => 0.1 * Math.cos(angle - 1) + 0.03 * Math.sin(i * 7.3);
    const studied = circularWork.study(facts(blade, round(blade, 'runout', wild)), PLAIN);
    if (!studied.ok || studied.study.family !== 'circular') throw new Error('no study');
    const own = studied.study.split?.own ?? [];
    for (const of of [Math.cos, Math.sin]) {
      const { m } = linearRegression(own.map((o, i) => [of((2 * Math.PI * i) / own.length), o.offMm]));
      expect(m).toBeCloseTo(0, 9);
    }
  });

  it('jointed less deep it reaches fewer teeth; a broken tooth is left short and nothing brought down to it', () => {
    const worn = round(blade, 'runout', (_, i) => (i === 10 ? -1.4 : -0.02 * (i % 6)));
    const { forecast, inputs } = ownOf(orderOf(facts(blade, worn)));
    expect(forecast.leftShort).toEqual([11]);
    expect([forecast.jointMm, forecast.reachedShare]).toEqual([jasmine.any(Number) as never, 1]);
    expect(forecast.jointMm).toBeCloseTo(0.1, 9);
    expect(forecast.diameterMm).toBeCloseTo(inputs.saw.diameterMm - 0.2, 9);
    const less = ownOf(orderOf(facts(blade, worn), { depthMm: 0.05 }));
    expect(less.forecast.reachedShare).toBeLessThan(1);
    expect(less.forecast.metalMm3).toBeLessThan(forecast.metalMm3);
  });

  it('rakers end a sixty-fourth under the scorers: those high are given strokes, those low are named and left', () => {
    const roles = combination.pattern ?? 'CCCCR';
    const read = round(combination, 'runout', (_, i) => {
      if (roles[i % roles.length] !== 'R') return 0;
      return i % 10 === 9 ? -BELOW_SCORERS_MM - 0.2 : -0.1;
    });
    const order = orderOf(facts(combination, read));
    const rakers = order.steps.find((s) => s.kind === 'round-rakers');
    const low = ownOf(order).forecast.rakersTooLow;
    expect(low.length).toBeGreaterThan(0);
    expect(rakers?.targetMm).toBe(BELOW_SCORERS_MM);
    expect(rakers?.stops.every((stop) => stop.strokes > 0 && !low.includes(stop.at))).toBeTrue();
    // 0.297 mm still to go, at the upper end of an unmeasured hand's rate.
    expect(rakers?.stops[0]?.strokes).toBe(Math.floor((BELOW_SCORERS_MM - 0.1) / 0.033));
    const filed = order.steps.filter((s) => s.kind === 'round').flatMap((s) => s.stops.map((stop) => stop.at));
    expect(filed.some((tooth) => roles[(tooth - 1) % roles.length] === 'R')).toBeFalse();
  });

  it('a few readings tell no circle, and are planned by all the same: on a combination blade without a pattern too', () => {
    const { pattern: _told, ...bare } = combination;
    for (const of of [blade, bare])
      for (const count of [1, 3, 5]) {
        const few = Array.from({ length: count }, (_, i) => reading('runout', 1 + 3 * i, -0.02 * i));
        expect(orderOf(facts(of, few)).steps.length).toBeGreaterThan(5);
      }
  });

  it('a plate too thick for a spring set is swaged to both sides', () => {
    const thick = orderOf(facts({ ...blade, plateThicknessMm: 3.4 }), { set: 'renew' });
    expect(kinds(thick)).toContain('swage-teeth');
    expect(kinds(thick)).not.toContain('set');
    expect(kinds(orderOf(facts(blade), { set: 'renew' })).filter((kind) => kind === 'set').length).toBe(2);
  });

  it('half of each flat by the face, the rest by the back; nobody having read it, it is jointed by eye', () => {
    const order = orderOf(
      facts(
        blade,
        round(blade, 'runout', (_, i) => -0.05 * (i % 4)),
      ),
    );
    const of = (edge: string) => order.steps.filter((s) => s.edge === edge).flatMap((s) => s.stops);
    const back = new Map(of('back').map((stop) => [stop.at, stop]));
    for (const face of of('face')) {
      expect(Math.abs(face.strokes - (back.get(face.at)?.strokes ?? NaN))).toBeLessThanOrEqual(1);
      expect(back.get(face.at)?.flatMm).toBe(face.flatMm);
    }
    expect(back.size).toBe(teethOf(blade));
    const unread = orderOf(facts(blade));
    expect(kinds(unread)).toContain('joint-round');
    expect(ownOf(unread).forecast.spreadBeforeMm).toBeNull();
  });

  it('a burnt tooth is tried with a file first; by what it finds the blade is worked or refused', () => {
    const refused = (wish: Partial<BladeWish>) => ownOf(orderOf(facts(blade, [], [burn]), wish)).forecast.refused;
    expect(refused({})).toMatch(/try it with a file/);
    expect(refused({ burnt: 'softer' })).toMatch(/temper is gone/);
    expect(refused({ burnt: 'harder' })).toMatch(/glass-hard/);
    expect(refused({ burnt: 'alike' })).toBeUndefined();
    expect(orderOf(facts(blade, [], [burn])).steps).toEqual([]);
  });

  it('carbide goes to the grinder and comes home, with what was asked', () => {
    const order = orderOf(facts(carbide), { asked: 'two new tips' });
    expect(kinds(order)).toEqual(['inspect', 'clean', 'grinder', 'home', 'test', 'finish']);
    expect(order.steps[2]?.says).toBe('to the grinder: two new tips');
    expect(order.strokes).toBe(0);
  });

  it('hook and bevel from a straight edge and a fall (geometry section 8)', () => {
    const { inputs } = ownOf(orderOf(facts(blade, [reading('face-line', 1, 43.4), reading('bevel-fall', 1, 2.2)])));
    expect(inputs.hookDeg).toBeCloseTo((Math.asin(43.4 / (blade.diameterMm / 2)) * 180) / Math.PI, 9);
    expect(inputs.bevelDeg).toBeCloseTo(45, 9);
  });

  it('of a record: names the broken tooth, tells the blade from the arbor', () => {
    const record = exampleRecord<CircularRecord>('circular-saw');
    const { order } = circularWork.ofRecord(record) as { order: WorkOrder };
    const { forecast } = ownOf(order);
    expect(forecast.leftShort).toEqual([18]);
    expect(forecast.bladeMm).toBeCloseTo(0.12, 1);
    expect(forecast.arborMm).toBeCloseTo(0.05, 2);
    const { order: once } = circularWork.ofRecord({ ...record, again: undefined }) as { order: WorkOrder };
    expect(ownOf(once).forecast.arborMm).toBeNull();
  });

  it('of a record: the rim’s speed where one is told, judged by the marked limit and by nothing else', () => {
    const record = exampleRecord<CircularRecord>('circular-saw');
    const speed = (told: Partial<CircularRecord>) => circularWork.ofRecord({ ...record, ...told });
    // Peripheral speed = pi D n (engineers' handbooks, from memory): 250 mm at 3,450 a minute.
    expect(speed({})).toEqual(
      jasmine.objectContaining({
        speed: { ok: true, limitRpm: 6000, metresPerSecond: jasmine.any(Number) },
      }),
    );
    expect((speed({}) as { speed: { metresPerSecond: number } }).speed.metresPerSecond).toBeCloseTo(45.2, 1);
    const wrong = { speed: jasmine.objectContaining({ ok: false, code: 'over-marking' }) };
    expect(speed({ turnsPerMinute: 6001 })).toEqual(jasmine.objectContaining(wrong));
    expect(Object.keys(speed({ turnsPerMinute: undefined }))).toEqual(['family', 'order']);
  });

  it('rakers told by the pattern are left to themselves though nobody read a dial', () => {
    const told = { ...blade, filing: 'combination', pattern: 'CCCCR' } as SawOf<'circular'>;
    const { inputs, forecast } = ownOf(orderOf(facts(told)));
    expect(inputs.rakers.slice(0, 3)).toEqual([5, 10, 15]);
    expect(forecast.rakers).toBe(inputs.rakers.length);
  });
});
