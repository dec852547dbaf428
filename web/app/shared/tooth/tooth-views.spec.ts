import { alternateGullets } from './alternate-gullets';
import { placeTeeth, VIEW } from './place-teeth';

const drawn = (fleamDeg: number, cuts: 'push' | 'pull' = 'push') => ({
  gullets: alternateGullets({ rakeDeg: -15, backDeg: 46, fleamDeg }, 4),
  pitchMm: 3,
  plateMm: 0.9,
  setMm: 0.12,
  backGuessed: false,
  cuts,
});
const numbers = (path: string): number[] => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe('teeth from the side, the top and the end', () => {
  it('a fleamed tooth has its point to one side and falls by 2 t tan f / T; square across it is a chisel', () => {
    const fleamed = placeTeeth(drawn(25));
    const spread = Math.tan((15 * Math.PI) / 180) + Math.tan((46 * Math.PI) / 180);
    expect(fleamed?.dropMm).toBeCloseTo((2 * 0.9 * Math.tan((25 * Math.PI) / 180)) / spread, 9);
    expect(fleamed?.point).toBe('left');
    const square = placeTeeth(drawn(0));
    expect(square?.point).toBeNull();
    // Seen from the side, a square tooth's far outline lies behind its near one.
    expect(square?.side.far).toBe(square?.side.near);
    expect(fleamed?.side.far).not.toBe(fleamed?.side.near);
  });

  it('everything stays inside its view, and a pull saw is drawn the other way about', () => {
    for (const fleam of [0, 15, 35]) {
      const placed = placeTeeth(drawn(fleam));
      for (const path of [placed?.side.near, placed?.end.near, placed?.end.far, placed?.side.far]) {
        const all = numbers(path ?? '');
        expect(all.length).toBeGreaterThan(6);
        all.forEach((v, i) => {
          expect(v).toBeGreaterThanOrEqual(-4);
          expect(v).toBeLessThanOrEqual((i % 2 ? VIEW.height : VIEW.width) + 4);
        });
      }
    }
    const xs = (cuts: 'push' | 'pull') =>
      numbers(placeTeeth(drawn(0, cuts))?.side.near ?? '').filter((_, i) => i % 2 === 0);
    const [push, pull] = [xs('push'), xs('pull')];
    push.forEach((x, i) => expect(x + (pull[i] ?? NaN)).toBeCloseTo(VIEW.width, 0));
  });

  it('a bevel across the tops shows in all three: a face of its own from above, and the tip lower', () => {
    const [bare, bevelled] = [drawn(15, 'pull'), { ...drawn(15, 'pull'), top: { topDeg: 20, tipHeightMm: 2 } }].map(
      placeTeeth,
    );
    expect(bare?.top.bevels).toBe('');
    expect(numbers(bevelled?.top.bevels ?? '').length).toBe(3 * 4 * 2);
    expect(bevelled?.side.near).not.toBe(bare?.side.near);
    expect(bevelled?.dropMm).toBeLessThan(bare?.dropMm ?? 0);
  });

  it('angles that leave no tooth are not drawn', () => {
    expect(
      placeTeeth({ ...drawn(0), gullets: alternateGullets({ rakeDeg: 50, backDeg: 40, fleamDeg: 0 }, 4) }),
    ).toBeNull();
  });
});
