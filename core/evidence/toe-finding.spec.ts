import fc from 'fast-check';
import { evenZone, nominalLine } from '../saw/zones';
import { findToe } from './toe-finding';
import type { ToothReading } from './tooth-reading';

const read = (xMm: ArrayLike<number>): ToothReading[] =>
  Array.from(xMm, (x, i) => ({ tooth: i + 1, xMm: x, yMm: 0, kind: 'tooth' }));

describe('teeth at the toe of another pitch', () => {
  it('by hand: forty teeth of 3 mm, then ten of 1.5', () => {
    const { xMm } = nominalLine([evenZone(40, 3, 0), evenZone(10, 1.5, 0)]);
    const found = findToe(read(xMm));
    expect(found?.teeth).toBe(10);
    expect(found?.pitchFromMm).toBeCloseTo(1.5, 9);
    expect(found?.pitchToMm).toBeCloseTo(1.5, 9);
    expect(found?.restPitchMm).toBeCloseTo(3, 9);
  });
  it('a toe that grows finer tooth by tooth keeps both its ends', () => {
    const graded = { teeth: 16, pitchFromMm: 2.6, pitchToMm: 1.4, rakeFromDeg: 0, rakeToDeg: 0 };
    const found = findToe(read(nominalLine([evenZone(60, 3, 0), graded]).xMm));
    expect(Math.abs((found?.teeth ?? 0) - 16)).toBeLessThanOrEqual(1);
    expect(found?.pitchFromMm).toBeCloseTo(2.6, 0);
    expect(found?.pitchToMm).toBeCloseTo(1.4, 0);
  });
  it('is found in any line read within a twentieth of a pitch, a tooth missing or not', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 30, max: 150 }),
        fc.integer({ min: 6, max: 14 }),
        fc.double({ min: 0.4, max: 0.75, noNaN: true }),
        fc.array(fc.double({ min: -0.05, max: 0.05, noNaN: true }), { minLength: 170, maxLength: 170 }),
        fc.boolean(),
        (body, toe, finer, off, gap) => {
          const { xMm } = nominalLine([evenZone(body, 2, 0), evenZone(toe, 2 * finer, 0)]);
          const teeth = read(xMm.map((x, i) => x + (off[i] as number)));
          if (gap) teeth[5] = { ...(teeth[5] as ToothReading), kind: 'missing' };
          const found = findToe(teeth);
          expect(Math.abs((found?.teeth ?? 0) - toe)).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
  it('none is found on a line of one pitch, however uneven', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -0.3, max: 0.3, noNaN: true }), { minLength: 20, maxLength: 120 }),
        (off) => {
          expect(findToe(read(off.map((v, i) => i * 2 + v)))).toBeNull();
        },
      ),
    );
  });
  it('has nothing to say of a dozen teeth', () => expect(findToe(read([0, 1, 2, 3, 3.5, 4, 4.5]))).toBeNull());
});
