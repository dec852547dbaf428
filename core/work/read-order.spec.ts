import { readFileSync } from 'node:fs';
import { evenSaw, planInputs } from '../reference/random-saw';
import { isLineOrder, workOrder } from './order';
import type { LineOrder } from './order';
import { readOrder } from './read-order';
import { walkOf } from './step';
import { makeOrder } from './tooth-line/make-order';
import { studyLine } from './tooth-line/study';

interface FirstForm {
  readonly inputs: { readonly readings: unknown; readonly angles: unknown };
  readonly plan: {
    readonly steps: readonly { readonly stops: readonly unknown[]; readonly standOn: string | null }[];
    readonly targets: unknown;
    readonly minutes: number;
    readonly sharpeningsLeft: number;
    readonly kerfMm: number;
    readonly depthMm: number;
  };
}
const stored = JSON.parse(readFileSync('core/work/old-forms/order-0.json', 'utf8')) as FirstForm;

describe('an order as kept', () => {
  it('of the first form is read whole: steps, stops and targets as they were, so that the bench walks on', () => {
    const order = readOrder(stored) as LineOrder;
    const { plan, inputs } = stored;
    expect(isLineOrder(order)).toBeTrue();
    expect([order.version, order.family, order.work]).toEqual([1, 'back', 'tune']);
    expect(walkOf(order.steps).length).toBe(plan.steps.reduce((s, one) => s + one.stops.length, 0));
    expect(order.steps.map((s) => s.side)).toEqual(plan.steps.map((s) => s.standOn as 'left'));
    expect(order.steps.map((s) => s.stops)).toEqual(plan.steps.map((s) => s.stops) as never);
    expect(order.targets).toEqual(plan.targets as never);
    expect(order.inputs.readings).toEqual(inputs.readings as never);
    expect(order.inputs.angles).toEqual(inputs.angles as never);
    expect([order.minutes, order.choice.depthMm, order.forecast.cut.kerfMm]).toEqual([
      plan.minutes,
      plan.depthMm,
      plan.kerfMm,
    ]);
    expect(order.forecast.life.left.likely).toBe(plan.sharpeningsLeft);
    expect(order.forecast.life.left.least).toBeLessThan(plan.sharpeningsLeft);
    // What it was not told then is not made up now.
    expect([order.price, order.inputs.from, order.inputs.filingsSinceSet]).toEqual([null, null, null]);
    // And it is whole by today's own rules.
    expect(workOrder.parse(order)).toEqual(order);
  });

  it('of today’s form is read as it was written, over a file and back', () => {
    const order = makeOrder(studyLine(planInputs(evenSaw(20, 2), 2)), 0.1, {
      wagePerHour: 30,
      leastCharge: 10,
      currency: '€',
    });
    expect(readOrder(JSON.parse(JSON.stringify(order)))).toEqual(JSON.parse(JSON.stringify(order)));
  });

  it('of a form nobody wrote, or of none, is refused', () => {
    expect(() => readOrder({ ...stored, version: 7 })).toThrowError();
    expect(() => readOrder({})).toThrowError();
    expect(() => readOrder({ version: 1, steps: [] })).toThrowError();
    expect(() =>
      readOrder({ version: 0, inputs: stored.inputs, plan: { ...stored.plan, steps: [{}] } }),
    ).toThrowError();
  });
});
