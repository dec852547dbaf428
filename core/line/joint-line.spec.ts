import fc from 'fast-check';
import { jointLineLp, solveLp } from '../reference/linear-program';
import type { Tip } from './joint-line';
import { heightOn, levelLineForShare, lineForAll, lineForShare, teethLeftOut } from './joint-line';

const tips = (most: number): fc.Arbitrary<Tip[]> =>
  fc
    .array(fc.integer({ min: -300, max: 0 }), { minLength: 3, maxLength: most })
    .map((heights) => heights.map((h, i) => ({ xMm: i * 2, yMm: h / 1000 })));

const meanHeight = (line: { alphaMm: number; beta: number }, over: readonly Tip[]): number =>
  over.reduce((s, t) => s + heightOn(line, t.xMm), 0) / over.length;
const under = (line: { alphaMm: number; beta: number }, over: readonly Tip[]): number =>
  over.filter((t) => t.yMm < heightOn(line, t.xMm) - 1e-9).length;

/** Every line through two tips, and every level line through one: the best is among them. */
function bestByBruteForce(over: readonly Tip[], k: number, maxTilt: number): number {
  let best = -Infinity;
  const consider = (beta: number): void => {
    if (Math.abs(beta) > maxTilt) return;
    for (const tip of over) {
      const line = { alphaMm: tip.yMm - beta * tip.xMm, beta };
      if (under(line, over) <= k) best = Math.max(best, meanHeight(line, over));
    }
  };
  over.forEach((p, i) => over.slice(i + 1).forEach((q) => consider((q.yMm - p.yMm) / (q.xMm - p.xMm))));
  [0, maxTilt, -maxTilt].forEach(consider);
  return best;
}

describe('joint line (geometry section 5)', () => {
  it('by hand: a crowned saw is jointed from its two ends, a hollow one along the edge under its middle', () => {
    const crowned = [-0.2, 0, 0.1, 0, -0.2].map((yMm, i) => ({ xMm: i, yMm }));
    expect(lineForAll(crowned)).toEqual({ alphaMm: -0.2, beta: 0 });
    const hollow = [0, -0.2, -0.3, -0.2, 0].map((yMm, i) => ({ xMm: i, yMm }));
    const line = lineForAll(hollow);
    expect(heightOn(line, 2)).toBeCloseTo(-0.3, 12);
  });

  it('for all teeth it loses no more mean height than a linear programme (HiGHS)', async () => {
    for (const over of fc.sample(tips(40), { numRuns: 25, seed: 7 })) {
      const line = lineForAll(over);
      expect(under(line, over)).toBe(0);
      expect(meanHeight(line, over)).toBeCloseTo((await solveLp(jointLineLp(over))).value, 6);
    }
  });

  it('for a share it is as good as trying every line', () => {
    fc.assert(
      fc.property(tips(18), fc.constantFrom(1, 0.95, 0.9, 0.8, 0.6), (over, share) => {
        const line = lineForShare(over, share);
        expect(under(line, over)).toBeLessThanOrEqual(teethLeftOut(over.length, share));
        expect(meanHeight(line, over)).toBeCloseTo(bestByBruteForce(over, teethLeftOut(over.length, share), 0.05), 7);
      }),
      { numRuns: 300 },
    );
  });

  it('never less good than the level line, and leaving teeth out never lowers it', () => {
    fc.assert(
      fc.property(tips(30), (over) => {
        const free = meanHeight(lineForShare(over, 0.9), over);
        expect(free).toBeGreaterThanOrEqual(meanHeight(levelLineForShare(over, 0.9), over) - 1e-9);
        expect(free).toBeGreaterThanOrEqual(meanHeight(lineForShare(over, 1), over) - 1e-9);
      }),
    );
  });

  it('leaves out whole teeth: 5 % of 20 is one', () => {
    expect(teethLeftOut(20, 0.95)).toBe(1);
    expect(teethLeftOut(19, 0.95)).toBe(0);
    expect(() => teethLeftOut(10, 0)).toThrowError(RangeError);
  });
});
