import fc from 'fast-check';
import { madeBlade } from '../reference/made-blade';
import { BELOW_SCORERS_MM, equalise, fileBelow, judgeSpread } from './equalise';

const rate = { rateMmPerStroke: 0.025, errorMmPerStroke: 0.002, readings: 6 };

describe('equalising', () => {
  it('by hand: down to the lowest worth keeping, rounded down, the broken left out', () => {
    const readings = madeBlade(
      6,
      (_, i) => [0.3, 0.2, 0.1, 0.25, -1.9, 0.1][i] as number,
      (i) => (i === 4 ? 'broken' : 'scorer'),
    );
    const plan = equalise(readings, 'scorer', rate);
    expect(plan.targetMm).toBeCloseTo(0.1, 12);
    // 0.2 / (0.025 + 2 x 0.002) = 6.9.
    expect(plan.filings[0]?.strokes).toBe(6);
    expect(plan.filings[2]?.strokes).toBe(0);
    expect(plan.leftShort).toEqual([5]);
    expect(plan.spreadBeforeMm).toBeCloseTo(0.2, 12);
    expect(plan.spreadAfterMm).toBeLessThan(0.06);
  });
  it('one tooth far below the rest is left short, not chased', () =>
    expect(
      equalise(
        madeBlade(9, (_, i) => (i === 3 ? -0.8 : 0)),
        'scorer',
        rate,
      ).leftShort,
    ).toEqual([4]));
  // Common practice, no source (trade section 6): 12 thou too much, 5 acceptable, 4 good.
  it('4 thou is good, 5 acceptable, 12 too much', () =>
    expect([4, 5, 8, 12].map((thou) => judgeSpread(thou * 0.0254))).toEqual([
      'good',
      'acceptable',
      'uneven',
      'too-much',
    ]));
  it('rakers and chippers end 1/64 inch below the scorers; one lower is named', () => {
    expect(BELOW_SCORERS_MM).toBeCloseTo(0.396875, 9);
    const readings = madeBlade(
      3,
      (_, i) => [0, -0.1, -0.6][i] as number,
      (i) => (i === 0 ? 'scorer' : i === 1 ? 'raker' : 'chipper'),
    );
    const [raker, chipper] = fileBelow(readings, 0, rate);
    expect(raker?.offMm).toBeCloseTo(0.296875, 9);
    expect(raker?.strokes).toBe(10);
    expect([chipper?.offMm, chipper?.tooLow]).toEqual([0, true]);
  });
  it('refuses a kind that is not there', () =>
    expect(() =>
      equalise(
        madeBlade(5, () => 0),
        'chipper',
        rate,
      ),
    ).toThrowError(RangeError));

  it('equalising asks every tooth for the most strokes that cannot overshoot, of a perfect blade and of spoilt ones', () => {
    const upper = rate.rateMmPerStroke + 2 * rate.errorMmPerStroke;
    fc.assert(
      fc.property(fc.array(fc.double({ min: -0.4, max: 0, noNaN: true }), { minLength: 3, maxLength: 30 }), (off) => {
        const { targetMm, filings } = equalise(
          madeBlade(off.length, (_, i) => off[i] as number),
          'scorer',
          rate,
        );
        expect(targetMm).toBe(Math.min(...off));
        for (const { tooth, strokes } of filings) {
          const overMm = (off[tooth - 1] as number) - targetMm;
          let most = 0;
          while ((most + 1) * upper <= overMm + 1e-9) most++;
          expect(strokes).toBe(most);
        }
      }),
    );
    expect(
      new Set(
        equalise(
          madeBlade(30, () => 0.2),
          'scorer',
          rate,
        ).filings.map((f) => f.strokes),
      ),
    ).toEqual(new Set([0]));
  });
});
