import fc from 'fast-check';
import type { Flats } from '../line/flats';
import { nominalErrors, smoothestToNominal } from '../line/nominal-spacing';
import { smoothestSpacing } from '../line/spacing';
import { minimaxSpacingLp, solveLp } from '../reference/linear-program';
import { groupsOf, parsePattern, rolesAlong } from './tooth-pattern';
import { evenZone, nominalLine } from './zones';

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

describe('patterns of cutters and rakers', () => {
  it('CCR repeats, and may begin anywhere in a group', () => {
    expect(
      roles('CCR', 7)
        .map((r) => r[0])
        .join(''),
    ).toBe('ccrccrc');
    expect(
      roles('c c r', 5, 1)
        .map((r) => r[0])
        .join(''),
    ).toBe('crccr');
    expect(
      roles('CCR', 4, -1)
        .map((r) => r[0])
        .join(''),
    ).toBe('rccr');
  });
  it('a run of cutters is a group, a raker is none', () => {
    expect([...groupsOf(roles('CCR', 7))]).toEqual([0, 0, -1, 1, 1, -1, 2]);
    expect([...groupsOf(roles('C', 4))]).toEqual([0, 0, 0, 0]);
  });
  it('refuses what is no pattern', () => {
    for (const text of ['', 'R', 'CXR', 'RR', 'C'.repeat(41)]) expect(parsePattern(text).ok).toBeFalse();
    expect(() => rolesAlong([], 3)).toThrowError(RangeError);
  });
});

describe('zones of another pitch or rake', () => {
  it('by hand: ten teeth of 2 mm, then four starters of 1 mm', () => {
    const line = nominalLine([evenZone(10, 2, 0), evenZone(4, 1, -10)]);
    expect([...line.xMm].slice(8)).toEqual([16, 18, 20, 21, 22, 23]);
    expect([...line.rakeDeg].slice(9, 11)).toEqual([0, -10]);
    expect([...line.zone].slice(9, 11)).toEqual([0, 1]);
  });
  it('a graded zone goes evenly from end to end: its length is n times the middle pitch', () => {
    const line = nominalLine([{ teeth: 21, pitchFromMm: 1.5, pitchToMm: 2.5, rakeFromDeg: 0, rakeToDeg: -20 }]);
    expect(line.pitchMm[10]).toBeCloseTo(2, 12);
    expect(line.rakeDeg[10]).toBeCloseTo(-10, 12);
    // Sum of an arithmetic series: 20 spacings from 1.5 to 2.45.
    expect(line.xMm[20]).toBeCloseTo(20 * (1.5 + 2.45) * 0.5, 9);
  });
  it('refuses an empty zone and a pitch of nothing', () => {
    expect(() => nominalLine([evenZone(0, 2, 0)])).toThrowError(RangeError);
    expect(() => nominalLine([evenZone(3, 0, 0)])).toThrowError(RangeError);
  });
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
