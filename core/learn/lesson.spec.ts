import fc from 'fast-check';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { mean, standardDeviation } from 'simple-statistics';
import { normal, randomFrom } from '../reference/made-line';
import type { Pair } from './lesson';
import { jumpChance, jumping, learn, proportional } from './lesson';
import { JUMPS_AT_MM } from '../testcut/hop';
import type { ShopPairs } from './shop-lessons';
import { inForce, shopLesson } from './shop-lessons';
import { LESSONS, NOTHING_LEARNED } from './learned';

/** A made shop: foretold as it comes, found so many times that, scattered. */
function shop(seed: number, n: number, times: number, scatter: number): Pair[] {
  const random = randomFrom(seed);
  return Array.from({ length: n }, (_, i) => {
    const foretold = 0.05 * (random() - 0.3);
    return { atMs: i, foretold, found: times * foretold + scatter * normal(random) };
  });
}
const shopLessons = (pairs: ShopPairs) => LESSONS.map((id) => shopLesson(id, pairs));
/** Saws that hop over a range and jump by a true limit. */
function jumpers(seed: number, n: number, limitMm: number): Pair[] {
  const random = randomFrom(seed);
  return Array.from({ length: n }, (_, i) => {
    const foretold = 0.005 * 60 ** random();
    return { atMs: i, foretold, found: random() < jumpChance(limitMm, foretold) ? 1 : 0 };
  });
}
const none: Record<(typeof LESSONS)[number], Pair[]> = {
  ...{ drift: [], hop: [], 'set-wear': [], strokes: [], stone: [], minutes: [] },
};

describe('what a shop learns', () => {
  it('the number of a proportion is that of a least-squares library, and its error covers the truth as often as it says', () => {
    let inside = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const pairs = shop(seed, 25, 1.6, 0.01);
      const { value, error } = proportional(1).fit(pairs);
      if (seed <= 10) {
        const library = levenbergMarquardt(
          { x: pairs.map((p) => p.foretold), y: pairs.map((p) => p.found) },
          ([k = NaN]) =>
            (x: number) =>
              k * x,
          { initialValues: [1], maxIterations: 200, errorTolerance: 1e-14 },
        );
        expect(value).toBeCloseTo(library.parameterValues[0] ?? NaN, 5);
      }
      if (Math.abs(value - 1.6) < 2 * error) inside++;
    }
    expect(inside / 200).toBeGreaterThan(0.9);
    expect(inside / 200).toBeLessThan(0.99);
  });

  it('what is better is put in the table’s place: out of sample it is, by as much as the truth is from the table', () => {
    let taken = 0;
    const values: number[] = [];
    for (let seed = 1; seed <= 100; seed++) {
      const lesson = learn('drift', proportional(1), shop(seed, 40, 1.7, 0.006));
      if (lesson.better) taken++;
      values.push(lesson.fitted?.value ?? NaN);
      if (lesson.better) expect(lesson.fitOff).toBeLessThan(lesson.tableOff ?? NaN);
    }
    expect(taken).toBeGreaterThan(95);
    expect(mean(values)).toBeCloseTo(1.7, 1);
  });

  it('noise is not taken for learning: of shops whose table is right hardly one is told otherwise', () => {
    for (const scatter of [0.002, 0.02, 0.2]) {
      let taken = 0;
      for (let seed = 1; seed <= 300; seed++)
        if (learn('drift', proportional(1), shop(seed, 30, 1, scatter)).better) taken++;
      expect(taken / 300).toBeLessThan(0.05);
    }
    let jumped = 0;
    for (let seed = 1; seed <= 50; seed++)
      if (learn('hop', jumping(JUMPS_AT_MM), jumpers(seed, 40, JUMPS_AT_MM)).better) jumped++;
    expect(jumped / 50).toBeLessThan(0.1);
  });

  it('the hop that jumps is found where it truly lies, with an honest error', () => {
    const found: number[] = [];
    let [inside, taken] = [0, 0];
    for (let seed = 1; seed <= 20; seed++) {
      const lesson = learn('hop', jumping(JUMPS_AT_MM), jumpers(seed, 80, 0.12));
      found.push(Math.log(lesson.fitted?.value ?? NaN));
      if (Math.abs((lesson.fitted?.value ?? NaN) - 0.12) < 2 * (lesson.fitted?.error ?? 0)) inside++;
      if (lesson.better) taken++;
    }
    // A jump is one word: eighty of them tell a hop from one less than half of it, mostly.
    expect(taken).toBeGreaterThan(12);
    expect(Math.abs(mean(found) - Math.log(0.12))).toBeLessThan(0.1);
    expect(inside / 20).toBeGreaterThan(0.8);
    expect(standardDeviation(found)).toBeLessThan(0.3);
    expect(jumpChance(0.1, 0.1)).toBeCloseTo(0.5, 12);
  });

  it('says since when: before that pair it did not hold, from it on it did; the order they come in does not matter', () => {
    const pairs = shop(3, 40, 1.8, 0.008);
    const lesson = learn('drift', proportional(1), pairs);
    expect(lesson.better).toBeTrue();
    const since = lesson.sinceMs ?? NaN;
    expect(since).toBeLessThan(39);
    for (let n = since + 1; n <= 40; n++)
      expect(learn('drift', proportional(1), pairs.slice(0, n)).better)
        .withContext(String(n))
        .toBeTrue();
    const before = learn('drift', proportional(1), pairs.slice(0, since));
    expect(before.better).toBeFalse();
    expect(before.sinceMs).toBeNull();
    fc.assert(
      fc.property(fc.shuffledSubarray(pairs, { minLength: 40 }), (mixed) => {
        expect(learn('drift', proportional(1), mixed)).toEqual(lesson);
      }),
      { numRuns: 5 },
    );
  });

  it('a handful teaches nothing, however plain; none is said as none', () => {
    expect(learn('drift', proportional(1), shop(1, 7, 3, 0)).better).toBeFalse();
    // Saws that never jumped tell nothing of where they would.
    const still = jumpers(4, 60, 0.05).map((pair) => ({ ...pair, found: 0 }));
    expect(learn('hop', jumping(JUMPS_AT_MM), still).better).toBeFalse();
    expect(learn('set-wear', proportional(1), shop(2, 40, -2, 0.001)).better).toBeFalse();
    const bare = learn('stone', proportional(0.004), []);
    expect([bare.pairs, bare.fitted, bare.tableOff, bare.better]).toEqual([0, null, null, false]);
    expect(learn('drift', proportional(1), shop(1, 9, 1, 0)).better).toBeFalse();
  });

  it('is in force until it is put back, and then the table is', () => {
    const lessons = shopLessons({
      ...none,
      drift: shop(5, 40, 1.7, 0.004),
      minutes: shop(6, 40, 1.3, 0.004).map((p) => ({ ...p, foretold: p.foretold + 1, found: p.found + 1.3 })),
    });
    expect(lessons.map((one) => one.id)).toEqual([...LESSONS]);
    const force = inForce(lessons, []);
    expect(force.driftTimes).toBeCloseTo(1.7, 1);
    expect(force.minutes?.factor).toBeCloseTo(1.3, 1);
    expect([force.hopMm, force.wearTimes, force.strokes, force.stone]).toEqual([null, null, null, null]);
    expect(inForce(lessons, ['drift']).driftTimes).toBeNull();
    expect(inForce(shopLessons(none), [])).toEqual(NOTHING_LEARNED);
  });
});
