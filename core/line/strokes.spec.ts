import fc from 'fast-check';
import { fitStrokeRate, strokesFor, UNCALIBRATED_STROKES, UPPER_END_ERRORS } from './strokes';

describe('strokes from a calibration', () => {
  it('by hand: 0.2 mm at 0.025 +- 0.004 is six strokes, and a re-measure for the rest', () => {
    const order = strokesFor(0.2, UNCALIBRATED_STROKES);
    expect(order.strokes).toBe(6);
    expect(order.leftMm).toBeCloseTo(0.05, 12);
  });
  it('never overshoots even at the upper end of the rate', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.double({ min: 0.002, max: 0.1, noNaN: true }),
        fc.double({ min: 0, max: 0.05, noNaN: true }),
        (drop, rate, error) => {
          const order = strokesFor(drop, { rateMmPerStroke: rate, errorMmPerStroke: error, readings: 5 });
          expect(order.strokes * (rate + UPPER_END_ERRORS * error)).toBeLessThanOrEqual(drop + 1e-6);
        },
      ),
    );
  });
  it('fits through the origin: rate and standard error by the normal equations', () => {
    const readings = [
      [4, 0.11],
      [8, 0.19],
      [12, 0.31],
      [20, 0.5],
    ].map(([strokes, dropMm]) => ({ strokes, dropMm })) as {
      strokes: number;
      dropMm: number;
    }[];
    const fit = fitStrokeRate(readings);
    // Independent: minimise the residual by golden section over the rate.
    const residual = (rate: number): number => readings.reduce((s, r) => s + (r.dropMm - rate * r.strokes) ** 2, 0);
    let [low, high] = [0.01, 0.05];
    while (high - low > 1e-10) {
      const [a, b] = [low + (high - low) * 0.382, low + (high - low) * 0.618];
      if (residual(a) < residual(b)) high = b;
      else low = a;
    }
    expect(fit.rateMmPerStroke).toBeCloseTo(low, 6);
    // A second-difference of the residual gives its curvature 2 sum(n^2), and with it the error.
    const h = 1e-3;
    const curvature = (residual(low + h) - 2 * residual(low) + residual(low - h)) / (h * h);
    expect(fit.errorMmPerStroke).toBeCloseTo(Math.sqrt((2 * residual(low)) / 3 / curvature), 6);
  });
  it('stands on common practice until somebody measures', () => expect(fitStrokeRate([])).toBe(UNCALIBRATED_STROKES));
});
