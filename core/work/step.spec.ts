import fc from 'fast-check';
import type { Step } from './step';
import { strokesOfStep, wholeMinutes } from './step';

describe('strokes and minutes of steps', () => {
  it('by hand: a window of twenty-six gullets at two strokes each is 52, a tooth its own', () => {
    const stop = (at: number, to?: number) => ({ at, ...(to && { to }), strokes: 2, heavier: 'even' as const });
    expect(strokesOfStep({ unit: 'window', stops: [stop(11, 36), stop(37, 37)] })).toBe(54);
    expect(strokesOfStep({ unit: 'gullet', stops: [stop(11), stop(12)] })).toBe(4);
  });
  it('by hand: three of 2.4 minutes are 3, 2 and 2, which is 7 as the whole', () =>
    expect(wholeMinutes([2.4, 2.4, 2.4].map((minutes) => ({ minutes })))).toEqual([3, 2, 2]));
  it('rows always add up to the whole, and none is a minute off', () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 90, noNaN: true }), { maxLength: 40 }), (all) => {
        const steps = all.map((minutes): Pick<Step, 'minutes'> => ({ minutes }));
        const whole = wholeMinutes(steps);
        expect(whole.reduce((sum, n) => sum + n, 0)).toBe(Math.round(all.reduce((sum, n) => sum + n, 0)));
        whole.forEach((n, i) => expect(Math.abs(n - (all[i] ?? 0))).toBeLessThan(1 + 1e-9));
      }),
    ));
});
