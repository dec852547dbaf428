import fc from 'fast-check';
import { DEFAULT_HABITS } from '../work/habits';
import { makeOrder } from '../work/tooth-line/make-order';
import { studyLine } from '../work/tooth-line/study';
import { planInputs, randomSaw } from '../reference/random-saw';
import { mirrorReadings, mirrorTooth } from '../reference/mirror';
import type { PullTooth } from './pull-tooth';
import {
  afterTopOnly,
  FRESH_BEVEL_SHARE,
  freshHeightMm,
  nextPullFiling,
  pullCyclesLeft,
  pullOutline,
} from './pull-tooth';

const tooth: PullTooth = { faceDeg: 5, backDeg: 25, topDeg: 30, pitchMm: 1.8, heightMm: 2.6 };

describe('a pull saw’s three edges', () => {
  it('by hand: a level top bevel over an upright face comes down by what is filed', () => {
    const flat = { ...tooth, faceDeg: 0, topDeg: 0 };
    const after = afterTopOnly(flat, 0.2);
    expect(after.tipHeightMm).toBeCloseTo(2.4, 12);
    expect(after.bevelMm).toBeCloseTo(FRESH_BEVEL_SHARE * 1.8 + 0.2 * Math.tan((25 * Math.PI) / 180), 12);
  });
  it('tip and bevel are where three lines cut by brute force meet', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.double({ min: 15, max: 32, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 0.01, max: 0.5, noNaN: true }),
        (faceDeg, backDeg, topDeg, filed) => {
          const t = { ...tooth, faceDeg, backDeg, topDeg };
          const tan = (deg: number): number => Math.tan((deg * Math.PI) / 180);
          const e = (topDeg * Math.PI) / 180;
          // Face: x = -y tan A from the first tip at (0, 0); bevel: y = -c + x tan e with x to the back negative.
          const meet = (c: number): { tip: [number, number]; end: [number, number] } => {
            const line = (x: number): number => x * tan(topDeg) - c;
            // Face points (-y tan A, y); back points through the fresh bevel's end.
            const fresh = FRESH_BEVEL_SHARE * t.pitchMm;
            const end0: [number, number] = [-fresh * Math.cos(e), -fresh * Math.sin(e)];
            let tip: [number, number] = [0, 0];
            for (let k = 0, lo = -3, hi = 0; k < 80; k++) {
              const y = (lo + hi) / 2;
              tip = [-y * tan(faceDeg), y];
              if (line(tip[0]) > y) lo = y;
              else hi = y;
            }
            let end: [number, number] = end0;
            for (let k = 0, lo = -20, hi = 0; k < 80; k++) {
              const dy = (lo + hi) / 2;
              end = [end0[0] + dy * tan(backDeg), end0[1] + dy];
              if (line(end[0]) > end[1]) lo = dy;
              else hi = dy;
            }
            return { tip, end };
          };
          const { tip, end } = meet(filed / Math.cos(e));
          const after = afterTopOnly(t, filed);
          expect(after.tipHeightMm - t.heightMm).toBeCloseTo(tip[1], 6);
          expect(after.bevelMm).toBeCloseTo(Math.hypot(tip[0] - end[0], tip[1] - end[1]), 6);
        },
      ),
      { numRuns: 60 },
    );
  });
  // Common practice, no source (trade section 7): two or three sharpenings of the top bevel only, then all three.
  it('top bevels three times, then all three edges, flanks first', () => {
    expect([0, 1, 2, 3].map((n) => nextPullFiling(n, null).kind)).toEqual(['top-only', 'top-only', 'top-only', 'full']);
    expect(nextPullFiling(1, 0.7).kind).toBe('full');
    expect(nextPullFiling(1, 0.95).kind).toBe('top-only');
  });
  it('a new tooth’s three edges close on its pitch, and its back stays in its line when the top is filed', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.double({ min: 15, max: 32, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        (faceDeg, backDeg, topDeg, filedMm) => {
          const shape = { faceDeg, backDeg, topDeg, pitchMm: 1.8 };
          const own: PullTooth = { ...shape, heightMm: freshHeightMm(shape) };
          const [, tip, end, next] = pullOutline(own, afterTopOnly(own, filedMm));
          expect(tip.y).toBeLessThanOrEqual(own.heightMm + 1e-12);
          // The back falls from the bevel's end to the next gullet's bottom at its own angle.
          expect((next.x - end.x) / end.y).toBeCloseTo(Math.tan((backDeg * Math.PI) / 180), 9);
        },
      ),
    );
    expect(freshHeightMm({ faceDeg: 0, backDeg: 45, topDeg: 0, pitchMm: 2 })).toBeCloseTo(1.7, 12);
    expect(() => freshHeightMm({ faceDeg: -40, backDeg: 20, topDeg: 30, pitchMm: 2 })).toThrowError(RangeError);
  });
  it('by hand: a plate of 60 with 0.25 mm a cycle has 140 left; never less than none', () => {
    expect(pullCyclesLeft(60, 0.25)).toBe(140);
    expect(pullCyclesLeft(20, 0.25)).toBe(0);
    expect(() => pullCyclesLeft(60, 0)).toThrowError(RangeError);
    expect(() => afterTopOnly(tooth, -1)).toThrowError(RangeError);
  });
});

describe('a pull saw is a push saw in the mirror', () => {
  it('mirrored twice it is itself', () => {
    fc.assert(
      fc.property(randomSaw(), ({ readings }) => {
        const twice = mirrorReadings(mirrorReadings(readings, 300), 300);
        twice.forEach((r, i) => {
          expect(r.tooth).toBe(readings[i]?.tooth as number);
          expect(r.xMm).toBeCloseTo(readings[i]?.xMm as number, 9);
        });
        expect(mirrorTooth(1, readings.length)).toBe(readings.length);
      }),
    );
  });
  it('a mirrored saw of even flanks gives the mirrored plan', () => {
    // A level line, as of two free ones equally high either may be taken. Rake -30: the file lies flat across the top, face and back alike, so push and pull differ by nothing.
    const inputs = (readings: Parameters<typeof planInputs>[0], pitch: number) =>
      planInputs(readings, pitch, { angles: { rakeDeg: -30, fleamDeg: 0 }, habits: DEFAULT_HABITS, line: 'level' });
    fc.assert(
      fc.property(randomSaw(40), fc.double({ min: 0.02, max: 0.15, noNaN: true }), ({ readings, pitchMm }, share) => {
        const length = 500;
        const push = studyLine(inputs(readings, pitchMm));
        const pull = studyLine(inputs(mirrorReadings(readings, length), pitchMm));
        const depth = share * Math.min(push.deepestMm, pull.deepestMm);
        const [a, b] = [makeOrder(push, depth), makeOrder(pull, depth)];
        expect(b.forecast.cut.reachedShare).toBeCloseTo(a.forecast.cut.reachedShare, 9);
        expect(b.forecast.cut.worstSpacingMm).toBeCloseTo(a.forecast.cut.worstSpacingMm, 6);
        expect(b.forecast.cut.metalMm3).toBeCloseTo(a.forecast.cut.metalMm3, 5);
      }),
      { numRuns: 40 },
    );
  });
});
