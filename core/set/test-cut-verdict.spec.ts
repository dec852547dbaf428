import type { AfterWork } from './test-cut-verdict';
import { judgeTestCut } from './test-cut-verdict';

const side = (meanMm: number) => ({ count: 10, meanMm, spreadMm: 0.001 });
const line = (leftMm: number, rightMm: number, heightSpreadMm: number | null = 0): AfterWork => ({
  set: { left: side(leftMm), right: side(rightMm) },
  heightSpreadMm,
});
const cut = (runs: 'true' | 'left' | 'right', binds = false, chatters = false) => ({ runs, binds, chatters });

describe('what a test cut asks for (trade section 8, common practice)', () => {
  it('a saw that neither runs, binds nor chatters passes', () => {
    expect(judgeTestCut(cut('true'), line(0.06, 0.06), 0.06)).toEqual(
      jasmine.objectContaining({ verdict: 'pass', advice: ['passes'] }),
    );
  });
  it('running wants the stone on the side it runs to', () => {
    const verdict = judgeTestCut(cut('left'), line(0.075, 0.06), 0.06);
    expect(verdict.stoning.side).toBe('left');
    expect(verdict.stoning.passes).toBe(3);
    expect(verdict.balance?.runsTo).toBe('left');
  });
  it('binding wants set; binding and running wants the lesser side widened, not stoned', () => {
    expect(judgeTestCut(cut('true', true), line(0.03, 0.03), 0.06).advice).toEqual(['add-set']);
    const both = judgeTestCut(cut('right', true), line(0.02, 0.04), 0.06);
    expect(both.advice).toEqual(['widen-lesser-side']);
    expect(both.stoning.side).toBe('none');
  });
  it('chatter wants the line level, where it is not', () => {
    expect(judgeTestCut(cut('true', false, true), line(0.06, 0.06, 0.16), 0.06).advice).toEqual(['joint-again']);
    expect(judgeTestCut(cut('true', false, true), line(0.06, 0.06), 0.06).advice).toEqual(['measure-set']);
  });
  it('chatter of a line nobody measured again asks for its heights, not for the mill file', () => {
    expect(judgeTestCut(cut('true', false, true), line(0.06, 0.06, null), 0.06).advice).toEqual(['measure-line']);
  });
  it('asks for the set where nobody measured it', () => {
    expect(judgeTestCut(cut('left'), { set: null, heightSpreadMm: null }, 0.06).advice).toEqual([
      'stone',
      'measure-set',
    ]);
  });
});
