import { mean, sampleStandardDeviation } from 'simple-statistics';
import type { Judgement } from '../judgement/books';
import { randomFrom } from '../reference/made-scan';
import type { Saw } from '../saw/saw';
import { doubtReading } from './doubt-reading';
import type { PlaceEstimate } from './estimates';
import type { LengthReading } from './reading';
import { summariseQuantity, setLimitMm, sideOf } from '../judgement/quantity-verdict';
import { estimatesOf, standing } from './estimates';
import { indicatorReading, lineSplitter } from './indicator-lines';
import { partsFor, placesOf, quantitiesOf } from './quantities';
import { sampleAdvice, sampleEstimate, sampleOrder, SURE_ERRORS } from './sample-plan';

const head = {
  name: 'A saw',
  marksOnIt: '',
  convention: 'teeth',
  plateThicknessMm: 0.9,
  plateDepthHeelMm: 20,
  plateDepthToeMm: 20,
  backFixing: 'none',
} as const;
const BAND: Saw = { ...head, family: 'band', filing: 'rip', set: 'alternate', pitchMm: 6.35, toothLineMm: 2095.5 };
const RAKER: Saw = {
  ...head,
  family: 'crosscut',
  filing: 'crosscut',
  kind: 'two-man',
  pattern: 'CCCCR',
  pitchMm: 15,
  toothLineMm: 1500,
  plateThicknessMm: 1.8,
};
const DADO: Saw = {
  ...head,
  family: 'dado',
  filing: 'combination',
  diameterMm: 200,
  boreMm: 25.4,
  tipped: 'steel',
  markedLimitRpm: 7000,
  pitchMm: 26,
  toothLineMm: 628,
  parts: [
    { id: 'left', kind: 'outer', teeth: 24, plateMm: 3, cutMm: 3.2 },
    { id: 'one', kind: 'chipper', teeth: 2, plateMm: 3, cutMm: 3.2 },
    { id: 'thin', kind: 'shim', teeth: 0, plateMm: 0.1, cutMm: 0.1 },
  ],
};
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

describe('what a quantity’s readings say together', () => {
  const at = (values: readonly [number, number][]): PlaceEstimate[] =>
    values.map(([place, valueMm]) => ({ place, valueMm, errorMm: 0.005, count: 1 }));

  it('rakers against the wanted depth: 15 thou on a two-man saw in dry soft wood (trade section 5)', () => {
    const says = summariseQuantity(
      RAKER,
      'raker-depth',
      at([
        [5, 0.381],
        [10, 0.2],
        [15, 0.5],
      ]),
      20,
      'dry-soft',
    );
    expect(says?.raker?.targetMm).toBeCloseTo(0.381, 6);
    expect([says?.raker?.shallow, says?.raker?.deep]).toEqual([[10], [15]]);
    expect([says?.lowest.place, says?.highest.place]).toEqual([10, 15]);
  });

  it('a band’s set by its own pattern, and which side it runs to', () => {
    const places = Array.from({ length: 20 }, (_, i): [number, number] => [
      i + 1,
      (i % 2 ? 0.1 : 0.16) + 0.002 * (i % 3),
    ]);
    const says = summariseQuantity(BAND, 'set', at(places), 330, 'dry-soft');
    expect(says?.set?.left).toBeGreaterThan(says?.set?.right ?? Infinity);
    expect(says?.set?.balance.runsTo).toBe('left');
    expect(says?.set?.balance.certain).toBeTrue();
    expect(sideOf({ ...BAND, set: 'left-right-straight' }, 3)).toBeNull();
  });

  it('cutters lean by turns among themselves, whatever rakers stand between', () => {
    const sides = (saw: Saw, teeth: number) => Array.from({ length: teeth }, (_, i) => sideOf(saw, i + 1)?.[0] ?? '-');
    expect(sides({ ...RAKER, pattern: 'CCR' }, 6).join('')).toBe('lr-lr-');
    expect(sides(RAKER, 10).join('')).toBe('lrlr-lrlr-');
    expect(sides({ ...RAKER, pattern: 'C' }, 4).join('')).toBe('lrlr');
  });

  it('the mean set under which a band is set anew', () => {
    expect(setLimitMm(BAND, 'dry-soft', undefined)).toBeCloseTo(0.6 * 6 * 1.15 * 0.0254, 6);
    // A shop that sets anew earlier decides by its own share.
    const own = { reset: { thresholds: { leastShare: 0.8 } } };
    expect(setLimitMm(BAND, 'dry-soft', own)).toBeCloseTo(0.8 * 6 * 1.15 * 0.0254, 6);
  });

  it('gullets beside a raker are of another depth than those between cutters, and no slip', () => {
    const known = at(Array.from({ length: 20 }, (_, i): [number, number] => [i + 1, i % 5 < 3 ? 14.5 : 13.4]));
    expect(doubtReading(RAKER, 'gullet-depth', 13.4, 21, known)).toBeNull();
    expect(doubtReading(RAKER, 'gullet-depth', 9, 21, known)?.code).toBe('wild');
  });

  it('a bowed plate: where, how far and how long, and what the shop does about such a bend', () => {
    const saw: Saw = { ...head, family: 'hand', filing: 'rip', pitchMm: 5, toothLineMm: 650 };
    const bow = (gap: (x: number) => number, own?: Judgement) =>
      summariseQuantity(saw, 'bow', at([81, 163, 244, 325, 406, 488, 569].map((x) => [x, gap(x)])), 7, 'dry-hard', own)
        ?.bend;
    const gradual = (x: number): number => (-16 * x * (650 - x)) / 650 ** 2;
    expect(bow(gradual)?.found.bulges).toBe('left');
    expect(bow(gradual)?.advice[0]).toMatch(/gradual bend/);
    expect(bow((x) => gradual(x) / 8)?.advice).toEqual(['Straight enough to work.']);
    expect(bow((x) => (x < 325 ? x / 60 : (650 - x) / 60))?.advice[0]).toMatch(/blocks with a clamp/);
    const own: Judgement = { straighten: { rules: { gradual: { says: 'Over the knee.' } } } };
    expect(bow(gradual, own)?.advice).toEqual(['Over the knee.']);
    const rust = summariseQuantity(saw, 'rust', at([[100, 50]]), 7, 'dry-hard');
    expect(rust?.reach?.teeth).toEqual([{ first: 16, last: 26 }]);
    expect(rust?.bend).toBeNull();
  });

  it('round a rim: a made eccentricity of 0.08 mm towards a quarter turn is found', () => {
    const places = Array.from({ length: 24 }, (_, i): [number, number] => [
      i + 1,
      0.08 * Math.sin((2 * Math.PI * i) / 24),
    ]);
    const says = summariseQuantity(DADO, 'runout', at(places), 24, 'dry-soft');
    expect(says?.dial?.eccentricityMm).toBeCloseTo(0.08, 6);
    expect(says?.dial?.towardsDeg).toBeCloseTo(90, 3);
    expect(summariseQuantity(DADO, 'runout', at(places.slice(0, 4)), 24, 'dry-soft')?.dial).toBeNull();
  });

  it('chippers: 12 thou is too much, 4 thou good (trade section 6)', () => {
    const of = (spread: number) =>
      summariseQuantity(
        DADO,
        'chipper-height',
        at([
          [1, 0],
          [2, -spread],
        ]),
        4,
        'dry-soft',
      )?.chippers?.verdict;
    expect([of(0.1), of(0.126), of(0.31)]).toEqual(['good', 'acceptable', 'too-much']);
    expect(summariseQuantity(DADO, 'chipper-height', [], 4, 'dry-soft')).toBeNull();
  });
});
