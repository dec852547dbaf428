import fc from 'fast-check';
import { linearRegression } from 'simple-statistics';
import { gaugedBreast } from './gauged-breast';

const gap = (place: number, valueMm: number, errorMm = 0.02) => ({ place, valueMm, errorMm, count: 1 });
const L = 1000;

describe('a breast gauged under a straight edge', () => {
  it('resting on the crown: the gap at an end is the crown itself, that of the circle through it to a hundredth of a millimetre', () => {
    expect(gaugedBreast([gap(0, 4), gap(L, 4)], L)).toEqual({ value: 4, error: jasmine.any(Number) });
    expect(gaugedBreast([gap(0, 4.2)], L)?.value).toBe(4.2);
    // The textbook sagitta of a circle of 31.252 m over a chord of 1 m: R - sqrt(R^2 - c^2 / 4).
    const R = 31_252;
    const sagitta = R - Math.sqrt(R ** 2 - 250_000);
    const under = (x: number) => R - Math.sqrt(R ** 2 - (x - 500) ** 2);
    expect(gaugedBreast([gap(60, under(60)), gap(940, under(940))], L)?.value).toBeCloseTo(sagitta, 2);
  });

  it('at three places and more the edge may lie as it likes, and repeats at one side weigh no more than they know', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 20, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.uniqueArray(fc.integer({ min: 100, max: 900 }), { minLength: 1, maxLength: 6 }),
        (crown, lift, tilt, more) => {
          const at = (x: number) => gap(x, lift + (tilt * x) / L + crown * ((2 * x) / L - 1) ** 2);
          const found = gaugedBreast([0, L, ...more].map(at), L);
          expect(found?.value).toBeCloseTo(crown, 6);
        },
      ),
    );
  });

  it('is the least-squares arc: with both lines in u taken off by a statistics library, what is left regresses on its slope', () => {
    const noisy = [gap(0, 4.1), gap(180, 1.5), gap(430, 0.1), gap(560, 0.2), gap(820, 1.6), gap(1000, 3.8)];
    const u = noisy.map((one) => (2 * one.place) / L - 1);
    const off = (values: number[]): number[] => {
      const { m, b } = linearRegression(values.map((v, i) => [u[i] as number, v]));
      return values.map((v, i) => v - m * (u[i] as number) - b);
    };
    const [g, q] = [off(noisy.map((one) => one.valueMm)), off(u.map((v) => v * v))];
    const reference = linearRegression(q.map((v, i) => [v, g[i] as number])).m;
    expect(gaugedBreast(noisy, L)?.value).toBeCloseTo(reference, 9);
  });

  it('says nothing of gaps in the middle, nor of three at one end', () => {
    expect(gaugedBreast([], L)).toBeNull();
    expect(gaugedBreast([gap(450, 0.1)], L)).toBeNull();
    expect(gaugedBreast([gap(0, 4), gap(100, 3), gap(200, 2)], L)).toBeNull();
  });

  it('is known the less, the nearer to the middle it was gauged', () => {
    expect(gaugedBreast([gap(200, 1)], L)?.error).toBeGreaterThan(gaugedBreast([gap(0, 1)], L)?.error ?? Infinity);
  });
});
