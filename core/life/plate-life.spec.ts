import fc from 'fast-check';
import { mean, median, sampleStandardDeviation } from 'simple-statistics';
import type { PastVisit } from './plate-life';
import { costPerYear, HARDENED_EDGE_TIMES, metalPerSharpening, nextSharpeningDay, sharpeningsLeft } from './plate-life';

const visit = (day: number, lineDownMm = 0.05, work: PastVisit['work'] = 'sharpen'): PastVisit => ({
  day,
  lineDownMm,
  work,
});

describe('a plate’s life from its history', () => {
  it('metal of a sharpening is the mean of the saw’s own, tunes apart, with its error', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.02, max: 0.2, noNaN: true }), { minLength: 2, maxLength: 20 }),
        (took) => {
          const metal = metalPerSharpening([...took.map((v, i) => visit(i * 100, v)), visit(9999, 0.8, 'tune')]);
          expect(metal.meanMm).toBeCloseTo(mean(took), 12);
          expect(metal.errorMm).toBeCloseTo(sampleStandardDeviation(took) / Math.sqrt(took.length), 9);
        },
      ),
    );
    expect(metalPerSharpening([visit(0, 0.8, 'tune')])).toEqual({ meanMm: 0.05, errorMm: null, visits: 0 });
    expect(metalPerSharpening([visit(0, 0.07)])).toEqual({ meanMm: 0.07, errorMm: null, visits: 1 });
  });
  it('by hand: 40 mm to go at 0.05 ± 0.005 is 800, from 666 to 1000', () =>
    expect(sharpeningsLeft(60, 20, { meanMm: 0.05, errorMm: 0.005, visits: 9 })).toEqual({
      likely: 800,
      least: 666,
      most: 1000,
    }));
  it('never less than none, and the least never above the most', () => {
    expect(sharpeningsLeft(18, 20, { meanMm: 0.05, errorMm: null, visits: 0 }).likely).toBe(0);
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (meanMm, errorMm) => {
          const left = sharpeningsLeft(90, 40, { meanMm, errorMm, visits: 5 });
          expect(left.least).toBeLessThanOrEqual(left.likely);
          expect(left.likely).toBeLessThanOrEqual(left.most);
        },
      ),
    );
  });
  it('the next visit is a median gap after the last, or the trade’s months before there are three', () => {
    const days = [0, 300, 700, 1000, 1420];
    const next = nextSharpeningDay(
      days.map((d) => visit(d)),
      1500,
      [18, 36],
    );
    expect(next.likely).toBe(1420 + 400);
    expect(median([300, 400, 300, 420])).toBe(350);
    expect([next.from, next.to, next.by]).toEqual([1420 + 300, 1420 + 420, 'history']);
    const table = nextSharpeningDay([visit(100)], 500, [18, 36]);
    expect([table.from, table.to, table.by]).toEqual([100 + 548, 100 + 1096, 'table']);
    expect(nextSharpeningDay([], 500, [2, 3]).from).toBe(561);
  });
  // Common practice, no source (trade section 2): a hardened edge outlasts a soft one by about six to one.
  it('cost a year against replacement', () => {
    expect(costPerYear(20, 2, 60, HARDENED_EDGE_TIMES * 0.5)).toEqual({
      sharpening: 10,
      replacing: 20,
      cheaper: 'sharpening',
    });
    expect(costPerYear(40, 1, 30, 3).cheaper).toBe('replacing');
    expect(costPerYear(20, 2, 31, 3).cheaper).toBe('alike');
    expect(() => costPerYear(20, 0, 30, 3)).toThrowError(RangeError);
  });
});
