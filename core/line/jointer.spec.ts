import { jointerBend } from './jointer';
import { breastRadiusMm, sagittaMm } from './sagitta';

describe('a jointer’s file bent to a breasted line', () => {
  it('by hand: 1 mm over 200 on a radius of 5 m; a straight line none', () => {
    expect(jointerBend(5000, 200).bendMm).toBeCloseTo(1.0001, 4);
    expect(jointerBend(null, 200).bendMm).toBe(0);
    expect(() => jointerBend(90, 200)).toThrowError(RangeError);
  });
  it('is the sagitta of the line’s own radius over the jointer’s chord, and gives that radius back', () => {
    for (const [radius, shoes] of [
      [3000, 150],
      [16_000, 200],
      [80_000, 250],
    ] as const) {
      expect(jointerBend(radius, shoes).bendMm).toBe(sagittaMm(shoes, radius));
      expect(breastRadiusMm(shoes, jointerBend(radius, shoes).bendMm)).toBeCloseTo(radius, 3);
    }
  });
  /**
   * Euler-Bernoulli beam on two supports pushed at its middle (textbook, from memory):
   * y / bend = 3 (x/s) - 4 (x/s)^3 from a support to the middle. A file bent by a screw lies in it, not in a circle.
   */
  it('a file pushed at its middle leaves the arc by less than a twelfth of the bend', () => {
    const [radius, shoes] = [5000, 200];
    const { bendMm } = jointerBend(radius, shoes);
    let worst = 0;
    for (let u = 0; u <= 0.5; u += 0.01) {
      const beam = bendMm * (3 * u - 4 * u ** 3);
      const x = (u - 0.5) * shoes;
      const arc = bendMm - (radius - Math.sqrt(radius ** 2 - x ** 2));
      worst = Math.max(worst, Math.abs(beam - arc));
    }
    expect(worst).toBeGreaterThan(0);
    expect(worst).toBeLessThan(bendMm / 12);
    // At the bend of a usual saw that is less than a feeler can tell: two thou.
    expect((worst / bendMm) * jointerBend(16_000, shoes).bendMm).toBeLessThan(0.0508);
  });
});
