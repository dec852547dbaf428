import fc from 'fast-check';
import { toothFor } from '../file/flank-angles';
import { randomSaw, evenSaw } from '../reference/random-saw';
import { depthCurve, depthForShare, depthPoint, leastDepth } from './depth-curve';
import { evenShape, prepareLine } from './flats';
import { datumLine } from './joint-line';
import { standingTeeth } from '../evidence/tooth-reading';

const prepare = (readings: Parameters<typeof prepareLine>[0], pitchMm: number, rake = -10) => {
  const prepared = prepareLine(readings, evenShape(pitchMm, toothFor(rake, 10)));
  return { prepared, datum: datumLine(standingTeeth(readings), 0) };
};

describe('evenness and teeth reached against depth', () => {
  it('deeper never widens the best error nor puts fewer teeth on the line (A >= 0, section 11)', () => {
    fc.assert(
      fc.property(randomSaw(40), (saw) => {
        const { prepared, datum } = prepare(saw.readings, saw.pitchMm);
        const curve = depthCurve(prepared, datum, 0.3 * saw.pitchMm, 24);
        for (let k = 1; k < curve.length; k++) {
          expect(curve[k]?.worstSpacingMm).toBeLessThanOrEqual((curve[k - 1]?.worstSpacingMm ?? 0) + 1e-9);
          expect(curve[k]?.reachedShare).toBeGreaterThanOrEqual(curve[k - 1]?.reachedShare ?? 0);
        }
      }),
    );
  });

  it('the least depth serves the wish and a hair less does not', () => {
    fc.assert(
      fc.property(randomSaw(30), (saw) => {
        const { prepared, datum } = prepare(saw.readings, saw.pitchMm);
        const wish = { share: 0.95, evennessMm: 0.08 * saw.pitchMm };
        const least = leastDepth(prepared, datum, wish, 0.5 * saw.pitchMm);
        if (!least.reached) return;
        const serves = (depth: number): boolean => {
          const point = depthPoint(prepared, datum, depth);
          return point.reachedShare >= wish.share - 1e-9 && point.worstSpacingMm <= wish.evennessMm + 1e-9;
        };
        expect(serves(least.depthMm + 1e-9)).toBeTrue();
        if (least.depthMm > 3e-4) expect(serves(least.depthMm - 2e-4)).toBeFalse();
      }),
    );
  });

  it('by hand: the third lowest of twenty drops is the depth for 90 %', () => {
    const readings = evenSaw(20, 2).map((r, i) => ({ ...r, yMm: -i / 100 }));
    const { prepared, datum } = prepare(readings, 2);
    expect(depthForShare(prepared, datum, 0.9)).toBeCloseTo(0.17, 12);
    expect(depthForShare(prepared, datum, 1)).toBeCloseTo(0.19, 12);
  });

  it('with hooked faces it searches and still finds a depth that serves', () => {
    const readings = evenSaw(12, 3).map((r, i) => ({ ...r, xMm: r.xMm + (i % 3 === 0 ? 0.2 : 0) }));
    const { prepared, datum } = prepare(readings, 3, 8);
    const least = leastDepth(prepared, datum, { share: 1, evennessMm: 0.1 }, 1.5);
    expect(least.reached).toBeTrue();
    expect(depthPoint(prepared, datum, least.depthMm).worstSpacingMm).toBeLessThanOrEqual(0.1 + 1e-6);
  });
});
