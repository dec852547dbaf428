import { rakersAfter, readShavings } from './shavings';

// Common practice, no source (trade sections 5 and 8): what long saws throw out and what it points to.
describe('the shavings of a test cut', () => {
  const rate = { rateMmPerStroke: 0.02, errorMmPerStroke: 0, readings: 9 };
  it('by hand: two of four rakers a tenth and a fifth too high take fifteen strokes, thirty of eight', () => {
    const found = rakersAfter([0.38, 0.28, 0.18, 0.36], 0.38, 8, rate);
    expect(found).toEqual(jasmine.objectContaining({ read: 4, of: 8, high: 2, low: 0, strokes: 30 }));
    expect(found?.worstMm).toBeCloseTo(0.2, 12);
  });
  it('clean ribbons ask for nothing, whatever was measured', () => {
    expect(readShavings('ribbons', null)).toEqual([]);
    expect(readShavings('ribbons', rakersAfter([0.1], 0.38, 1, rate))).toEqual([]);
  });
  it('dust: rakers too high are filed, else the cutters are dull', () => {
    expect(readShavings('dust', rakersAfter([0.2, 0.38], 0.38, 2, rate))).toEqual(['file-rakers']);
    expect(readShavings('dust', rakersAfter([0.37, 0.39], 0.38, 2, rate))).toEqual(['touch-up-cutters']);
  });
  it('whiskers: rakers too low, and the cutters come down to them', () => {
    expect(readShavings('whiskers', rakersAfter([0.5, 0.38], 0.38, 2, rate))).toEqual(['joint-to-rakers']);
    expect(readShavings('whiskers', rakersAfter([0.38], 0.38, 1, rate))).toEqual(['touch-up-cutters']);
  });
  it('without a measured raker it is asked for, not guessed', () => {
    expect(rakersAfter([], 0.38, 10, rate)).toBeNull();
    expect(readShavings('dust', null)).toEqual(['measure-rakers']);
  });
});
