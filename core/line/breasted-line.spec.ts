import fc from 'fast-check';
import { freeArcLp, solveLp } from '../reference/linear-program';
import { breastedLine, freeBreastedLine, freeBreastedLineForShare, radiusOf } from './breasted-line';
import type { JointLine, Tip } from './joint-line';
import { heightOn, tangentAt } from './joint-line';

const meanOf = (line: JointLine, tips: readonly Tip[]): number =>
  tips.reduce((s, t) => s + heightOn(line, t.xMm), 0) / tips.length;
const under = (line: JointLine, tips: readonly Tip[]): number =>
  tips.filter((t) => t.yMm < heightOn(line, t.xMm) - 1e-7).length;

const saws = fc
  .record({
    breast: fc.double({ min: -1, max: 8, noNaN: true }),
    off: fc.array(fc.integer({ min: -400, max: 0 }), { minLength: 5, maxLength: 40 }),
  })
  .map(({ breast, off }) =>
    off.map((d, i) => ({
      xMm: i * 6,
      yMm: breast * (1 - (i / (off.length - 1) - 0.5) ** 2 * 4) + d / 1000,
    })),
  );

describe('a breasted joint line (geometry section 5)', () => {
  it('by hand: sagitta 20 over 900 is a circle of 5072.5, and the parabola leaves it by 0.01 mm', () => {
    const tips = Array.from({ length: 91 }, (_, i) => ({ xMm: i * 10, yMm: 0 }));
    const line = breastedLine(
      tips.map((t) => ({ ...t, yMm: 20 * (1 - (t.xMm / 450 - 1) ** 2) })),
      20,
    );
    expect(radiusOf(line)).toBeCloseTo(5072.5, 6);
    const circle = (x: number): number => Math.sqrt(5072.5 ** 2 - (x - 450) ** 2) - (5072.5 - 20);
    const worst = Math.max(...tips.map((t) => Math.abs(circle(t.xMm) - heightOn(line, t.xMm))));
    expect(worst).toBeGreaterThan(0.005);
    expect(worst).toBeLessThan(0.0101);
  });
  it('a saw breasted as wanted loses nothing', () => {
    const tips = Array.from({ length: 60 }, (_, i) => ({ xMm: i * 8, yMm: 3 * (1 - (i / 29.5 - 1) ** 2) + 0.001 * i }));
    const line = breastedLine(tips, 3);
    expect(meanOf(line, tips)).toBeCloseTo(tips.reduce((s, t) => s + t.yMm, 0) / 60, 9);
    expect(freeBreastedLine(tips, 0, 10).breast?.sagittaMm).toBeCloseTo(3, 9);
  });
  it('no tooth is under it, whatever the sagitta', () => {
    fc.assert(
      fc.property(saws, fc.double({ min: 0, max: 8, noNaN: true }), (tips, sagitta) => {
        expect(under(breastedLine(tips, sagitta), tips)).toBe(0);
      }),
    );
  });
  it('a free arc is as good as the linear programme in three unknowns (HiGHS)', async () => {
    for (const tips of fc.sample(saws, { numRuns: 30, seed: 11 })) {
      const { value } = await solveLp(freeArcLp(tips, 0, 10));
      const line = freeBreastedLine(tips, 0, 10);
      expect(under(line, tips)).toBe(0);
      expect(meanOf(line, tips)).toBeCloseTo(value, 5);
    }
  });
  it('teeth best left straight are, though rounding would have them a hair hollow', () => {
    const tips = [-0.399, 0, -0.399, -0.005, -0.146, 0, -0.399, 0].map((yMm, i) => ({ xMm: i * 6, yMm }));
    expect(freeBreastedLine(tips, 0, 10).breast?.sagittaMm).toBeCloseTo(0, 12);
  });
  it('leaving a share out is never worse, and leaves no more out than allowed', () => {
    fc.assert(
      fc.property(saws, (tips) => {
        const all = freeBreastedLine(tips, 0, 10);
        const most = freeBreastedLineForShare(tips, 0.9, 0, 10);
        expect(under(most, tips)).toBeLessThanOrEqual(Math.floor(0.1 * tips.length + 1e-9));
        expect(meanOf(most, tips)).toBeGreaterThanOrEqual(meanOf(all, tips) - 1e-3);
      }),
      { numRuns: 40 },
    );
  });
  it('a free arc for a share is as good as trying two thousand sagittas', () => {
    for (const tips of fc.sample(saws, { numRuns: 6, seed: 5 })) {
      let best = -Infinity;
      for (let c = 0; c <= 10; c += 0.01) best = Math.max(best, meanOf(breastedLine(tips, c, 0.85), tips));
      expect(meanOf(freeBreastedLineForShare(tips, 0.85, 0, 10), tips)).toBeGreaterThan(best - 2e-3);
    }
  });
  it('its tangent touches it at the tooth and runs above it elsewhere', () => {
    const line = { alphaMm: 0, beta: 0.001, sagittaMm: 5, middleMm: 300, chordMm: 600 };
    const tangent = tangentAt(line, 120);
    const at = (x: number): number => tangent.alphaMm + tangent.beta * x;
    expect(at(120)).toBeCloseTo(heightOn(line, 120), 12);
    for (const x of [0, 100, 300, 600]) expect(at(x)).toBeGreaterThanOrEqual(heightOn(line, x));
  });
  it('refuses a hollow and too few teeth', () => {
    expect(() => breastedLine([{ xMm: 0, yMm: 0 }], 1)).toThrowError(RangeError);
    expect(() =>
      breastedLine(
        [0, 1, 2].map((xMm) => ({ xMm, yMm: 0 })),
        -1,
      ),
    ).toThrowError(RangeError);
  });
});
