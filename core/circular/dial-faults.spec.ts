import fc from 'fast-check';
import { jumpedTurn, rimGap } from './dial-faults';

const readings = (values: readonly number[]) =>
  values.map((valueMm, i) => ({ place: i + 1, valueMm, errorMm: 0.01, count: 1 }));

describe('a dial whose hand jumped a turn', () => {
  it('by hand: three readings a millimetre off among ten', () => {
    const values = [0, 0.02, 0.05, 1.04, 1.02, 1.01, 0.03, 0, 0.01, 0.02];
    expect(jumpedTurn(readings(values))).toEqual({ from: 4, to: 6, offMm: 1 });
    expect(jumpedTurn(readings([0, 0.1, 0.05, -2.5, -2.52]))).toEqual({ from: 4, to: 5, offMm: -2.54 });
    // From the start to where it came right, the first are the wrong ones.
    expect(jumpedTurn(readings([1, 1.02, 0.03, 0.02, 0.01, 0]))).toEqual({ from: 1, to: 2, offMm: 1 });
  });
  it('finds any stretch that was shifted, and nothing on a blade out of round or with a broken tooth', () => {
    const blade = (n: number) => Array.from({ length: n }, (_, i) => 0.2 * Math.cos((2 * Math.PI * i) / n));
    fc.assert(
      fc.property(
        fc.integer({ min: 24, max: 80 }),
        fc.integer({ min: 1, max: 8 }),
        fc.integer({ min: 2, max: 7 }),
        (n, from, length) => {
          expect(jumpedTurn(readings(blade(n)))).toBeNull();
          const shifted = blade(n).map((mm, i) => (i >= from && i < from + length ? mm + 1 : mm));
          expect(jumpedTurn(readings(shifted))).toEqual({ from: from + 1, to: from + length, offMm: 1 });
        },
      ),
    );
    expect(jumpedTurn(readings([0, 0.01, -1.6, 0.02, 0]))).toBeNull();
  });
});

describe('a rim read in part', () => {
  it('half of it tells no circle; spread round it, a few do', () => {
    expect(rimGap([1, 2, 3, 4, 5, 6, 7, 8, 9, 10], 20)).toEqual({ after: 10, before: 1 });
    expect(rimGap([1, 6, 11, 16], 20)).toBeNull();
    expect(rimGap([18, 19, 20, 1, 2, 3], 20)).toEqual({ after: 3, before: 18 });
    expect(rimGap([], 20)).toBeNull();
  });
});
