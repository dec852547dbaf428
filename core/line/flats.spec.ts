import fc from 'fast-check';
import { toothFor } from '../file/flank-angles';
import { randomSaw, evenSaw } from '../reference/random-saw';
import { backIntercept, faceIntercept, evenShape, flatsOn, prepareLine } from './flats';

describe('flats (geometry section 4)', () => {
  it('by hand: a tip 0.1 over a level line carries a flat of 0.1 T, face side upright', () => {
    const readings = evenSaw(3, 2).map((r) => ({ ...r, yMm: 0.1 }));
    const flats = flatsOn({ alphaMm: 0, beta: 0 }, prepareLine(readings, evenShape(2, toothFor(0, 0))));
    expect(flats.toMm[1]).toBeCloseTo(2, 12);
    expect(flats.fromMm[1]).toBeCloseTo(2 - 0.1 * Math.tan(Math.PI / 3), 12);
    expect(flats.reached).toBe(3);
  });

  it('on an inclined line both ends lie on the line and on their flank', () => {
    fc.assert(
      fc.property(randomSaw(20), fc.double({ min: -0.03, max: 0.03, noNaN: true }), (saw, beta) => {
        const tooth = toothFor(-12, 15);
        const prepared = prepareLine(saw.readings, evenShape(saw.pitchMm, tooth));
        const alphaMm = -0.2 * saw.pitchMm;
        const flats = flatsOn({ alphaMm, beta }, prepared);
        prepared.teeth.forEach((_, i) => {
          if (!flats.on[i]) return;
          const [a, b] = [flats.fromMm[i] as number, flats.toMm[i] as number];
          expect(b).toBeGreaterThanOrEqual(a);
          expect(a - (alphaMm + beta * a) * tooth.tanBack).toBeCloseTo(prepared.backMm[i] as number, 7);
          expect(b + (alphaMm + beta * b) * tooth.tanFace).toBeCloseTo(prepared.faceMm[i] as number, 7);
        });
      }),
    );
  });

  it('a tip on the line but for rounding is on it, without a flat, where it stands', () => {
    const readings = evenSaw(3, 2).map((r) => ({ ...r, yMm: r.tooth === 2 ? -0.5e-9 : 0.1 }));
    const flats = flatsOn({ alphaMm: 0, beta: 0 }, prepareLine(readings, evenShape(2, toothFor(0, 0))));
    expect([flats.on[1], flats.fromMm[1], flats.toMm[1]]).toEqual([1, 2, 2]);
  });

  it('a short tooth is an interval of no width at its own tip', () => {
    const readings = evenSaw(3, 2).map((r) => (r.tooth === 2 ? { ...r, yMm: -0.5 } : r));
    const flats = flatsOn({ alphaMm: -0.1, beta: 0 }, prepareLine(readings, evenShape(2, toothFor(0, 0))));
    expect([flats.fromMm[1], flats.toMm[1], flats.on[1]]).toEqual([2, 2, 0]);
  });

  it('a measured flank counts only below the line: a burr above it is gone anyway', () => {
    const face: [number, number][] = [
      [0.3, 0.2],
      [0, 0.1],
      [0, -0.4],
    ];
    expect(faceIntercept(face, 0.2, 0.1)).toBeCloseTo(-0.08, 12);
    expect(
      backIntercept(
        [
          [0, 0.1],
          [-0.2, -0.1],
        ],
        1.7,
        0.1,
      ),
    ).toBeCloseTo(-0.03, 12);
    expect(faceIntercept(face, 0.2, -1)).toBe(Infinity);
  });
});
