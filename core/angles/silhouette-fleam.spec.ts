import fc from 'fast-check';
import { filedTooth, toothFor } from '../file/flank-angles';
import { madeLine, madeScan } from '../reference/made-scan';
import { traceTeeth } from '../trace/trace-teeth';
import { anglesOfTrace } from '../trace/angles-of-trace';
import { anglesOf } from './angles-of';
import { silhouetteFleam } from './silhouette-fleam';
import { HAND, read } from '../reference/made-angles';

describe('fleam out of the side view alone', () => {
  it('flanks of 16.47 and 47.81 under a 60 degree file are a fleam of 25 with a roll of 15', () => {
    const sure = (value: number) => ({ value, error: 0.01 });
    const found = silhouetteFleam(sure(-16.4699), sure(47.8087), 60);
    expect(found.fleamDeg).toBeCloseTo(25, 1);
    expect(found.rollDeg).toBeCloseTo(15, 1);
    expect(found.otherFile).toBeFalse();
  });

  it('gives back any hold of any file, square ones too', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 35, noNaN: true }),
        fc.double({ min: -8, max: 25, noNaN: true }),
        fc.constantFrom(60, 75, 90),
        (fleamDeg, rollDeg, sectionDeg) => {
          fc.pre(sectionDeg - rollDeg < 85);
          const { faceDeg, backDeg } = filedTooth({ fleamDeg, rollDeg, sectionDeg });
          const found = silhouetteFleam({ value: -faceDeg, error: 0.2 }, { value: backDeg, error: 0.2 }, sectionDeg);
          // A hooked face may have two: the one that made it is one of them, and both leave the same flanks.
          const [near, other] = [found.fleamDeg, found.orDeg ?? found.fleamDeg];
          expect(Math.min(Math.abs(near - fleamDeg), Math.abs(other - fleamDeg))).toBeLessThan(1e-4);
          if (rollDeg >= 0) expect(found.orDeg).toBeNull();
          const again = filedTooth({ fleamDeg: near, rollDeg: found.rollDeg, sectionDeg });
          expect(again.faceDeg).toBeCloseTo(faceDeg, 5);
          expect(again.backDeg).toBeCloseTo(backDeg, 5);
          expect(found.fromDeg).toBeLessThanOrEqual(found.fleamDeg);
          expect(found.toDeg).toBeGreaterThanOrEqual(found.fleamDeg);
        },
      ),
    );
  });

  it('a rip tooth with flanks told to a degree may have any small fleam; flanks too close are another file’s', () => {
    const rough = (value: number) => ({ value, error: 1 });
    const rip = silhouetteFleam(rough(0), rough(60), 60);
    expect(rip.fleamDeg).toBeCloseTo(0, 4);
    expect(rip.fromDeg).toBe(0);
    expect(rip.toDeg).toBeGreaterThan(10);
    const close = silhouetteFleam({ value: -5, error: 0.3 }, { value: 40, error: 0.3 }, 60);
    expect(close).toEqual(jasmine.objectContaining({ fleamDeg: 0, otherFile: true }));
    expect(() => silhouetteFleam(rough(30), rough(10), 60)).toThrowError(RangeError);
  });

  it('traced from a picture of a saw filed at 25: the fleam is found within its own range', () => {
    const tooth = toothFor(-15, 25);
    const line = madeLine({ teeth: 60, pitchMm: 3, rakeDeg: -15, fileDeg: tooth.faceDeg + tooth.backDeg });
    const { picture, mmPerPx } = madeScan(line, { dpi: 600 });
    const trace = traceTeeth(picture, { mmPerPx, scaleError: 0, cuts: 'push', heel: 'left', teethPoint: 'up' });
    if (!trace.ok) throw new Error(trace.code);
    const readings = anglesOfTrace(trace).map((r) => read(r.tooth, r.finding));
    expect(readings.length).toBeGreaterThan(50);
    const says = anglesOf(HAND, readings, 'taper');
    expect(says.all.rakeDeg?.value).toBeCloseTo(-15, 0);
    expect(says.all.fleamDeg).toBeNull();
    expect(says.silhouette?.fleamDeg).toBeGreaterThan(23);
    expect(says.silhouette?.fleamDeg).toBeLessThan(27);
  });
});
