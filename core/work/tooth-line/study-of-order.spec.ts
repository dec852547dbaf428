import fc from 'fast-check';
import type { StrokeRate } from '../../line/strokes';
import { planInputs, randomSaw } from '../../reference/random-saw';
import { walkOf } from '../step';
import { makeOrder } from './make-order';
import { studyLine } from './study';
import { strokesAgain, studyOfOrder } from './study-of-order';

const rate = (rateMmPerStroke: number): StrokeRate => ({ rateMmPerStroke, errorMmPerStroke: 0.001, readings: 6 });

describe('strokes of a kept order by what a stroke takes now', () => {
  const orders = randomSaw(40).map(({ readings, pitchMm }) => {
    const study = studyLine(planInputs(readings, pitchMm, { strokeRate: rate(0.02) }));
    return makeOrder(study, study.recommended.depthMm);
  });

  it('are those of an order that had been planned with that rate, at every stop; nothing else of it changes', () => {
    let changed = 0;
    fc.assert(
      fc.property(orders, fc.double({ min: 0.008, max: 0.05, noNaN: true }), (order, mm) => {
        const walk = walkOf(order.steps);
        const again = strokesAgain(order, walk, () => rate(mm));
        const other = makeOrder(studyLine({ ...order.inputs, strokeRate: rate(mm) }), order.choice.depthMm);
        const wanted = new Map<string, number>();
        other.steps.forEach((step) =>
          step.stops.forEach((stop) => wanted.set(`${step.kind} ${step.side} ${stop.at}`, stop.strokes)),
        );
        for (const stop of walk) {
          const step = order.steps[stop.step];
          const now = again.get(stop.index) ?? stop.strokes;
          expect(now).toBe(wanted.get(`${step?.kind} ${step?.side} ${stop.at}`) ?? 0);
          if (step?.kind === 'sharpen') expect(now).toBe(stop.strokes);
          // A stroke that takes more is asked for no oftener.
          if (mm > 0.02) expect(now).toBeLessThanOrEqual(stop.strokes);
        }
        changed += again.size;
      }),
      { numRuns: 60 },
    );
    expect(changed).toBeGreaterThan(20);
  });

  it('nothing by the plan’s own rate, and nothing by a hand that was never measured', () => {
    fc.assert(
      fc.property(orders, (order) => {
        const walk = walkOf(order.steps);
        expect(strokesAgain(order, walk, () => order.inputs.strokeRate).size).toBe(0);
        expect(strokesAgain(order, walk, () => ({ ...rate(0.05), readings: 0 })).size).toBe(0);
        expect(studyOfOrder(order).recommended.depthMm).toBe(order.choice.depthMm);
      }),
      { numRuns: 15 },
    );
  });
});
