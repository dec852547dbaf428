import fc from 'fast-check';
import { linearRegression, sampleStandardDeviation } from 'simple-statistics';
import { fitStrokeRate, strokesFor, UNCALIBRATED_STROKES } from '../line/strokes';
import { STONING_PER_PASS_MM } from '../set/stoning';
import { calibrationReading, handOf } from './hand';
import { addReading, fitRate, NO_READINGS } from './proportional-fit';

import { addPair, fitStraight, NO_PAIRS, predict } from './straight-fit';

const PRIOR = { rate: 0.025, error: 0.004 };
const pairs = fc.array(
  fc.record({ x: fc.integer({ min: 1, max: 20 }), y: fc.double({ min: 0.01, max: 1, noNaN: true }) }),
  { minLength: 3, maxLength: 40 },
);
const noise = (seed: number) => {
  let state = seed;
  return (): number => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return state / 4294967296 - 0.5;
  };
};

describe('a rate through the origin, reading by reading', () => {
  it('by hand: 4 strokes 0.1 and 8 strokes 0.22 mm: 0.027 a stroke', () => {
    const sums = addReading(addReading(NO_READINGS, 4, 0.1), 8, 0.22);
    expect(fitRate(sums, PRIOR).rate).toBeCloseTo((4 * 0.1 + 8 * 0.22) / 80, 12);
  });
  it('is the fit of all readings at once', () => {
    fc.assert(
      fc.property(pairs, (all) => {
        const sums = all.reduce((s, p) => addReading(s, p.x, p.y), NO_READINGS);
        const whole = fitStrokeRate(all.map((p) => ({ strokes: p.x, dropMm: p.y })));
        const fit = fitRate(sums, PRIOR);
        expect(fit.rate).toBeCloseTo(whole.rateMmPerStroke, 9);
        expect(fit.error).toBeCloseTo(whole.errorMmPerStroke, 6);
      }),
    );
  });
  it('its error shrinks as readings come in, and covers the truth about as often as two errors should', () => {
    const random = noise(9);
    const errors: number[] = [];
    let inside = 0;
    for (let trial = 0; trial < 400; trial++) {
      let sums = NO_READINGS;
      for (let k = 0; k < 20; k++) {
        const n = 3 + (k % 6);
        sums = addReading(sums, n, n * 0.025 + 0.02 * (random() + random() + random()));
        if (trial === 0 && k >= 1) errors.push(fitRate(sums, PRIOR).error);
      }
      const fit = fitRate(sums, PRIOR);
      if (Math.abs(fit.rate - 0.025) < 2 * fit.error) inside++;
    }
    expect(errors[18]).toBeLessThan((errors[1] as number) * 1.5);
    expect(errors[18]).toBeLessThan(0.002);
    expect(inside / 400).toBeGreaterThan(0.9);
  });
  it('begins at the trade’s usual rate; a first reading keeps its share of error', () => {
    expect(fitRate(NO_READINGS, PRIOR)).toEqual({ rate: 0.025, error: 0.004, scatter: 0, readings: 0 });
    const one = fitRate(addReading(NO_READINGS, 5, 0.15), PRIOR);
    expect(one.rate).toBeCloseTo(0.03, 12);
    expect(one.error).toBeCloseTo(0.03 * 0.16, 12);
  });
  it('refuses nothing counted and nothing measured', () => {
    expect(() => addReading(NO_READINGS, 0, 0.1)).toThrowError(RangeError);
    expect(() => addReading(NO_READINGS, 3, NaN)).toThrowError(RangeError);
    expect(() => fitRate(NO_READINGS, { rate: 0, error: 0 })).toThrowError(RangeError);
  });
});

describe('a set tool’s number against the set it makes', () => {
  it('is the regression of a statistics library', () => {
    fc.assert(
      fc.property(pairs, (all) => {
        fc.pre(new Set(all.map((p) => p.x)).size > 1);
        const sums = all.reduce((s, p) => addPair(s, p.x, p.y), NO_PAIRS);
        const fit = fitStraight(sums);
        const { m, b } = linearRegression(all.map((p) => [p.x, p.y]));
        expect(fit?.slope).toBeCloseTo(m, 9);
        expect(fit?.intercept).toBeCloseTo(b, 9);
        const left = all.map((p) => p.y - (b + m * p.x));
        const scatter = sampleStandardDeviation(left) * Math.sqrt((all.length - 1) / (all.length - 2));
        expect(fit?.scatter).toBeCloseTo(scatter, 6);
      }),
    );
  });
  it('a new reading is less sure away from those it was fitted to', () => {
    const sums = [2, 4, 6, 8].reduce((s, x, i) => addPair(s, x, 0.02 * x + (i % 2) * 0.004), NO_PAIRS);
    const fit = fitStraight(sums);
    if (!fit) throw new Error('no fit');
    const [middle, far] = [predict(sums, fit, 5).error, predict(sums, fit, 14).error];
    expect(far).toBeGreaterThan((middle as number) * 1.5);
  });
  it('says nothing from readings at one number', () =>
    expect(fitStraight(addPair(addPair(NO_PAIRS, 4, 0.1), 4, 0.11))).toBeNull());
});

describe('a person’s hand', () => {
  const tool = [4, 6, 8, 10].map((amount) => ({
    what: 'set-tool' as const,
    tool: 'small',
    amount,
    didMm: 0.3 - 0.02 * amount,
  }));
  const first = handOf([
    { what: 'strokes', tool: '', amount: 6, didMm: 0.18 },
    { what: 'strokes', tool: '', amount: 4, didMm: 0.12 },
    { what: 'stoning', tool: '', amount: 3, didMm: 0.015 },
    ...tool,
    { what: 'set-tool', tool: 'large', amount: 3, didMm: 0.2 },
  ]);
  it('its strokes and its stone are rates; nothing measured is the trade’s usual', () => {
    expect(first.strokeRateOf(null).rateMmPerStroke).toBeCloseTo(0.03, 12);
    expect(first.stoning.rate).toBeCloseTo(0.005, 12);
    const other = handOf([]);
    expect([other.strokeRateOf(null), other.stoning.rate, other.stoning.readings]).toEqual([
      UNCALIBRATED_STROKES,
      STONING_PER_PASS_MM,
      0,
    ]);
  });
  it('a file that was measured has a rate of its own; one that was not has that of all files together', () => {
    const coarse = { what: 'strokes' as const, tool: '8 in. slim', amount: 4, didMm: 0.2 };
    const hand = handOf([coarse, { what: 'strokes', tool: '5 in. xx slim', amount: 4, didMm: 0.08 }]);
    const rate = (file: string | null) => hand.strokeRateOf(file).rateMmPerStroke;
    expect(hand.files).toEqual(['8 in. slim', '5 in. xx slim']);
    expect(rate('8 in. slim')).toBeCloseTo(0.05, 12);
    expect(rate('5 in. xx slim')).toBeCloseTo(0.02, 12);
    expect(rate('a new one')).toBeCloseTo(0.035, 12);
    expect(rate(null)).toBe(rate('a new one'));
  });
  it('a sure rate lets a plan ask for more strokes than an unsure one', () => {
    const unsure = { ...first.strokeRateOf(null), errorMmPerStroke: 0.006 };
    expect(strokesFor(0.3, first.strokeRateOf(null)).strokes).toBeGreaterThan(strokesFor(0.3, unsure).strokes);
  });
  it('the number for a wanted set, and back: a higher number here sets less; each tool is its own', () => {
    const [small, large] = first.setTools;
    expect(first.setTools.map((t) => [t.name, t.readings])).toEqual([
      ['small', 4],
      ['large', 1],
    ]);
    expect(small?.numberFor(0.15)?.number).toBeCloseTo(7.5, 9);
    expect(small?.setAt(7.5)?.setMm).toBeCloseTo(0.15, 9);
    expect([large?.numberFor(0.15), large?.setAt(5)]).toEqual([null, null]);
  });
  it('what cannot be is refused with a sentence', () => {
    const says = (reading: object) => calibrationReading.safeParse(reading).error?.issues[0]?.message;
    expect(says({ what: 'set-tool', tool: ' ', amount: 7, didMm: 0.1 })).toBe('The set tool’s name is missing.');
    expect(says({ what: 'strokes', tool: '', amount: 2.5, didMm: 0.1 })).toBe('Strokes: counted whole.');
    expect(says({ what: 'stoning', tool: '', amount: 2, didMm: 4 })).toContain('between 0.0005 and 0.5 mm');
  });
});
