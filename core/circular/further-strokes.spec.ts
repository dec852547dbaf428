import fc from 'fast-check';
import { UNCALIBRATED_STROKES, UPPER_END_ERRORS } from '../line/strokes';
import { furtherStrokes, ON_AIM_MM } from './further-strokes';

describe('strokes on after a fresh reading', () => {
  const rate = UNCALIBRATED_STROKES;
  const upper = rate.rateMmPerStroke + UPPER_END_ERRORS * rate.errorMmPerStroke;

  it('by hand: 0.20 over wants 6 more, 0.03 over is there, 0.05 under is under', () => {
    expect(furtherStrokes(0, -0.2, rate)).toEqual({ finds: 'more', strokes: 6, overMm: 0.2 });
    expect(furtherStrokes(-0.17, -0.2, rate).finds).toBe('there');
    expect(furtherStrokes(-0.25, -0.2, rate)).toEqual({ finds: 'under', byMm: jasmine.any(Number) as never });
  });

  it('read and filed again and again it ends within a stroke over the aim and never under it, however the file bites within its error', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.array(fc.double({ min: -UPPER_END_ERRORS, max: UPPER_END_ERRORS, noNaN: true }), { minLength: 1 }),
        (over, bites) => {
          let [at, rounds] = [over, 0];
          for (;;) {
            const next = furtherStrokes(at, 0, rate);
            if (next.finds !== 'more') break;
            const bite = rate.rateMmPerStroke + (bites[rounds % bites.length] ?? 0) * rate.errorMmPerStroke;
            at -= next.strokes * bite;
            rounds++;
            expect(rounds).toBeLessThan(60);
          }
          expect(at).toBeGreaterThan(-ON_AIM_MM);
          expect(at).toBeLessThanOrEqual(upper + 1e-9);
        },
      ),
    );
  });
});
