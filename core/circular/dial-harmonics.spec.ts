import fc from 'fast-check';
import { linearRegression, standardDeviation } from 'simple-statistics';
import { madeBlade } from '../reference/made-blade';
import type { DialReading } from './dial-harmonics';
import { splitDial, tellBladeFromArbor, toothAngle } from './dial-harmonics';

const noise = (seed: number) => {
  let state = seed * 2654435761;
  return (): number => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return state / 4294967296 - 0.5;
  };
};

describe('eccentricity and tooth error from dial readings', () => {
  it('an off-centre blade of even teeth is all eccentricity', () => {
    const split = splitDial(
      madeBlade(40, (t) => 0.2 + 0.15 * Math.cos(t - 1)),
      40,
    );
    expect(split.meanMm).toBeCloseTo(0.2, 12);
    expect(split.eccentricityMm).toBeCloseTo(0.15, 12);
    expect(split.towardsDeg).toBeCloseTo(180 / Math.PI, 9);
    expect(split.scatterMm).toBeLessThan(1e-12);
  });
  it('with every tooth read, amplitude and residuals are the discrete Fourier transform’s', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -0.4, max: 0.4, noNaN: true }), { minLength: 6, maxLength: 60 }), (off) => {
        const n = off.length;
        const split = splitDial(
          madeBlade(n, (_, i) => off[i] as number),
          n,
        );
        const sum = (f: (t: number) => number): number =>
          (2 / n) * off.reduce((s, v, i) => s + v * f(toothAngle(i + 1, n)), 0);
        expect(split.cosMm).toBeCloseTo(sum(Math.cos), 9);
        expect(split.sinMm).toBeCloseTo(sum(Math.sin), 9);
      }),
    );
  });
  it('against a statistics library: with the other terms known, each is its own regression', () => {
    const random = noise(3);
    const readings = madeBlade(
      30,
      (t) => 0.1 * Math.cos(t) + 0.05 * Math.sin(t) + 0.02 * random(),
      (i) => (i % 5 === 4 ? 'raker' : 'scorer'),
    );
    const split = splitDial(readings, 30);
    const fitted = readings.filter((r) => r.kind === 'scorer');
    const rest = fitted.map((r) => {
      const t = toothAngle(r.tooth, 30);
      return [Math.cos(t), r.offMm - split.sinMm * Math.sin(t)] as [number, number];
    });
    expect(linearRegression(rest).m).toBeCloseTo(split.cosMm, 9);
    expect(split.scatterMm).toBeCloseTo(
      standardDeviation(split.own.map((o) => o.offMm)) * Math.sqrt(fitted.length / (fitted.length - 3)),
      12,
    );
  });
  it('its standard error is what a thousand made blades scatter by', () => {
    const random = noise(17);
    const found: number[] = [];
    const told: number[] = [];
    for (let k = 0; k < 1000; k++) {
      // Twelve uniform draws make a near enough normal deviate of variance 1.
      const normal = (): number => Array.from({ length: 12 }, random).reduce((s, v) => s + v, 0);
      const split = splitDial(
        madeBlade(24, (t) => 0.1 * Math.cos(t - 0.7) + 0.03 * normal()),
        24,
      );
      found.push(split.eccentricityMm);
      told.push(split.eccentricityErrorMm);
    }
    const mean = told.reduce((s, v) => s + v, 0) / told.length;
    expect(standardDeviation(found) / mean).toBeGreaterThan(0.93);
    expect(standardDeviation(found) / mean).toBeLessThan(1.07);
  });
  it('irregular low rakers fake eccentricity when fitted: they are left out, and broken teeth too', () => {
    const uneven = (i: number): boolean => [2, 5, 7, 11].includes(i);
    const off = (_: number, i: number): number => (uneven(i) ? -0.4 : i === 15 ? -2 : 0);
    const honest = splitDial(
      madeBlade(24, off, (i) => (uneven(i) ? 'raker' : i === 15 ? 'broken' : 'scorer')),
      24,
    );
    expect(honest.eccentricityMm).toBeLessThan(1e-9);
    const fooled = splitDial(
      madeBlade(24, off, (i) => (i === 15 ? 'broken' : 'scorer')),
      24,
    );
    expect(fooled.eccentricityMm).toBeGreaterThan(0.04);
    const broken = splitDial(
      madeBlade(24, off, (i) => (uneven(i) ? 'raker' : 'scorer')),
      24,
    );
    expect(broken.eccentricityMm).toBeGreaterThan(0.1);
  });
  it('says whether it is sure', () => {
    const random = noise(5);
    expect(
      splitDial(
        madeBlade(40, () => 0.05 * random()),
        40,
      ).certain,
    ).toBeFalse();
    expect(
      splitDial(
        madeBlade(40, (t) => 0.2 * Math.sin(t) + 0.02 * random()),
        40,
      ).certain,
    ).toBeTrue();
  });
  it('read again with the blade turned on it, blade and arbor are told apart', () => {
    const n = 36;
    for (const turned of [180, 90, 40]) {
      const phi = (turned * Math.PI) / 180;
      const at = (arborTurn: number): DialReading[] =>
        madeBlade(n, (t) => 0.12 * Math.cos(t - 1.1) + 0.07 * Math.cos(t - 2.5 + arborTurn));
      const told = tellBladeFromArbor(splitDial(at(0), n), splitDial(at(phi), n), turned);
      expect(told.bladeMm).toBeCloseTo(0.12, 9);
      expect(told.arborMm).toBeCloseTo(0.07, 9);
      expect(told.bladeTowardsDeg).toBeCloseTo((1.1 * 180) / Math.PI, 6);
      expect(told.arborTowardsDeg).toBeCloseTo((2.5 * 180) / Math.PI, 6);
    }
    const one = splitDial(
      madeBlade(n, (t) => Math.cos(t)),
      n,
    );
    expect(() => tellBladeFromArbor(one, one, 2)).toThrowError(RangeError);
  });
  it('needs scorers round the blade', () => {
    expect(() =>
      splitDial(
        madeBlade(4, () => 0),
        4,
      ),
    ).toThrowError(RangeError);
    const bunch = madeBlade(
      400,
      () => 0,
      (i) => (i < 6 ? 'scorer' : 'broken'),
    );
    expect(() => splitDial(bunch, 400)).toThrowError('The scoring teeth do not go round the blade.');
  });
});

describe('against trying everything', () => {
  /** The lowest sum of squares on a grid about a point, made ever finer. */
  function searched(start: readonly number[], size: number, cost: (at: readonly number[]) => number): number[] {
    let [best, width] = [[...start], size];
    while (width > 1e-7) {
      const tries = best.reduce<number[][]>(
        (all, v) => all.flatMap((head) => [-1, -0.5, 0, 0.5, 1].map((k) => [...head, v + k * width])),
        [[]],
      );
      best = tries.reduce((low, one) => (cost(one) < cost(low) ? one : low), best);
      width *= 0.6;
    }
    return best;
  }
  const squares = (values: readonly number[]): number => values.reduce((sum, v) => sum + v * v, 0);

  it('the split is the best of every mean, eccentricity and direction, of a perfect blade and of spoilt ones', () => {
    for (const [seed, ecc, scatter] of [
      [1, 0, 0],
      [2, 0.2, 0],
      [3, 0.15, 0.1],
      [4, 0, 0.3],
    ] as const) {
      const random = noise(seed);
      const readings = madeBlade(24, (t) => 0.1 + ecc * Math.cos(t - seed) + scatter * random());
      const split = splitDial(readings, 24);
      const [m = 0, c = 0, s = 0] = searched([0, 0, 0], 0.4, ([mean = 0, cos = 0, sin = 0]) =>
        squares(
          readings.map((r) => {
            const t = toothAngle(r.tooth, 24);
            return r.offMm - mean - cos * Math.cos(t) - sin * Math.sin(t);
          }),
        ),
      );
      expect(split.meanMm).toBeCloseTo(m, 5);
      expect(split.cosMm).toBeCloseTo(c, 5);
      expect(split.sinMm).toBeCloseTo(s, 5);
    }
  });

  it('the arbor’s share is the best of every blade and arbor together', () => {
    const random = noise(9);
    const [n, turned] = [20, 2.1];
    const seen = (turn: number): DialReading[] =>
      madeBlade(n, (t) => 0.12 * Math.cos(t - 0.7) + 0.2 * Math.cos(t + turn - 2.2) + 0.01 * random());
    const [first, second] = [seen(0), seen(turned)];
    const apart = tellBladeFromArbor(splitDial(first, n), splitDial(second, n), (turned * 180) / Math.PI);
    const [bc = 0, bs = 0, ac = 0, as = 0] = searched([0, 0, 0, 0], 0.3, ([x = 0, y = 0, p = 0, q = 0]) =>
      squares(
        [first, second].flatMap((readings, k) =>
          readings.map((r) => {
            const t = toothAngle(r.tooth, n);
            const a = t + k * turned;
            return r.offMm - x * Math.cos(t) - y * Math.sin(t) - p * Math.cos(a) - q * Math.sin(a);
          }),
        ),
      ),
    );
    expect(apart.bladeMm).toBeCloseTo(Math.hypot(bc, bs), 4);
    expect(apart.arborMm).toBeCloseTo(Math.hypot(ac, as), 4);
  });
});
