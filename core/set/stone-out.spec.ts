import fc from 'fast-check';
import { mean, sampleStandardDeviation, sampleVariance } from 'simple-statistics';
import type { SideSet } from '../evidence/line-statistics';
import { meanAndSpread } from '../evidence/line-statistics';
import { normal, randomFrom } from '../reference/made-line';
import { BALANCED_WITHIN_MM } from './set-balance';
import { stoneOut } from './stone-out';

const STONE = { rate: 0.004, error: 0.0008 };
const side = (meanMm: number, spreadMm: number | null = 0.01, count = 10): SideSet => ({ count, meanMm, spreadMm });

describe('the heavier side stoned, pass by pass', () => {
  it('by hand: 0.05 mm more on the left, 0.004 a pass: ten passes leave 0.01, which nobody feels', () => {
    const passes = stoneOut({ left: side(0.12), right: side(0.07) }, STONE);
    expect(passes.length).toBe(11);
    const last = passes.at(-1);
    expect([last?.passes, last?.runsTo]).toEqual([10, 'true']);
    expect(last?.leftMm).toBeCloseTo(0.08, 12);
    expect(last?.rightMm).toBe(0.07);
    expect(passes[0]?.runsTo).toBe('left');
    // Errors of parts that know nothing of each other add in squares.
    expect(last?.errorMm).toBeCloseTo(Math.hypot(Math.sqrt(0.01 ** 2 / 10 + 0.01 ** 2 / 10), 10 * 0.0008), 12);
  });

  it('takes from one side alone, never past the other by more than half a pass, and its mirror image the same', () => {
    const set = fc.double({ min: 0.02, max: 0.2, noNaN: true });
    const rate = fc.double({ min: 0.001, max: 0.02, noNaN: true });
    fc.assert(
      fc.property(set, set, rate, (l, r, each) => {
        const passes = stoneOut({ left: side(l), right: side(r) }, { rate: each, error: each / 5 });
        passes.forEach((one, i) => {
          expect(one.passes).toBe(i);
          expect(Math.max(l, r) - Math.max(one.leftMm, one.rightMm)).toBeGreaterThanOrEqual(-1e-12);
          expect(Math.min(one.leftMm, one.rightMm)).toBeGreaterThan(Math.min(l, r) - each / 2 - 1e-9);
        });
        const last = passes.at(-1);
        if (passes.length <= 12)
          expect(Math.abs(last?.differenceMm ?? NaN)).toBeLessThanOrEqual(
            Math.max(BALANCED_WITHIN_MM, each / 2) + 1e-9,
          );
        const mirrored = stoneOut({ left: side(r), right: side(l) }, { rate: each, error: each / 5 });
        expect(mirrored.length).toBe(passes.length);
        expect(mirrored.at(-1)?.differenceMm).toBeCloseTo(-(last?.differenceMm ?? NaN), 12);
      }),
    );
  });

  it('even sides, and a side nobody read, are left; a stone that takes nothing is none', () => {
    expect(stoneOut({ left: side(0.1), right: side(0.1) }, STONE).length).toBe(1);
    expect(stoneOut({ left: side(0.1), right: side(0, null, 0) }, STONE).length).toBe(1);
    expect(stoneOut({ left: side(0.12, null, 1), right: side(0.1) }, STONE)[0]?.errorMm).toBeNull();
    expect(() => stoneOut({ left: side(0.1), right: side(0.1) }, { rate: 0, error: 0 })).toThrowError(RangeError);
  });

  // Against simulated measuring: saws of known sets read at ten teeth a side, the side said held against the truth.
  it('the chance it gives of a side is how often that side is true', () => {
    const random = randomFrom(77);
    const [tries, readings, scatter, right] = [8000, 10, 0.01, 0.1];
    const bins = new Map<number, { said: number[]; true: number }>();
    for (let k = 0; k < tries; k++) {
      // The true difference as likely anywhere: readings alone tell of it.
      const truth = 0.04 * (random() - 0.5);
      const read = (of: number): SideSet =>
        meanAndSpread(Array.from({ length: readings }, () => of + scatter * normal(random)));
      const [now] = stoneOut({ left: read(right + truth), right: read(right) }, STONE);
      if (!now?.chance) continue;
      const bin = Math.floor(now.chance * 10);
      const held = bins.get(bin) ?? { said: [], true: 0 };
      held.said.push(now.chance);
      if (Math.sign(truth) === Math.sign(now.differenceMm)) held.true++;
      bins.set(bin, held);
    }
    expect(bins.size).toBeGreaterThan(4);
    for (const { said, true: rightly } of bins.values()) {
      const error = Math.sqrt(0.25 / said.length);
      // A spread told from ten readings is itself a little unsure, which the normal distribution leaves out.
      expect(Math.abs(rightly / said.length - mean(said))).toBeLessThan(0.02 + 3 * error);
    }
  });

  it('the error it gives is the spread of what is left, when saws are read and stoned again and again', () => {
    const random = randomFrom(5);
    const left: number[] = [];
    const said: number[] = [];
    for (let k = 0; k < 4000; k++) {
      const read = (of: number): SideSet =>
        meanAndSpread(Array.from({ length: 12 }, () => of + 0.008 * normal(random)));
      const [at, passes] = [{ left: read(0.18), right: read(0.1) }, 4];
      const own = STONE.rate + STONE.error * normal(random);
      const told = stoneOut(at, STONE)[passes];
      if (!told) continue;
      // Off by the readings, and by what the stone really took.
      left.push(told.differenceMm - (0.18 - passes * own - 0.1));
      said.push((told.errorMm ?? 0) ** 2);
    }
    expect(left.length).toBe(4000);
    expect(mean(left)).toBeCloseTo(0, 3);
    expect(sampleStandardDeviation(left) / Math.sqrt(mean(said))).toBeCloseTo(1, 1);
    expect(sampleVariance(left)).toBeGreaterThan(0);
  });
});
