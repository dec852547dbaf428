import fc from 'fast-check';
import { linearRegression, standardDeviation } from 'simple-statistics';
import { bevelDeg, hookDeg, rimPitchMm, rimSpeed } from './blade-geometry';
import type { DadoPart } from './dado-stack';
import { stacksNear, stackWidth } from './dado-stack';
import type { DialReading } from './dial-harmonics';
import { splitDial, tellBladeFromArbor, toothAngle } from './dial-harmonics';
import { BELOW_SCORERS_MM, equalise, fileBelow, judgeSpread } from './equalise';

const noise = (seed: number) => {
  let state = seed * 2654435761;
  return (): number => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return state / 4294967296 - 0.5;
  };
};
const blade = (
  n: number,
  off: (angle: number, i: number) => number,
  kind: (i: number) => DialReading['kind'] = () => 'scorer',
): DialReading[] =>
  Array.from({ length: n }, (_, i) => ({ tooth: i + 1, offMm: off(toothAngle(i + 1, n), i), kind: kind(i) }));
const rate = { rateMmPerStroke: 0.025, errorMmPerStroke: 0.002, readings: 6 };

describe('eccentricity and tooth error from dial readings', () => {
  it('an off-centre blade of even teeth is all eccentricity', () => {
    const split = splitDial(
      blade(40, (t) => 0.2 + 0.15 * Math.cos(t - 1)),
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
          blade(n, (_, i) => off[i] as number),
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
    const readings = blade(
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
        blade(24, (t) => 0.1 * Math.cos(t - 0.7) + 0.03 * normal()),
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
      blade(24, off, (i) => (uneven(i) ? 'raker' : i === 15 ? 'broken' : 'scorer')),
      24,
    );
    expect(honest.eccentricityMm).toBeLessThan(1e-9);
    const fooled = splitDial(
      blade(24, off, (i) => (i === 15 ? 'broken' : 'scorer')),
      24,
    );
    expect(fooled.eccentricityMm).toBeGreaterThan(0.04);
    const broken = splitDial(
      blade(24, off, (i) => (uneven(i) ? 'raker' : 'scorer')),
      24,
    );
    expect(broken.eccentricityMm).toBeGreaterThan(0.1);
  });
  it('says whether it is sure', () => {
    const random = noise(5);
    expect(
      splitDial(
        blade(40, () => 0.05 * random()),
        40,
      ).certain,
    ).toBeFalse();
    expect(
      splitDial(
        blade(40, (t) => 0.2 * Math.sin(t) + 0.02 * random()),
        40,
      ).certain,
    ).toBeTrue();
  });
  it('read again with the blade turned on it, blade and arbor are told apart', () => {
    const n = 36;
    for (const turned of [180, 90, 40]) {
      const phi = (turned * Math.PI) / 180;
      const at = (arborTurn: number): DialReading[] =>
        blade(n, (t) => 0.12 * Math.cos(t - 1.1) + 0.07 * Math.cos(t - 2.5 + arborTurn));
      const told = tellBladeFromArbor(splitDial(at(0), n), splitDial(at(phi), n), turned);
      expect(told.bladeMm).toBeCloseTo(0.12, 9);
      expect(told.arborMm).toBeCloseTo(0.07, 9);
      expect(told.bladeTowardsDeg).toBeCloseTo((1.1 * 180) / Math.PI, 6);
      expect(told.arborTowardsDeg).toBeCloseTo((2.5 * 180) / Math.PI, 6);
    }
    const one = splitDial(
      blade(n, (t) => Math.cos(t)),
      n,
    );
    expect(() => tellBladeFromArbor(one, one, 2)).toThrowError(RangeError);
  });
  it('needs scorers round the blade', () => {
    expect(() =>
      splitDial(
        blade(4, () => 0),
        4,
      ),
    ).toThrowError(RangeError);
    const bunch = blade(
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
      const readings = blade(24, (t) => 0.1 + ecc * Math.cos(t - seed) + scatter * random());
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
      blade(n, (t) => 0.12 * Math.cos(t - 0.7) + 0.2 * Math.cos(t + turn - 2.2) + 0.01 * random());
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

  it('equalising asks every tooth for the most strokes that cannot overshoot, of a perfect blade and of spoilt ones', () => {
    const upper = rate.rateMmPerStroke + 2 * rate.errorMmPerStroke;
    fc.assert(
      fc.property(fc.array(fc.double({ min: -0.4, max: 0, noNaN: true }), { minLength: 3, maxLength: 30 }), (off) => {
        const { targetMm, filings } = equalise(
          blade(off.length, (_, i) => off[i] as number),
          'scorer',
          rate,
        );
        expect(targetMm).toBe(Math.min(...off));
        for (const { tooth, strokes } of filings) {
          const overMm = (off[tooth - 1] as number) - targetMm;
          let most = 0;
          while ((most + 1) * upper <= overMm + 1e-9) most++;
          expect(strokes).toBe(most);
        }
      }),
    );
    expect(
      new Set(
        equalise(
          blade(30, () => 0.2),
          'scorer',
          rate,
        ).filings.map((f) => f.strokes),
      ),
    ).toEqual(new Set([0]));
  });
});

describe('equalising', () => {
  it('by hand: down to the lowest worth keeping, rounded down, the broken left out', () => {
    const readings = blade(
      6,
      (_, i) => [0.3, 0.2, 0.1, 0.25, -1.9, 0.1][i] as number,
      (i) => (i === 4 ? 'broken' : 'scorer'),
    );
    const plan = equalise(readings, 'scorer', rate);
    expect(plan.targetMm).toBeCloseTo(0.1, 12);
    // 0.2 / (0.025 + 2 x 0.002) = 6.9.
    expect(plan.filings[0]?.strokes).toBe(6);
    expect(plan.filings[2]?.strokes).toBe(0);
    expect(plan.leftShort).toEqual([5]);
    expect(plan.spreadBeforeMm).toBeCloseTo(0.2, 12);
    expect(plan.spreadAfterMm).toBeLessThan(0.06);
  });
  it('one tooth far below the rest is left short, not chased', () =>
    expect(
      equalise(
        blade(9, (_, i) => (i === 3 ? -0.8 : 0)),
        'scorer',
        rate,
      ).leftShort,
    ).toEqual([4]));
  // Common practice, no source (trade section 6): 12 thou too much, 5 acceptable, 4 good.
  it('4 thou is good, 5 acceptable, 12 too much', () =>
    expect([4, 5, 8, 12].map((thou) => judgeSpread(thou * 0.0254))).toEqual([
      'good',
      'acceptable',
      'uneven',
      'too-much',
    ]));
  it('rakers and chippers end 1/64 inch below the scorers; one lower is named', () => {
    expect(BELOW_SCORERS_MM).toBeCloseTo(0.396875, 9);
    const readings = blade(
      3,
      (_, i) => [0, -0.1, -0.6][i] as number,
      (i) => (i === 0 ? 'scorer' : i === 1 ? 'raker' : 'chipper'),
    );
    const [raker, chipper] = fileBelow(readings, 0, rate);
    expect(raker?.offMm).toBeCloseTo(0.296875, 9);
    expect(raker?.strokes).toBe(10);
    expect([chipper?.offMm, chipper?.tooLow]).toEqual([0, true]);
  });
  it('refuses a kind that is not there', () =>
    expect(() =>
      equalise(
        blade(5, () => 0),
        'chipper',
        rate,
      ),
    ).toThrowError(RangeError));
});

describe('the blade’s own geometry', () => {
  it('by hand: 250 mm, 40 teeth: pitch 19.63; hook from the face’s line', () => {
    expect(rimPitchMm(250, 40)).toBeCloseTo(19.635, 3);
    expect(hookDeg(125 * Math.sin(Math.PI / 9), 125)).toBeCloseTo(20, 9);
    expect(hookDeg(0, 100)).toBe(0);
    expect(bevelDeg(0.8, 0.8)).toBeCloseTo(45, 9);
    expect(() => hookDeg(130, 125)).toThrowError(RangeError);
  });
  // Engineers' handbooks: peripheral speed = pi D n, from memory; 10 in at 3,450 a minute is about 9,000 feet a minute.
  it('rim speed by the handbook’s formula, never without the marked limit', () => {
    const speed = rimSpeed(254, 3450, 6000);
    expect(speed.metresPerSecond * 196.85).toBeCloseTo(9032, -1);
    expect(speed.ok).toBeTrue();
    expect(rimSpeed(250, 4000, null)).toEqual(jasmine.objectContaining({ ok: false, code: 'no-marking' }));
    expect(rimSpeed(250, 7000, 6000)).toEqual(jasmine.objectContaining({ ok: false, code: 'over-marking' }));
  });
});

describe('a dado set from its parts', () => {
  const part = (id: string, kind: DadoPart['kind'], plateMm: number, cutMm = plateMm): DadoPart => ({
    id,
    kind,
    plateMm,
    cutMm,
  });
  const stackFor = (parts: readonly DadoPart[], wantedMm: number) => stacksNear(parts, wantedMm, 1)[0];
  const set = [
    part('left', 'outer', 2.2, 3.2),
    part('right', 'outer', 2.2, 3.2),
    part('a', 'chipper', 2.2, 3.2),
    part('b', 'chipper', 2.2, 3.2),
    part('thin', 'chipper', 1.5, 1.8),
    part('shim', 'shim', 0.25),
  ];
  it('by hand: two outer blades alone cut 5.4; with a shim 5.65', () => {
    expect(stackWidth([set[0], set[1]] as DadoPart[]).widthMm).toBeCloseTo(5.4, 12);
    expect(stackWidth([set[0], set[5], set[1]] as DadoPart[]).widthMm).toBeCloseTo(5.65, 12);
  });
  it('a shim too thick leaves a strip standing', () => {
    const stack = stackWidth([set[0] as DadoPart, part('thick', 'shim', 1.4), set[1] as DadoPart]);
    expect(stack.uncutMm).toBeCloseTo(0.4, 12);
  });
  it('finds the stack nearest a wanted groove, fewest parts first', () => {
    const stack = stackFor(set, 7.6);
    expect(stack?.parts.length).toBe(3);
    expect(stack?.widthMm).toBeCloseTo(7.6, 12);
    expect(stackFor(set, 7.9)?.parts).toContain('shim');
  });
  it('parts of different overhang are taken where they lie, not in the order they came', () => {
    // A wide chipper first inside reaches out past the outer blade's own cut.
    const wide = stackWidth([set[0], part('wide', 'chipper', 1, 6), set[1]] as DadoPart[]);
    // The outer cut from -0.5 to 2.7; the chipper lies at 2.2 to 3.2 and cuts from -0.3 to 5.7; the last from 2.7 to 5.9.
    expect(wide.widthMm).toBeCloseTo(6.4, 12);
    expect(
      stackWidth([part('o', 'outer', 2, 2), part('w', 'chipper', 1, 9), part('p', 'outer', 2, 2)]).widthMm,
    ).toBeCloseTo(9, 12);
  });
  it('two gaps are both told, and no stack with a gap is offered', () => {
    const gappy = [part('o', 'outer', 2, 2.2), part('s1', 'shim', 1), part('p', 'outer', 2, 2.2)];
    expect(stackWidth(gappy).uncutMm).toBeCloseTo(0.8, 12);
    expect(stackFor(gappy, 5.2)?.parts).toEqual(['o', 'p']);
  });
  it('is exact to the part when many fit: fewest parts of those equally near', () => {
    const many = [
      part('o', 'outer', 2, 3),
      part('p', 'outer', 2, 3),
      ...[1, 2, 3].map((i) => part(`c${i}`, 'chipper', 1, 1.6)),
      part('c4', 'chipper', 2, 2.6),
    ];
    expect(stackFor(many, 7)?.parts).toEqual(['o', 'c4', 'p']);
    expect(stackFor(many, 100)?.widthMm).toBeCloseTo(2 + 3 + 2 + 2 + 1, 12);
  });
  it('refuses what is no set', () => {
    expect(() => stackWidth([set[0]] as DadoPart[])).toThrowError(RangeError);
    expect(() => stackWidth([])).toThrowError(RangeError);
    expect(() => stackWidth([set[0], part('thin', 'shim', 0), set[1]] as DadoPart[])).toThrowError(
      'thin needs a thickness.',
    );
    expect(() => stackFor([...set, part('third', 'outer', 2)], 6)).toThrowError(RangeError);
    const shims = (n: number) => Array.from({ length: n }, (_, i) => part(`s${i}`, 'shim', 0.05));
    expect(() => stackFor([set[0], set[1], ...shims(13)] as DadoPart[], 6)).toThrowError(/At most 12/);
    expect(stackFor([set[0], set[1], ...shims(12)] as DadoPart[], 5.4)?.parts.length).toBe(2);
    expect(() => stackWidth([set[2], set[1]] as DadoPart[])).toThrowError(RangeError);
    expect(() => stackFor([set[0]] as DadoPart[], 6)).toThrowError(RangeError);
  });
});
