import { loopPoint, loopSize } from './loop-path';

describe('a loop on the sheet', () => {
  const L = 240;
  it('is as long as its band: steps along it are as long as they say', () => {
    const step = 0.25;
    for (let s = 0; s < L; s += step) {
      const [p, q] = [loopPoint(s, L), loopPoint(s + step, L)];
      const apart = Math.hypot(q.x - p.x, q.y - p.y);
      expect(apart).toBeLessThanOrEqual(step + 1e-9);
      expect(apart).toBeGreaterThan(step * 0.999);
    }
  });
  it('closes, is the same turned about, and stays in its size', () => {
    expect(loopPoint(L, L)).toEqual(loopPoint(0, L));
    const { half, radius } = loopSize(L);
    for (let s = 0; s < L; s += 3) {
      const [p, across] = [loopPoint(s, L), loopPoint(s + L / 2, L)];
      expect(across.x).toBeCloseTo(-p.x, 9);
      expect(across.y).toBeCloseTo(-p.y, 9);
      expect(Math.abs(p.x)).toBeLessThanOrEqual(half + 1e-9);
      expect(Math.abs(p.y)).toBeLessThanOrEqual(radius + 1e-9);
    }
    expect(loopPoint(-1, L).x).toBeCloseTo(-1, 9);
  });
});
