import { conditionFaults, DEEPEST_RULE, MOST_TESTS } from './condition-faults';

const test = { fact: 'lengthMm', atLeast: 3 };
const nested = (times: number): unknown =>
  Array.from({ length: times }).reduce<unknown>((inner) => ({ not: inner }), test);

describe('what keeps a value from being a condition', () => {
  it('nothing of every shape there is', () => {
    for (const good of [
      test,
      { fact: 'a', below: { threshold: 'b' } },
      { fact: 'a', is: ['x', 2] },
      { fact: 'a', is: false },
      { fact: 'a', has: 'x' },
      { fact: 'a', known: true },
      { all: [test, { any: [{ not: test }] }] },
      { all: [] },
      nested(DEEPEST_RULE),
      { any: Array.from({ length: MOST_TESTS }, () => test) },
    ])
      expect(conditionFaults(good)).withContext(JSON.stringify(good).slice(0, 60)).toEqual([]);
  });

  it('names the place of what is wrong', () => {
    expect(conditionFaults({ all: [test, { not: { fact: 'a', atLeast: 'three' } }] })).toEqual([
      { path: ['all', 1, 'not'], message: '“atLeast” is not compared with that.' },
    ]);
    expect(conditionFaults({ all: 3 })[0]?.message).toContain('wants a list');
    for (const bad of [
      null,
      3,
      [],
      {},
      { fact: 'a' },
      { fact: 'a', is: 1, has: 'b' },
      { fact: '', is: 1 },
      { constructor: 1, fact: 'a' },
    ])
      expect(conditionFaults(bad)[0]?.message)
        .withContext(JSON.stringify(bad))
        .toContain('A condition is all, any, not');
  });

  it('is bounded: deep, wide and endless ones are told in a sentence, in no time', () => {
    const wide = (n: number): unknown => ({ all: Array.from({ length: n }, () => ({ fact: 'x', odd: 1 })) });
    const rules = { all: Array.from({ length: 40 }, () => ({ any: Array.from({ length: 40 }, () => wide(40)) })) };
    for (const huge of [nested(5000), wide(500_000), rules]) {
      const faults = conditionFaults(huge);
      expect(faults.length).toBeGreaterThan(0);
      expect(faults.length).toBeLessThan(30);
    }
    expect(conditionFaults(nested(5000))[0]?.message).toContain('nested at most');
  });
});
