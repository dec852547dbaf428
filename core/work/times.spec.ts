import { priceFor } from './price';
import { filingMinutes, jointMinutes, jointPasses, settingMinutes, shapeMinutes } from './times';

describe('times of bench work', () => {
  // Common practice, no source (trade section 4): a 15-point back saw five to seven minutes, a panel crosscut three to five.
  it('a 15-point back saw of 250 mm, two strokes a gullet, is sharpened in about five to seven minutes', () => {
    const gullets = Math.round(250 / (25.4 / 14));
    expect(filingMinutes(2 * gullets, gullets) + 1).toBeGreaterThan(4);
    expect(filingMinutes(2 * gullets, gullets) + 1).toBeLessThan(7);
  });
  it('by hand: 100 strokes in 50 gullets are 0.75 + 1.5 minutes, turning the saw once more when shaping', () => {
    expect(filingMinutes(100, 50)).toBeCloseTo(2.25, 12);
    expect(shapeMinutes(100, 50)).toBeCloseTo(3, 12);
    expect([filingMinutes(10, 0), shapeMinutes(0, 50)]).toEqual([0, 0]);
  });
  it('jointing goes in passes of 0.04 mm, one at least', () => {
    expect([0, 0.04, 0.05, 0.12].map(jointPasses)).toEqual([1, 1, 2, 3]);
    expect(jointMinutes(0.12)).toBeCloseTo(0.75 + 3 * 0.5, 12);
    expect(settingMinutes(90)).toBeCloseTo(3, 12);
  });
});

describe('what it costs', () => {
  const rates = { wagePerHour: 48, leastCharge: 14, currency: '€' };
  it('minutes at the wage, to the half unit, never under the least charge', () => {
    expect(priceFor(30, rates).amount).toBe(24);
    expect(priceFor(31, rates).amount).toBe(25);
    expect(priceFor(0, rates).amount).toBe(14);
    expect(priceFor(30, rates).reason.inputs.map((i) => i.value)).toEqual([30, 48, 14]);
    expect(() => priceFor(-1, rates)).toThrowError(RangeError);
  });
});
