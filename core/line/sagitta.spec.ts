import { breastRadiusMm, sagittaMm } from './sagitta';

describe('breast of a tooth line', () => {
  // Chord, sagitta and radius of a circular segment: engineers' handbooks, from memory: r = (c^2 + 4 h^2) / (8 h).
  it('agrees with the handbook form of the chord formula', () => {
    for (const [chord, rise] of [
      [900, 20],
      [660, 3],
      [1650, 45],
    ] as const) {
      expect(breastRadiusMm(chord, rise)).toBeCloseTo((chord * chord + 4 * rise * rise) / (8 * rise), 6);
      expect(sagittaMm(chord, breastRadiusMm(chord, rise))).toBeCloseTo(rise, 6);
    }
  });
  it('a parabola serves to 0.01 mm for 20 over 900', () => {
    const radius = breastRadiusMm(900, 20);
    let worst = 0;
    for (let x = -450; x <= 450; x += 5) {
      const arc = Math.sqrt(radius * radius - x * x) - radius + 20;
      worst = Math.max(worst, Math.abs(arc - 20 * (1 - (x / 450) ** 2)));
    }
    expect(worst).toBeLessThan(0.0101);
  });
  it('refuses a saw without breast', () => expect(() => breastRadiusMm(900, 0)).toThrowError(RangeError));
});
