import { plainFacts } from '../../plain-facts';
import fc from 'fast-check';
import { BELOW_SCORERS_MM, GOOD_SPREAD_MM } from '../../../circular/equalise';
import { stacksNear, spreadRound } from '../../../circular/dado-stack';
import type { LengthReading } from '../../../evidence/reading';
import { UNCALIBRATED_STROKES } from '../../../line/strokes';
import { exampleRecord } from '../../../reference/examples';
import { ordinarySaw } from '../../../saw/ordinary-saws';
import type { PlateMark } from '../../../saw/plate-marks';
import type { SawOf } from '../../../saw/saw';
import type { WorkFacts } from '../../family-work';
import type { WorkOrder } from '../../order';
import { workOrder } from '../../order';
import type { DadoRecord } from '../../saw-record';
import type { DadoOrdered, DadoWish } from './inputs';
import { dadoWork } from './work';

const saw = ordinarySaw('dado') as SawOf<'dado'>;
const PLAIN: DadoWish = { family: 'dado', wantedMm: null, outersDownMm: null, chippersDownMm: null };
const reading = (part: string, place: number, value: number): LengthReading => ({
  ...{ key: `${part}-${place}`, quantity: part.includes('outer') ? 'runout' : 'chipper-height', place, value },
  ...{ gauge: 'indicator', part, setAside: false, corrects: null, simulated: false },
});
/** Every tooth of every part at a height. */
const all = (at: (part: string, tooth: number) => number): LengthReading[] =>
  saw.parts.flatMap((part) =>
    Array.from({ length: part.teeth }, (_, i) => reading(part.id, i + 1, at(part.id, i + 1))),
  );
const facts = (readings: LengthReading[] = [], marks: PlateMark[] = []): WorkFacts =>
  plainFacts(saw, [{ key: 'a', kind: 'before', readings }], { marks });
const orderOf = (known: WorkFacts, wish: Partial<DadoWish> = {}): WorkOrder => {
  const studied = dadoWork.study(known, { ...PLAIN, ...wish });
  if (!studied.ok) throw new Error(studied.says);
  return dadoWork.order(studied.study, null);
};
const ownOf = ({ round }: WorkOrder): DadoOrdered => {
  if (round?.family !== 'dado') throw new Error('This is no set’s order.');
  return round;
};
const chipperStrokes = (order: WorkOrder): number[] =>
  order.steps.filter((s) => s.kind === 'chipper').flatMap((s) => s.stops.map((stop) => stop.strokes));

describe('the order of a dado set', () => {
  it('a perfect set is sharpened: nothing jointed, no chipper touched', () => {
    const order = orderOf(facts(all((part) => (part.includes('outer') ? 0 : -BELOW_SCORERS_MM))));
    expect(order.steps.some((s) => s.kind === 'joint-round')).toBeFalse();
    expect(new Set(chipperStrokes(order))).toEqual(new Set([0]));
    expect(ownOf(order).forecast.spreadBeforeMm).toBe(0);
    expect(workOrder.parse(order)).toEqual(order);
  });

  it('chippers come down to the lowest worth keeping, never below it, and to a sixty-fourth under the scorers at the least', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 0.4, noNaN: true }), { minLength: 12, maxLength: 12 }), (offs) => {
        const heights = new Map<string, number>();
        let k = 0;
        for (const part of saw.parts.filter((p) => p.kind === 'chipper'))
          for (let tooth = 1; tooth <= part.teeth; tooth++) heights.set(`${part.id}${tooth}`, -(offs[k++] ?? 0));
        const order = orderOf(facts(all((part, tooth) => heights.get(`${part}${tooth}`) ?? 0)));
        const { chippersAtMm } = ownOf(order).forecast;
        expect(chippersAtMm).toBeCloseTo(Math.min(-BELOW_SCORERS_MM, -Math.max(...offs)), 12);
        const upper = UNCALIBRATED_STROKES.rateMmPerStroke + 2 * UNCALIBRATED_STROKES.errorMmPerStroke;
        for (const step of order.steps.filter((s) => s.kind === 'chipper'))
          for (const stop of step.stops)
            expect((heights.get(`${step.part ?? ''}${stop.at}`) ?? 0) - stop.strokes * upper).toBeGreaterThanOrEqual(
              (chippersAtMm ?? 0) - 1e-9,
            );
      }),
      { numRuns: 40 },
    );
  });

  it('the outer blades come first, both to one height; the spread is judged now and foretold', () => {
    const order = orderOf(
      facts(
        all((part, tooth) => {
          if (part === 'left outer') return -0.02 * (tooth % 3);
          if (part === 'right outer') return -0.1;
          return part === 'chipper 2' ? -0.2 : -0.55;
        }),
      ),
    );
    const { forecast } = ownOf(order);
    expect(forecast.scorersAtMm).toBeCloseTo(-0.1, 12);
    expect([forecast.spreadBeforeMm, forecast.verdictBefore]).toEqual([jasmine.any(Number) as never, 'too-much']);
    expect(forecast.spreadBeforeMm).toBeCloseTo(0.35, 12);
    expect(forecast.spreadAfterMm).toBeLessThan(GOOD_SPREAD_MM);
    const parts = order.steps.filter((s) => s.part).map((s) => s.part);
    expect(parts.indexOf('chipper 1')).toBeGreaterThan(parts.lastIndexOf('right outer'));
  });

  it('by hand: chosen depths are taken within what there is, chippers always a sixty-fourth under the scorers', () => {
    const known = facts(
      all((part, tooth) => (part.includes('outer') ? -0.05 * (tooth % 3) : part === 'chipper 2' ? -0.2 : -0.55)),
    );
    const at = (outersDownMm: number | null, chippersDownMm: number | null) => {
      const { scorersAtMm, chippersAtMm } = ownOf(orderOf(known, { outersDownMm, chippersDownMm })).forecast;
      return [scorersAtMm ?? NaN, chippersAtMm ?? NaN].map((mm) => Number(mm.toFixed(6)));
    };
    expect(at(null, null)).toEqual([-0.1, -0.55]);
    expect(at(0.04, null)).toEqual([-0.04, -0.55]);
    // No shallower than a sixty-fourth under the scorers, no deeper than the lowest of both.
    expect(at(0.04, 0)).toEqual([-0.04, Number((-0.04 - BELOW_SCORERS_MM).toFixed(6))]);
    expect(at(9, 9)).toEqual([-0.1, -0.55]);
    expect(at(0, 0.3)).toEqual([0, -0.5]);
    const shallow = ownOf(orderOf(known, { outersDownMm: 0.04, chippersDownMm: 0.25 }));
    expect(shallow.forecast.leftShort.length).toBeGreaterThan(0);
  });

  it('a chipper of another set is named, with how far it stands off; the rest is worked', () => {
    const order = orderOf(facts(all((part) => (part.includes('outer') ? 0 : part === 'chipper 1' ? -2 : -0.42))));
    const { strangers } = ownOf(order).forecast;
    const chippers = saw.parts.filter((p) => p.kind === 'chipper').length;
    expect(strangers.map((one) => one.part)).toEqual(chippers === 2 ? ['chipper 1', 'chipper 2'] : ['chipper 1']);
    expect(strangers[0]?.byMm).toBeCloseTo(-1.58, 9);
    expect(ownOf(orderOf(facts(all(() => 0)))).forecast.strangers).toEqual([]);
  });

  it('a tooth far under the others is named and left, and nothing brought down to it', () => {
    const order = orderOf(
      facts(all((part, tooth) => (part.includes('outer') ? 0 : part === 'chipper 1' && tooth === 2 ? -1.8 : -0.45))),
    );
    expect(ownOf(order).forecast.leftShort).toEqual([{ part: 'chipper 1', tooth: 2 }]);
    expect(ownOf(order).forecast.chippersAtMm).toBe(-0.45);
    const own = order.steps.find((s) => s.kind === 'chipper' && s.part === 'chipper 1');
    expect(own?.stops.map((stop) => stop.at)).toEqual([1, 3, 4]);
  });

  it('a cracked chipper is marked first and neither worked nor stacked; a cracked outer blade stops the whole', () => {
    const mark = (part: number): PlateMark => ({ kind: 'crack', along: 0.5, down: 0.5, part }) as PlateMark;
    const order = orderOf(facts([], [mark(2)]));
    expect(ownOf(order).forecast.leftOut).toEqual(['chipper 2']);
    expect(order.steps[1]).toEqual(jasmine.objectContaining({ kind: 'mark-part', part: 'chipper 2' }));
    expect(ownOf(order).forecast.stacks[0]?.parts).not.toContain('chipper 2');
    const stopped = orderOf(facts([], [mark(0)]));
    expect(ownOf(stopped).forecast.refused).toMatch(/left outer is cracked/);
    expect(stopped.steps).toEqual([]);
  });

  it('a groove wanted is met by the nearest stack, and the next ones are told', () => {
    const { stacks } = ownOf(orderOf(facts(), { wantedMm: 9 })).forecast;
    // Outers and k chippers of 2.2 on the arbor, half a millimetre out either side: 5.4, 7.6, 9.8 and 12.
    expect(stacks.map((one) => Number(one.widthMm.toFixed(6)))).toEqual([9.8, 7.6, 12]);
  });

  it('of a record: the chippers’ readings are laid over the chippers in their order', () => {
    const { order } = dadoWork.ofRecord(exampleRecord<DadoRecord>('dado-set')) as { order: WorkOrder };
    expect(ownOf(order).forecast.spreadBeforeMm).not.toBeNull();
    expect(ownOf(order).forecast.stacks.length).toBeGreaterThan(1);
  });
});

describe('stacks of a set', () => {
  it('nearest widths: each once, in order of how near, against every subset tried by hand', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.2, max: 3, noNaN: true }), { minLength: 1, maxLength: 5 }),
        fc.double({ min: 4, max: 20, noNaN: true }),
        (plates, wanted) => {
          const outer = (id: string) => ({ id, kind: 'outer' as const, plateMm: 2.2, cutMm: 3.2 });
          const inner = plates.map((plateMm, i) => ({
            ...{ id: `c${i}`, kind: 'chipper' as const },
            ...{ plateMm, cutMm: plateMm + 1 },
          }));
          const near = stacksNear([outer('l'), ...inner, outer('r')], wanted, 4);
          const widths = new Set<string>();
          for (let mask = 0; mask < 1 << inner.length; mask++)
            widths.add((5.4 + inner.reduce((s, p, i) => (mask & (1 << i) ? s + p.plateMm : s), 0)).toFixed(5));
          const off = (mm: number) => Math.abs(mm - wanted);
          const best = Math.min(...[...widths].map((w) => off(Number(w))));
          expect(off(near[0]?.widthMm ?? NaN)).toBeCloseTo(best, 4);
          near
            .slice(1)
            .forEach((s, i) => expect(off(s.widthMm)).toBeGreaterThanOrEqual(off(near[i]?.widthMm ?? 0) - 1e-6));
        },
      ),
      { numRuns: 50 },
    );
  });

  it('chippers are spread round, every tip halfway between two teeth of the outer blade', () => {
    const turned = spreadRound([{ teeth: 4 }, { teeth: 4 }, { teeth: 4 }], 40);
    for (const deg of turned) expect((deg / 9) % 1).toBeCloseTo(0.5, 9);
    turned.slice(1).forEach((deg, i) => expect(Math.abs(deg - (turned[i] ?? 0) - 30)).toBeLessThanOrEqual(9));
  });
});
