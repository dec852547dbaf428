import ManifoldModule from 'manifold-3d';
import fc from 'fast-check';
import type { PlatePoint } from './file-in-gullet';
import { fileOnEdge } from './file-on-edge';

const areaOf = (ring: readonly PlatePoint[]): number =>
  Math.abs(
    ring.reduce((sum, [x, y], i) => {
      const [u, v] = ring[(i + 1) % ring.length] as PlatePoint;
      return sum + (x * v - u * y) / 2;
    }, 0),
  );
/** Face, bevel and back, as a pull saw has them. */
const TOOTH: readonly PlatePoint[] = [
  [0, 0],
  [0.2, 2],
  [0.5, 1.85],
  [1.4, 0],
];
const on = (from: number, deeperMm: number, corner: 'first' | 'second' | null = null, fileFaceMm = 5) =>
  fileOnEdge({ teeth: [TOOTH], own: 0, edges: [{ from, deeperMm }], section: 'feather', fileFaceMm, corner });

describe('a file laid on one edge of a tooth', () => {
  it('by hand: an upright edge 0.1 deep loses 0.1 of its width, a level one its top', () => {
    const square: PlatePoint[] = [
      [0, 0],
      [0, 1],
      [1, 1],
      [1, 0],
    ];
    const file = { section: 'mill', fileFaceMm: 3, corner: null } as const;
    const side = fileOnEdge({ teeth: [square], own: 0, edges: [{ from: 0, deeperMm: 0.1 }], ...file });
    expect(areaOf(side.after)).toBeCloseTo(0.9, 9);
    expect(Math.min(...side.after.map(([x]) => x))).toBeCloseTo(0.1, 9);
    const both = fileOnEdge({
      ...{ teeth: [square], own: 0, ...file },
      edges: [
        { from: 1, deeperMm: 0.2 },
        { from: 2, deeperMm: 0.25 },
      ],
    });
    expect(areaOf(both.after)).toBeCloseTo(0.8 * 0.75, 9);
    // A mill file's flat lies on the edge, about its middle: level at 0.8, from -1 to 2.
    expect(both.file[0]).toEqual([-1, 0.8]);
    expect(both.file[1]).toEqual([2, 0.8]);
    expect(() => on(7, 0.1)).toThrowError(RangeError);
  });

  it('takes what a general solid modeller takes: the tooth less everything over the moved edge', async () => {
    const wasm = await ManifoldModule();
    wasm.setup();
    const { CrossSection } = wasm;
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2 }),
        fc.double({ min: 0.001, max: 0.3, noNaN: true }),
        (from, deeperMm) => {
          const { after, file } = on(from, deeperMm);
          const [a, b] = [TOOTH[from], TOOTH[from + 1]] as [PlatePoint, PlatePoint];
          const deg = (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
          // A block whose foot is the edge's line, moved in.
          const block = CrossSection.square([40, 20], false)
            .translate([-20, -deeperMm])
            .rotate(deg)
            .translate([a[0], a[1]]);
          const left = new CrossSection([[...TOOTH].reverse().map(([x, y]) => [x, y])] as never).subtract(block);
          expect(areaOf(after)).toBeCloseTo(left.area(), 6);
          // The file touches what is left and takes none of it.
          const solid = new CrossSection([[...file].map(([x, y]) => [x, y])] as never, 'NonZero');
          const whole = Math.abs(solid.area()) > 0 ? solid : new CrossSection([[...file].reverse()] as never);
          expect(left.intersect(whole).area()).toBeLessThan(1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('a feather file’s corner lies in the gullet: at the edge’s foot on either side, its face along the edge', () => {
    const [face, back] = [on(0, 0, 'first'), on(2, 0, 'second')];
    expect(face.file[0]).toEqual(TOOTH[0] as PlatePoint);
    expect(back.file[0]).toEqual(TOOTH[3] as PlatePoint);
    for (const { file } of [face, back]) {
      const [c, along] = [file[0], file[1]] as [PlatePoint, PlatePoint];
      expect(Math.hypot(along[0] - c[0], along[1] - c[1])).toBeCloseTo(5, 9);
      expect(along[1]).toBeGreaterThan(c[1]);
    }
  });
});
