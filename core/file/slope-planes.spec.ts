import fc from 'fast-check';
import ManifoldModule from 'manifold-3d';
import type { SlopedHold } from './slope-planes';
import { filePlanes, slopedTooth, slopedToothClosedForm } from './slope-planes';

const row = (fleamDeg: number, slopeDeg: number, rollDeg: number, tip: 1 | -1): SlopedHold => ({
  fleamDeg,
  slopeDeg,
  rollDeg,
  tip,
  sectionDeg: 60,
});

describe('a sloped file (geometry section 2, slope)', () => {
  const table: [SlopedHold, number[]][] = [
    [row(0, 10, 15, 1), [14.782, 44.562, 1.24869, 2.664, -9.851, -0.1018]],
    [row(25, 10, 15, 1), [16.574, 45.149, 1.30283, 27.664, 15.149, 0.61017]],
    [row(25, 10, 15, -1), [15.906, 49.777, 1.46733, 22.336, 34.851, 0.75457]],
    [row(20, 15, 0, 1), [0, 56.843, 1.53066, 20, -4.146, 0.19043]],
    [row(20, 15, 0, -1), [0, 64.825, 2.12754, 20, 44.146, 0.6273]],
    [row(15, 5, -3, 1), [-3.09, 62.675, 1.88142, 14.738, 5.293, 0.18906]],
  ];
  for (const [hold, expected] of table) {
    it(`fleam ${hold.fleamDeg}, slope ${hold.slopeDeg}, roll ${hold.rollDeg}, tip ${hold.tip}`, () => {
      const got = slopedTooth(hold);
      const values = [got.faceDeg, got.backDeg, got.spread, got.planFleamFaceDeg, got.planFleamBackDeg, got.dropPerMm];
      // The table's last digit: 0.001 degree, 1e-5 elsewhere.
      [3, 3, 5, 3, 3, 5].forEach((digits, i) =>
        expect(Math.abs((values[i] as number) - (expected[i] as number))).toBeLessThan(0.6 * 10 ** -digits),
      );
    });
  }

  it('planes and closed forms agree on every hold', () => {
    const hold = fc.record({
      fleamDeg: fc.double({ min: 0, max: 35, noNaN: true }),
      slopeDeg: fc.double({ min: 0, max: 20, noNaN: true }),
      rollDeg: fc.double({ min: -10, max: 30, noNaN: true }),
      tip: fc.constantFrom<1 | -1>(1, -1),
      sectionDeg: fc.constant(60),
    });
    fc.assert(
      fc.property(hold, (h) => {
        const planes = slopedTooth(h);
        const closed = slopedToothClosedForm(h);
        for (const key of Object.keys(planes) as (keyof typeof planes)[])
          expect(planes[key]).toBeCloseTo(closed[key], 9);
      }),
    );
  });

  // Solid geometry by manifold-3d: a plate, alternate gullets cut by file bodies, the ridge read off the mesh.
  it('the ridge of a solid plate cut by alternate files falls as computed', async () => {
    const wasm = await ManifoldModule();
    wasm.setup();
    const plateMm = 0.8;
    const pitchMm = 2.5;
    for (const hold of [row(25, 0, 15, 1), row(25, 10, 15, 1), row(20, 15, 0, -1), row(0, 10, 15, 1)]) {
      const body = (gullet: number) => {
        const { faceNormal: nf, backNormal: nb } = filePlanes(hold);
        const flip = gullet % 2 === 0 ? 1 : -1;
        // A file filed from the other side is the mirror image in z: its slope still rises from its handle.
        const into = (n: readonly [number, number, number]): [number, number, number] => [-n[0], -n[1], -n[2] * flip];
        return wasm.Manifold.cube([40, 40, 10], true)
          .trimByPlane(into(nf), 0)
          .trimByPlane(into(nb), 0)
          .translate([(gullet + 0.5) * pitchMm, 0, 0]);
      };
      let plate = wasm.Manifold.cube([4 * pitchMm, 12, plateMm], true);
      for (const gullet of [-2, -1, 0, 1]) plate = plate.subtract(body(gullet));
      // The tooth between gullets -1 and 0: its crest on each side of the plate.
      const crest = (z: number): number => {
        const mesh = plate.getMesh();
        let top = -Infinity;
        for (let v = 0; v < mesh.vertProperties.length; v += mesh.numProp) {
          const [x, y, vz] = [0, 1, 2].map((k) => mesh.vertProperties[v + k] as number) as [number, number, number];
          if (Math.abs(vz - z) < 1e-4 && x > -0.3 * pitchMm && x < 0.6 * pitchMm) top = Math.max(top, y);
        }
        return top;
      };
      const drop = crest(plateMm / 2) - crest(-plateMm / 2);
      expect(drop)
        .withContext(JSON.stringify(hold))
        .toBeCloseTo(slopedTooth(hold).dropPerMm * plateMm, 4);
    }
  });
});
