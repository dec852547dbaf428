import fc from 'fast-check';
import { toothFor } from '../file/flank-angles';
import { groupsOf, parsePattern, rolesAlong } from '../saw/tooth-pattern';
import { evenZone, nominalLine } from '../saw/zones';
import type { Flats } from './flats';
import { minimaxSpacingLp, solveLp } from '../reference/linear-program';
import { smoothestByQuadprog } from '../reference/quadratic-program';
import { smallestWorstError, smallestWorstErrorFreePitch, spacingFeasible } from '../reference/interval-propagation';
import { randomSaw } from '../reference/random-saw';
import { evenShape, flatsOn, prepareLine } from './flats';

import { leastWorstSpacing, smoothestSpacing, spacingErrors } from './spacing';
import { tautString } from './taut-string';

const gates = fc.array(
  fc.tuple(fc.double({ min: -1, max: 1, noNaN: true }), fc.double({ min: 0.001, max: 0.6, noNaN: true })),
  {
    minLength: 1,
    maxLength: 24,
  },
);
const asGates = (pairs: [number, number][]): [Float64Array, Float64Array] => [
  Float64Array.from(pairs, ([l]) => l),
  Float64Array.from(pairs, ([l, w]) => l + w),
];
const energy = (z: ArrayLike<number>): number => {
  let sum = 0;
  for (let i = 1; i < z.length; i++) sum += ((z[i] as number) - (z[i - 1] as number)) ** 2;
  return sum;
};
const steepest = (z: ArrayLike<number>): number => {
  let most = 0;
  for (let i = 1; i < z.length; i++) most = Math.max(most, Math.abs((z[i] as number) - (z[i - 1] as number)));
  return most;
};
const jointed = (saw: { readings: Parameters<typeof prepareLine>[0]; pitchMm: number }, depth: number) => {
  const prepared = prepareLine(saw.readings, evenShape(saw.pitchMm, toothFor(-10, 0)));
  return { prepared, flats: flatsOn({ alphaMm: -depth * saw.pitchMm, beta: 0 }, prepared) };
};

const roles = (text: string, n: number, offset = 0) => {
  const read = parsePattern(text);
  if (!read.ok) throw new Error(read.code);
  return rolesAlong(read.roles, n, offset);
};
const flatsFrom = (from: number[], width: number[]): Flats => ({
  fromMm: Float64Array.from(from),
  toMm: Float64Array.from(from, (v, i) => v + (width[i] as number)),
  on: new Uint8Array(from.length).fill(1),
  reached: from.length,
});

describe('taut string', () => {
  it('by hand: over one raised gate and back', () => {
    expect([...tautString(Float64Array.of(0, 1, 0), Float64Array.of(0, 2, 0))]).toEqual([0, 1, 0]);
  });
  it('goes level where all gates share a height', () => {
    expect(energy(tautString(Float64Array.of(-1, 0, -2), Float64Array.of(1, 3, 0.5)))).toBe(0);
  });
  it('stays inside every gate and is as smooth as quadratic programming (quadprog) finds', () => {
    fc.assert(
      fc.property(gates, (pairs) => {
        const [low, high] = asGates(pairs);
        const z = tautString(low, high);
        z.forEach((v, i) => {
          expect(v).toBeGreaterThanOrEqual((low[i] as number) - 1e-12);
          expect(v).toBeLessThanOrEqual((high[i] as number) + 1e-12);
        });
        if (pairs.length > 1) expect(energy(z)).toBeLessThanOrEqual(energy(smoothestByQuadprog(low, high)) + 1e-7);
      }),
      { numRuns: 400 },
    );
  });
  it('refuses a gate turned over', () => {
    expect(() => tautString(Float64Array.of(1), Float64Array.of(0))).toThrowError(RangeError);
  });
});

describe('spacing in the flats', () => {
  it('the smoothest also has the smallest worst error, as bisection and linear programming (HiGHS) find', async () => {
    for (const saw of fc.sample(randomSaw(30), { numRuns: 20, seed: 11 })) {
      const { prepared, flats } = jointed(saw, 0.1);
      const smooth = smoothestSpacing(flats, prepared.nominalMm);
      const lp = await solveLp(minimaxSpacingLp(flats.fromMm, flats.toMm, prepared.teeth, saw.pitchMm));
      expect(smooth.worstMm).toBeCloseTo(lp.value, 5);
      expect(smallestWorstError(flats, prepared.teeth, saw.pitchMm)).toBeCloseTo(lp.value, 5);
    }
  });

  it('the propagation agrees with its own optimum: feasible just above, not just below', () => {
    fc.assert(
      fc.property(randomSaw(30), (saw) => {
        const { prepared, flats } = jointed(saw, 0.08);
        const worst = smoothestSpacing(flats, prepared.nominalMm).worstMm;
        expect(spacingFeasible(flats, prepared.teeth, saw.pitchMm, worst + 1e-9)).toBeTrue();
        if (worst > 1e-6) expect(spacingFeasible(flats, prepared.teeth, saw.pitchMm, worst - 1e-6)).toBeFalse();
      }),
    );
  });

  it('its least worst error is told without its points', () => {
    fc.assert(
      fc.property(randomSaw(40), fc.double({ min: 0, max: 0.2, noNaN: true }), (saw, depth) => {
        const { prepared, flats } = jointed(saw, depth);
        const { worstMm } = smoothestSpacing(flats, prepared.nominalMm);
        expect(leastWorstSpacing(flats, prepared.nominalMm)).toBeCloseTo(worstMm, 9);
      }),
    );
    expect(() => leastWorstSpacing(flatsFrom([0], [0]), new Float64Array(2))).toThrowError(RangeError);
    expect(leastWorstSpacing(flatsFrom([], []), new Float64Array(0))).toBe(0);
  });

  it('a free pitch is never worse than a given one', () => {
    fc.assert(
      fc.property(randomSaw(16), (saw) => {
        const { prepared, flats } = jointed(saw, 0.05);
        const free = smallestWorstErrorFreePitch(flats, prepared.teeth, saw.pitchMm);
        expect(free.errorMm).toBeLessThanOrEqual(smallestWorstError(flats, prepared.teeth, saw.pitchMm) + 2e-5);
      }),
      { numRuns: 30 },
    );
  });

  it('neighbours of a missing tooth count two pitches', () => {
    const readings = [0, 2, 6, 8].map((xMm, i) => ({
      tooth: [1, 2, 4, 5][i] as number,
      xMm,
      yMm: 0,
      kind: 'tooth' as const,
    }));
    const { prepared, flats } = jointed({ readings, pitchMm: 2 }, 0);
    expect(smoothestSpacing(flats, prepared.nominalMm).worstMm).toBe(0);
    expect(steepest(smoothestSpacing(flats, prepared.nominalMm).xMm)).toBe(4);
  });
});

describe('spacing against a nominal line', () => {
  const random = fc.record({
    off: fc.array(fc.double({ min: -0.3, max: 0.3, noNaN: true }), { minLength: 4, maxLength: 40 }),
    wide: fc.double({ min: 0, max: 0.4, noNaN: true }),
  });
  it('with zones its worst error is what linear programming finds', async () => {
    const zones = nominalLine([evenZone(12, 2, 0), evenZone(8, 1.2, 0)]);
    for (const seed of [1, 2, 3]) {
      const off = Array.from({ length: 20 }, (_, i) => 0.25 * Math.sin(seed * 7.3 + i * i));
      const flats = flatsFrom(
        off.map((v, i) => (zones.xMm[i] as number) + v),
        off.map(() => 0.12),
      );
      // In z = x - N the programme is that of a line of pitch 0.
      const low = flats.fromMm.map((v, i) => v - (zones.xMm[i] as number));
      const high = flats.toMm.map((v, i) => v - (zones.xMm[i] as number));
      const lp = minimaxSpacingLp(
        low,
        high,
        Int32Array.from(off, (_, i) => i + 1),
        0,
      );
      const { value } = await solveLp(lp);
      expect(smoothestSpacing(flats, zones.xMm).worstMm).toBeCloseTo(value, 6);
    }
  });
  it('nothing is judged across a raker', () => {
    const groups = groupsOf(roles('CCR', 9));
    const nominal = Float64Array.from({ length: 9 }, (_, i) => i * 3);
    // Every group sits off by its own amount, even inside.
    const from = Array.from(nominal, (v, i) => v + (groups[i] === -1 ? 0.9 : 0.5 * (groups[i] as number)));
    const cut = smoothestSpacing(
      flatsFrom(
        from,
        from.map(() => 0),
      ),
      nominal,
      groups,
    );
    expect(cut.worstMm).toBeCloseTo(0, 12);
    expect(cut.judged).toBe(3);
    expect(spacingErrors(cut.xMm, nominal).worstMm).toBeGreaterThan(0.3);
  });
  it('never leaves a flat', () => {
    fc.assert(
      fc.property(random, ({ off, wide }) => {
        const groups = groupsOf(roles('CCCR', off.length));
        const flats = flatsFrom(
          off.map((v, i) => i * 2 + v),
          off.map(() => wide),
        );
        smoothestSpacing(
          flats,
          Float64Array.from(off, (_, i) => i * 2),
          groups,
        ).xMm.forEach((x, i) => {
          expect(x).toBeGreaterThanOrEqual(flats.fromMm[i] as number);
          expect(x).toBeLessThanOrEqual(flats.toMm[i] as number);
        });
      }),
    );
  });
  it('refuses arrays of different lengths', () =>
    expect(() => smoothestSpacing(flatsFrom([0], [0]), new Float64Array(2))).toThrowError(RangeError));
});
