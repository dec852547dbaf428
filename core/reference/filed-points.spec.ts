import { evenSaw } from './random-saw';
import type { Lean, ToothReading } from '../evidence/tooth-reading';
import type { GulletFiled } from './filed-points';
import { planesOf, pointFaults } from './filed-points';
import type { FileDirectionSchool } from '../file/direction';
import { gulletDirection } from '../file/direction';
import { toothBetween } from './filed-tooth-solid';

const alternate = (n: number): ToothReading[] =>
  evenSaw(n, 2).map((r, i) => ({ ...r, lean: i % 2 ? ('right' as const) : ('left' as const) }));
const held = { fleamDeg: 25, slopeDeg: 0, rollDeg: 15, sectionDeg: 60 };
/** Where the bench says each file lies: its ends are the cut's on a push saw. */
const lying = (readings: readonly ToothReading[], fleamDeg: number, school: FileDirectionSchool) =>
  readings.map((tooth) => {
    const { standOn, tipTowards } = gulletDirection(tooth, fleamDeg, school);
    const along = { toe: 'along', heel: 'against', across: 'across' } as const;
    return { standOn, tipTowards: along[tipTowards] };
  });
const filedBy = (
  readings: readonly ToothReading[],
  school: 'face-of-away' | 'back-of-away',
  more: Partial<GulletFiled> = {},
): GulletFiled[] =>
  lying(readings, 25, school).map(({ standOn, tipTowards }) => ({ ...held, standOn, tipTowards, ...more }));

describe('every tooth leans to the side of its point', () => {
  it('both schools leave the same teeth, and none is named', () => {
    const teeth = alternate(10);
    for (const school of ['face-of-away', 'back-of-away'] as const) {
      const filed = filedBy(teeth, school);
      expect(pointFaults(teeth, filed, 2, 0.8)).toEqual([]);
      for (let i = 1; i < 9; i++) {
        const solid = toothBetween(planesOf(filed[i] as GulletFiled, 2), planesOf(filed[i - 1] as GulletFiled, 0), 0.8);
        expect(solid.point).toBe(teeth[i]?.lean as Lean);
        expect(solid.dropMm).toBeCloseTo(0.533, 3);
      }
    }
  });
  it('set the other way, every tooth but the first is named with the side its point is on', () => {
    const teeth = alternate(6);
    const filed = filedBy(teeth, 'face-of-away');
    const setWrong = teeth.map((r) => ({ ...r, lean: r.lean === 'left' ? ('right' as const) : ('left' as const) }));
    const faults = pointFaults(setWrong, filed, 2, 0.8);
    expect(faults.map((f) => f.tooth)).toEqual([2, 3, 4, 5, 6]);
    expect(faults.every((f) => f.point !== f.leans)).toBeTrue();
  });
  it('square with slope a rip tooth gets a point: geometry’s row 0, 10, 15 drops -0.10180, the other side', () => {
    const teeth = alternate(6);
    const sloped = { ...held, fleamDeg: 0, slopeDeg: 10 };
    const filed = lying(teeth, 1, 'face-of-away').map(({ standOn, tipTowards }) => ({
      ...sloped,
      standOn,
      tipTowards,
    }));
    expect(pointFaults(teeth, filed, 2, 0.8).map((f) => f.tooth)).toEqual([2, 3, 4, 5, 6]);
    const turned = filed.map((f) => ({ ...f, standOn: f.standOn === 'left' ? ('right' as const) : ('left' as const) }));
    expect(pointFaults(teeth, turned, 2, 0.8)).toEqual([]);
  });
  it('a chisel agrees with any lean', () => {
    const teeth = alternate(5);
    const filed = teeth.map(() => ({ ...held, fleamDeg: 0, standOn: 'left' as const, tipTowards: 'across' as const }));
    expect(pointFaults(teeth, filed, 2, 0.8)).toEqual([]);
  });
  it('wants the filing of every gullet', () =>
    expect(() => pointFaults(alternate(3), [], 2, 0.8)).toThrowError(RangeError));
});
