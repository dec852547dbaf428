import fc from 'fast-check';
import { judgeBandCut } from './band-cut-verdict';
import type { TestCut } from './test-cut-verdict';
import { judgeBladeCut, judgeSetCut, judgeTestCut } from './test-cut-verdict';

const after = { set: null, heightSpreadMm: null };
const cut = (more: Partial<TestCut>): TestCut => ({ runs: null, binds: null, chatters: null, ...more });

describe('a cut that was looked at in part', () => {
  it('is open and says for what it was not looked at; only one that was looked at for everything passes', () => {
    expect(judgeTestCut(cut({}), after, 0.1)).toEqual(
      jasmine.objectContaining({ verdict: 'open', advice: ['look-drift', 'look-binding', 'look-jumping'] }),
    );
    expect(judgeTestCut(cut({ runs: 'true', binds: false }), after, 0.1).advice).toEqual(['look-jumping']);
    expect(judgeTestCut(cut({ runs: 'true', binds: false, chatters: false }), after, 0.1).verdict).toBe('pass');
  });
  it('a set passes only where the floor of its groove was gauged', () => {
    const seen = cut({ runs: 'true', binds: false, chatters: false });
    expect(judgeSetCut(seen, after, 0.1)).toEqual(
      jasmine.objectContaining({ verdict: 'open', advice: ['gauge-groove'] }),
    );
    expect(judgeSetCut(seen, { ...after, heightSpreadMm: 0.05 }, 0.1).verdict).toBe('pass');
  });
  it('whatever was seen, nothing passes unseen, and what was seen to be wrong is never open', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('true' as const, 'left' as const, 'right' as const, null),
        fc.constantFrom(true, false, null),
        fc.constantFrom(true, false, null),
        (runs, binds, chatters) => {
          const seen = { runs, binds, chatters };
          const wrong = (runs ?? 'true') !== 'true' || binds === true || chatters === true;
          const unseen = runs === null || binds === null || chatters === null;
          const expected = wrong ? 'again' : unseen ? 'open' : 'pass';
          expect(judgeTestCut(seen, after, 0.1).verdict).toBe(expected);
          expect(judgeBladeCut(seen, after, 0.1).verdict).toBe(expected);
          expect(judgeBandCut(seen, { set: null, heights: [], teeth: 200 }, 0.1).verdict).toBe(expected);
        },
      ),
    ));
});
