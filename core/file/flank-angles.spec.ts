import fc from 'fast-check';
import { filedTooth, ridgeDropMm, rollForRake, toothFor, toothHeightMm } from './flank-angles';

const hold = (rollDeg: number, fleamDeg: number) => ({ rollDeg, fleamDeg, sectionDeg: 60 });

describe('what a file leaves (geometry section 2)', () => {
  it('rip with an upright face: h = p / tan 60', () => {
    expect(toothHeightMm(1, filedTooth(hold(0, 0)))).toBeCloseTo(1 / Math.tan(Math.PI / 3), 12);
  });
  it('file flat across the top: h = 0.8660 p', () => {
    expect(toothHeightMm(1, filedTooth(hold(30, 0)))).toBeCloseTo(0.866, 4);
  });
  it('fleam 25, roll 15: A 16.47, B 47.81, T 1.3990, h 0.7148 p, drop 0.533 at 0.8 mm', () => {
    const tooth = filedTooth(hold(15, 25));
    expect(tooth.faceDeg).toBeCloseTo(16.47, 2);
    expect(tooth.backDeg).toBeCloseTo(47.81, 2);
    expect(tooth.spread).toBeCloseTo(1.399, 4);
    expect(toothHeightMm(1, tooth)).toBeCloseTo(0.7148, 4);
    expect(ridgeDropMm(0.8, 25, tooth)).toBeCloseTo(0.533, 3);
  });
  it('the roll for a wanted rake leaves that rake', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 15, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (rake, fleam) => {
          expect(filedTooth(hold(rollForRake(rake, fleam), fleam)).faceDeg).toBeCloseTo(-rake, 9);
          expect(toothFor(rake, fleam).spread).toBeGreaterThan(0);
        },
      ),
    );
  });
  it('refuses a file lying past level', () => {
    expect(() => filedTooth(hold(-40, 0))).toThrowError(RangeError);
    expect(() => filedTooth(hold(0, 90))).toThrowError(RangeError);
  });
});
