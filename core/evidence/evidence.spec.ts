import { mean, sampleStandardDeviation } from 'simple-statistics';
import { BAND, DADO, RAKER } from '../reference/made-saws';
import { randomFrom } from '../reference/made-scan';
import { doubtReading } from './doubt-reading';
import type { LengthReading } from './reading';
import type { PlaceEstimate } from './estimates';
import { estimatesOf, standing } from './estimates';
import { indicatorReading, lineSplitter } from './indicator-lines';
import { partsFor, placesOf, quantitiesOf } from './quantities';
import { sampleAdvice, sampleEstimate, sampleOrder, SURE_ERRORS } from './sample-plan';

const reading = (change: Partial<LengthReading>): LengthReading => ({
  key: 'a',
  quantity: 'set',
  part: null,
  place: 1,
  value: 0.12,
  simulated: false,
  gauge: 'indicator',
  setAside: false,
  corrects: null,
  ...change,
});

describe('where a quantity is measured', () => {
  it('rakers have a depth, cutters height and set; a band its own teeth; a chipper its two', () => {
    expect(placesOf(RAKER, 'raker-depth').slice(0, 3)).toEqual([5, 10, 15]);
    expect(placesOf(RAKER, 'set').slice(0, 5)).toEqual([1, 2, 3, 4, 6]);
    expect(placesOf(BAND, 'set').length).toBe(330);
    expect(partsFor(DADO, 'chipper-height')).toEqual(['one']);
    expect(partsFor(DADO, 'runout')).toEqual(['left']);
    expect(partsFor(DADO, 'thickness')).toEqual(['left', 'one']);
    expect(placesOf(DADO, 'runout', 'left').length).toBe(24);
    expect(placesOf(DADO, 'chipper-height', 'one')).toEqual([1, 2]);
    expect(quantitiesOf({ ...RAKER, pattern: 'C' })).not.toContain('raker-depth');
  });

  it('stations stand evenly along the plate, inside its ends', () => {
    expect(placesOf(RAKER, 'bow')).toEqual([188, 375, 563, 750, 938, 1125, 1313]);
  });
});

describe('readings into estimates', () => {
  it('repeats are averaged, their scatter is the error where it is larger than the gauge’s', () => {
    const found = estimatesOf([reading({ value: 0.1 }), reading({ key: 'b', value: 0.12 })], 'set', null);
    expect(found.length).toBe(1);
    expect(found[0]?.valueMm).toBeCloseTo(0.11, 9);
    expect(found[0]?.errorMm).toBeCloseTo(0.01, 9);
    expect(found[0]?.count).toBe(2);
    // Against a statistics library, on twenty repeats.
    const values = Array.from({ length: 20 }, (_, i) => 0.1 + 0.03 * Math.sin(i * i));
    const many = estimatesOf(
      values.map((value, i) => reading({ key: String(i), value })),
      'set',
      null,
    );
    expect(many[0]?.valueMm).toBeCloseTo(mean(values), 9);
    expect(many[0]?.errorMm).toBeCloseTo(sampleStandardDeviation(values) / Math.sqrt(20), 9);
  });

  it('a better gauge weighs more; one reading has its gauge’s error', () => {
    const both = estimatesOf([reading({ value: 0.1 }), reading({ key: 'b', value: 0.2, gauge: 'eye' })], 'set', null);
    expect(both[0]?.valueMm).toBeCloseTo(0.1, 3);
    expect(estimatesOf([reading({ gauge: 'eye' })], 'set', null)[0]?.errorMm).toBe(0.2);
  });

  it('what is corrected or set aside stays in the list and no longer counts', () => {
    const all = [
      reading({}),
      reading({ key: 'b', value: 0.15, corrects: 'a' }),
      reading({ key: 'c', place: 2, value: 3, setAside: true }),
    ];
    expect(standing(all).map((r) => r.key)).toEqual(['b']);
    expect(estimatesOf(all, 'set', null).map((e) => [e.place, e.valueMm])).toEqual([[1, 0.15]]);
    expect(all.length).toBe(3);
  });
});

describe('readings that are asked about', () => {
  const known = [0.11, 0.12, 0.125, 0.13, 0.118, 0.122].map((valueMm, i) => ({
    place: i + 1,
    valueMm,
    errorMm: 0.005,
    count: 1,
  }));

  it('a breasted line lies far under its straight edge at the ends, and is not asked about for that', () => {
    expect(doubtReading(RAKER, 'height', -24, 1, [])).toBeNull();
    expect(doubtReading(RAKER, 'height', 24, 51, [])).toBeNull();
    expect(doubtReading(RAKER, 'height', -90, 1, [])?.code).toBe('out-of-range');
  });

  it('a set of 5 mm is asked about, and 5 thou is offered', () => {
    const doubt = doubtReading(BAND, 'set', 5, 9, known);
    expect(doubt?.code).toBe('out-of-range');
    expect(doubt?.meant?.mm).toBeCloseTo(0.127, 6);
    expect(doubt?.meant?.slip).toBe('thou-as-mm');
    expect(doubt?.mostMm).toBeCloseTo(0.675, 9);
  });

  it('a figure in inches, or one in millimetres keyed as thousandths, is recognised among its likes', () => {
    const wide = known.map((k) => ({ ...k, valueMm: 0.35 + 0.01 * k.place }));
    const doubt = doubtReading(BAND, 'set', 0.015, 9, wide);
    expect(doubt?.code).toBe('wild');
    expect(doubt?.meant?.mm).toBeCloseTo(0.381, 6);
    const keyed = doubtReading(BAND, 'set', (0.4 * 25.4) / 1000, 9, wide);
    expect(keyed?.meant?.mm).toBeCloseTo(0.4, 6);
  });

  it('a wild one among many and a repeat unlike its first are asked about; an ordinary one is not', () => {
    expect(doubtReading(BAND, 'set', 0.5, 9, known)?.code).toBe('wild');
    expect(doubtReading(BAND, 'set', 0.3, 2, known)?.code).toBe('unlike-before');
    expect(doubtReading(BAND, 'set', 0.14, 9, known)).toBeNull();
    expect(doubtReading(BAND, 'set', 0.5, 9, [])).toBeNull();
    expect(doubtReading(RAKER, 'raker-depth', 15, 5, [])?.meant?.mm).toBeCloseTo(0.381, 6);
  });

  it('gullets beside a raker are of another depth than those between cutters, and no slip', () => {
    const at = (values: readonly [number, number][]): PlaceEstimate[] =>
      values.map(([place, valueMm]) => ({ place, valueMm, errorMm: 0.005, count: 1 }));
    const known = at(Array.from({ length: 20 }, (_, i): [number, number] => [i + 1, i % 5 < 3 ? 14.5 : 13.4]));
    expect(doubtReading(RAKER, 'gullet-depth', 13.4, 21, known)).toBeNull();
    expect(doubtReading(RAKER, 'gullet-depth', 9, 21, known)?.code).toBe('wild');
  });
});

describe('sampling', () => {
  it('visits every place once, and is spread evenly wherever it stops', () => {
    for (const n of [3, 10, 97, 330, 403]) {
      const places = Array.from({ length: n }, (_, i) => i + 1);
      const order = sampleOrder(places);
      expect([...order].sort((a, b) => a - b)).toEqual(places);
      if (n < 90) continue;
      for (const stop of [8, 20, 40]) {
        const seen = order.slice(0, stop).sort((a, b) => a - b);
        const widest = Math.max(...seen.map((p, i) => (seen[i + 1] ?? (seen[0] as number) + n) - p));
        expect(widest)
          .withContext(`${stop} of ${n}`)
          .toBeLessThan((3 * n) / stop);
      }
    }
  });

  it('an example by hand: three of a hundred', () => {
    const found = sampleEstimate([0.1, 0.12, 0.14], 100);
    expect(found.meanMm).toBeCloseTo(0.12, 9);
    expect(found.errorMm).toBeCloseTo((0.02 / Math.sqrt(3)) * Math.sqrt(0.97), 9);
    expect(sampleEstimate([0.1, 0.2], 2).errorMm).toBe(0);
    expect(() => sampleEstimate([1, 2, 3], 2)).toThrowError(RangeError);
  });

  it('by simulation: the error told is the error made, and the decision is wrong about as seldom as said', () => {
    const next = randomFrom(21);
    const normal = (): number => Math.sqrt(-2 * Math.log(next() + 1e-12)) * Math.cos(2 * Math.PI * next());
    const limit = 0.12;
    let [squares, ratio, wrong, decided, taken, bands] = [0, 0, 0, 0, 0, 0];
    for (let band = 0; band < 400; band++) {
      // Random order within, so that the sample is a simple random one as the formula says.
      const teeth = Array.from({ length: 330 }, () => limit + 0.03 * (next() - 0.5) + 0.02 * normal());
      const truth = teeth.reduce((s, v) => s + v, 0) / teeth.length;
      const order = sampleOrder(teeth.map((_, i) => i));
      const first = sampleEstimate(
        order.slice(0, 25).map((i) => teeth[i] as number),
        330,
      );
      squares += (first.meanMm - truth) ** 2;
      ratio += first.errorMm ** 2;
      const shifted = teeth.map((v) => v + (band % 2 ? 0.012 : -0.012));
      for (let n = 6; n <= 330; n++) {
        const estimate = sampleEstimate(
          order.slice(0, n).map((i) => (shifted[i] as number) + 0.005 * normal()),
          330,
        );
        const advice = sampleAdvice(estimate, limit, 0.005);
        if (!advice.enough) continue;
        decided++;
        taken += n;
        const over = shifted.reduce((s, v) => s + v, 0) / 330 > limit;
        if ((advice.side === 'over') !== over) wrong++;
        break;
      }
      bands++;
    }
    expect(Math.sqrt(squares / ratio)).toBeGreaterThan(0.85);
    expect(Math.sqrt(squares / ratio)).toBeLessThan(1.15);
    expect(decided).toBe(bands);
    // Looked at after every tooth, the odds of a wrong stop add up: five in a hundred is the bound held to.
    expect(wrong / bands).toBeLessThan(0.05);
    expect(taken / bands).toBeLessThan(90);
  });

  it('says how many more it takes from what is known: one worked by hand', () => {
    const estimate = { count: 10, of: 330, meanMm: 0.13, spreadMm: 0.03, errorMm: 0.0093 };
    const advice = sampleAdvice(estimate, 0.12, 0);
    expect(advice.enough).toBe(false);
    const z2s2 = (SURE_ERRORS * 0.03) ** 2;
    expect(advice.wanted).toBe(Math.ceil(z2s2 / (0.0001 + z2s2 / 330)));
    expect(sampleAdvice({ ...estimate, meanMm: 0.2 }, 0.12, 0)).toEqual({ enough: true, side: 'over', wanted: 10 });
    expect(sampleAdvice({ ...estimate, count: 3 }, 0.12, 0).wanted).toBeNull();
  });
});

describe('an indicator’s lines', () => {
  it('millimetres, inches and the button are read; anything else is nobody’s guess', () => {
    expect(indicatorReading('+0.1270 mm')).toEqual({ valueMm: 0.127, pressed: false });
    expect(indicatorReading('-0.0050 in *')?.valueMm).toBeCloseTo(-0.127, 9);
    expect(indicatorReading('-0.0050 in *')?.pressed).toBe(true);
    for (const garbage of [
      '',
      '+0.12',
      'mm',
      '+0.1?70 mm',
      '0.1270 mm',
      '+0.1270 mm * *',
      '+99999.00 mm',
      '\u0000\u0001',
      '+0.1270 mm'.repeat(2),
    ])
      expect(indicatorReading(garbage)).withContext(garbage).toBeNull();
  });

  it('lines come out whole however the wire cuts them, and one that never ends is let go', () => {
    const take = lineSplitter();
    expect([...take('+0.1'), ...take('270 mm\r\n+0.2'), ...take('000 in *\n\n')]).toEqual([
      '+0.1270 mm',
      '+0.2000 in *',
    ]);
    expect(take('x'.repeat(5000))).toEqual([]);
    expect(take('+0.3000 mm\n')).toEqual(['+0.3000 mm']);
  });
});
