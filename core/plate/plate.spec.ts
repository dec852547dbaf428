import fc from 'fast-check';
import { randomFrom } from '../reference/made-scan';
import type { PlaceEstimate } from '../evidence/estimates';
import { bendShape, plateBend } from './plate-bend';
import { plateReach } from './plate-reach';

const L = 650;
const STATIONS = [81, 163, 244, 325, 406, 488, 569];
const at = (gap: (x: number) => number, places = STATIONS): PlaceEstimate[] =>
  places.map((place) => ({ place, valueMm: gap(place), errorMm: 0.05, count: 1 }));

/** The plate itself, walked in small steps: slope turns evenly over the curved stretch, then the ends are laid on the edge. */
function walked(c: number, w: number, curvature: number): (x: number) => number {
  const step = 0.05;
  const y = new Float64Array(Math.round(L / step) + 1);
  let slope = 0;
  for (let i = 1; i < y.length; i++) {
    const x = (i - 0.5) * step;
    if (Math.abs(x - c) < w) slope -= curvature * step;
    y[i] = (y[i - 1] as number) + slope * step;
  }
  const last = y[y.length - 1] as number;
  return (x) => (y[Math.round(x / step)] as number) - (last * x) / L;
}

describe('the bend of a plate', () => {
  it('the shape of one bend is that of a plate walked along in small steps', () => {
    for (const [c, w] of [
      [325, 325],
      [200, 60],
      [500, 100],
    ] as const) {
      const plate = walked(c, w, 1e-4);
      for (const x of [50, 180, 333, 520, 610])
        expect(Math.abs(plate(x) - 1e-4 * bendShape(x, c, w, L))).toBeLessThan(2e-3);
    }
  });

  it('place, length, side and sag of a made bend are found; mirrored, so is the answer', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 15, max: 45 }),
        fc.double({ min: 0.4, max: 0.95, noNaN: true }),
        fc.constantFrom(1, -1),
        (place, share, side) => {
          const c = (place / 60) * L;
          const w = share * Math.min(c, L - c);
          const sag = bendShape(c, c, w, L);
          const found = plateBend(
            at((x) => (side * 4 * bendShape(x, c, w, L)) / sag),
            L,
          );
          expect(found?.bulges).toBe(side > 0 ? 'right' : 'left');
          expect(Math.abs((found?.sagMm ?? NaN) - 4)).toBeLessThan(0.35);
          expect(Math.abs((found?.centreMm ?? NaN) - c)).toBeLessThan(25);
          expect(Math.abs((found?.lengthMm ?? NaN) - 2 * w)).toBeLessThan(90);
          expect(found?.lengthFromMm).toBeLessThanOrEqual(2 * w + 30);
          expect(found?.lengthToMm).toBeGreaterThanOrEqual(2 * w - 30);
        },
      ),
    );
  });

  it('a crease has no length to speak of, and a long bend has nearly the whole plate', () => {
    const crease = plateBend(
      at((x) => (x < 325 ? x / 100 : (L - x) / 100)),
      L,
    );
    expect(crease?.lengthMm).toBeLessThan(90);
    expect(crease?.sagMm).toBeCloseTo(3.25, 1);
    const bow = plateBend(
      at((x) => (12 * x * (L - x)) / L ** 2),
      L,
    );
    expect(bow?.lengthMm).toBeGreaterThan(560);
    expect(bow?.sagMm).toBeCloseTo(3, 1);
  });

  it('the sag’s error is about what unsteady readings make of it', () => {
    const next = randomFrom(11);
    const errors = Array.from({ length: 120 }, () => {
      const noisy = at((x) => (12 * x * (L - x)) / L ** 2 + 0.05 * Math.sqrt(12) * (next() - 0.5));
      const found = plateBend(noisy, L);
      return { off: (found?.sagMm ?? NaN) - 3, told: found?.sagErrorMm ?? NaN };
    });
    const rms = Math.sqrt(errors.reduce((s, e) => s + e.off ** 2, 0) / errors.length);
    const told = errors.reduce((s, e) => s + e.told, 0) / errors.length;
    // Place and length are fitted too, so the sag alone scatters a little more than its own error tells.
    expect(rms / told).toBeGreaterThan(0.5);
    expect(rms / told).toBeLessThan(2);
  });

  it('three readings tell nothing, a flat plate neither', () => {
    expect(
      plateBend(
        at(() => 2, [100, 200, 300]),
        L,
      ),
    ).toBeNull();
    expect(
      plateBend(
        at(() => 0),
        L,
      ),
    ).toBeNull();
  });
});

describe('how far rust or pits reach', () => {
  it('stretches that touch are one; the ends of the plate cut them off; the teeth in them are named', () => {
    const reach = plateReach(
      [
        { place: 20, valueMm: 60, errorMm: 1, count: 1 },
        { place: 300, valueMm: 40, errorMm: 1, count: 1 },
        { place: 330, valueMm: 30, errorMm: 1, count: 1 },
        { place: 500, valueMm: 0, errorMm: 1, count: 1 },
      ],
      L,
      5,
    );
    expect(reach?.stretches).toEqual([
      { fromMm: 0, toMm: 50 },
      { fromMm: 280, toMm: 345 },
    ]);
    expect(reach?.totalMm).toBe(115);
    expect(reach?.share).toBeCloseTo(115 / 650, 12);
    expect(reach?.teeth).toEqual([
      { first: 1, last: 11 },
      { first: 57, last: 70 },
    ]);
    expect(plateReach([], L, 5)).toBeNull();
    // Between two teeth no tooth is touched.
    expect(plateReach([{ place: 12.5, valueMm: 2, errorMm: 1, count: 1 }], L, 5)?.teeth).toEqual([]);
  });
});
