import fc from 'fast-check';
import { OTHER_SET_MM, strangersAmong } from './of-one-set';

const part = (name: string, ...heightsMm: number[]) => ({ part: name, heightsMm });

describe('parts of two sets', () => {
  it('by hand: one that stands 1.85 under the middle of two others is the stranger', () => {
    const [stranger, ...rest] = strangersAmong([part('a', 0, 0.1, 0), part('b', -0.1), part('c', -1.9, -1.9)]);
    expect(rest).toEqual([]);
    expect(stranger?.part).toBe('c');
    expect(stranger?.byMm).toBeCloseTo(-1.85, 12);
  });
  it('of two that stand apart nobody can say which: both are named, each by the other', () =>
    expect(strangersAmong([part('a', 0), part('b', 2)])).toEqual([
      { part: 'a', byMm: -2 },
      { part: 'b', byMm: 2 },
    ]));
  it('one broken tooth makes no stranger, nor does a part nobody read', () => {
    expect(strangersAmong([part('a', 0, 0, 0, -3), part('b', 0.1, 0.1, 0, 0)])).toEqual([]);
    expect(strangersAmong([part('a', 0), part('b')])).toEqual([]);
  });
  it('a set worn evenly apart by less than a gap is one set, whatever its order', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: OTHER_SET_MM / 2, noNaN: true }), { maxLength: 12 }), (heights) =>
        expect(strangersAmong(heights.map((mm, i) => part(`c${i}`, mm)))).toEqual([]),
      ),
    );
  });
});
