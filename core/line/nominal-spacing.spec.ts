import fc from 'fast-check';
import { minimaxSpacingLp, solveLp } from '../reference/linear-program';
import { groupsOf, parsePattern, rolesAlong } from '../saw/tooth-pattern';
import { evenZone, nominalLine } from '../saw/zones';
import type { Flats } from './flats';
import { nominalErrors, smoothestToNominal } from './nominal-spacing';
import { smoothestSpacing } from './spacing';

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

describe('spacing against a nominal line', () => {
  const random = fc.record({
    off: fc.array(fc.double({ min: -0.3, max: 0.3, noNaN: true }), { minLength: 4, maxLength: 40 }),
    wide: fc.double({ min: 0, max: 0.4, noNaN: true }),
  });
  it('an even pitch is the case N = i p', () => {
    fc.assert(
      fc.property(random, ({ off, wide }) => {
        const flats = flatsFrom(
          off.map((v, i) => i * 2 + v),
          off.map(() => wide),
        );
        const teeth = Int32Array.from(off, (_, i) => i + 1);
        const even = smoothestSpacing(flats, teeth, 2);
        const nominal = smoothestToNominal(
          flats,
          Float64Array.from(off, (_, i) => i * 2),
        );
        expect(nominal.worstMm).toBeCloseTo(even.worstMm, 9);
        expect(nominal.rmsMm).toBeCloseTo(even.rmsMm, 9);
      }),
    );
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
      expect(smoothestToNominal(flats, zones.xMm).worstMm).toBeCloseTo(value, 6);
    }
  });
  it('nothing is judged across a raker', () => {
    const groups = groupsOf(roles('CCR', 9));
    const nominal = Float64Array.from({ length: 9 }, (_, i) => i * 3);
    // Every group sits off by its own amount, even inside.
    const from = Array.from(nominal, (v, i) => v + (groups[i] === -1 ? 0.9 : 0.5 * (groups[i] as number)));
    const cut = smoothestToNominal(
      flatsFrom(
        from,
        from.map(() => 0),
      ),
      nominal,
      groups,
    );
    expect(cut.worstMm).toBeCloseTo(0, 12);
    expect(cut.judged).toBe(3);
    expect(nominalErrors(cut.xMm, nominal).worstMm).toBeGreaterThan(0.3);
  });
  it('never leaves a flat', () => {
    fc.assert(
      fc.property(random, ({ off, wide }) => {
        const groups = groupsOf(roles('CCCR', off.length));
        const flats = flatsFrom(
          off.map((v, i) => i * 2 + v),
          off.map(() => wide),
        );
        smoothestToNominal(
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
    expect(() => smoothestToNominal(flatsFrom([0], [0]), new Float64Array(2))).toThrowError(RangeError));
});
